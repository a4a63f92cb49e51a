import { syntaxTree } from '@codemirror/language';
import type { EditorState } from '@codemirror/state';
import type { SyntaxNode } from '@lezer/common';
import type { DocumentPath } from '@hashira/core';

/** Where the caret stands in a JSON text. */
export interface JsonPlace {
  /** Of the value that is written there, or of the object whose field is named there. */
  readonly path: DocumentPath;
  readonly writes: 'field' | 'value';
  /** The word that is being written, its quotes included. */
  readonly from: number;
  readonly to: number;
}

/** The place of the caret, as far as the text can be read. */
export function placeAt(state: EditorState, caret: number): JsonPlace | undefined {
  const node = syntaxTree(state).resolveInner(caret, -1);
  const word = /["\w.-]*$/.exec(state.sliceDoc(Math.max(0, caret - 60), caret))![0];
  const after = /^[\w.-]*"?/.exec(state.sliceDoc(caret, caret + 60))![0];
  const range = { from: caret - word.length, to: caret + after.length };
  const property = closest(node, 'Property');
  const object = closest(node, 'Object');
  const list = closest(node, 'Array');
  const inner = [property, object, list].reduce((a, b) => (b && (!a || b.from > a.from) ? b : a), undefined);
  if (!inner) return undefined;
  if (inner.name === 'Object') return { path: pathOf(inner, state), writes: 'field', ...range };
  if (inner.name === 'Array')
    return { path: [...pathOf(inner, state), indexAt(inner, caret)], writes: 'value', ...range };
  const colon = state
    .sliceDoc(inner.from, caret)
    .replace(/"(\\.|[^"\\])*"?/, '')
    .includes(':');
  const owner = closest(inner.parent, 'Object');
  return colon
    ? { path: [...pathOf(owner, state), nameOf(inner, state)], writes: 'value', ...range }
    : { path: pathOf(owner, state), writes: 'field', ...range };
}

/** Where a value stands in the text, by its path as problems give it: `/steps/0/eaves`; the nearest that is there. */
export function rangeOf(state: EditorState, path: string): { from: number; to: number } {
  let node = syntaxTree(state).topNode.firstChild;
  let named: SyntaxNode | null = null;
  for (const key of path.split('/').filter((part) => part !== '')) {
    const inner: SyntaxNode | null = node && child(node, key, state);
    if (!inner) break;
    named = inner.name === 'Property' ? inner.getChild('PropertyName') : inner;
    node = inner.name === 'Property' ? inner.lastChild : inner;
  }
  const at = named ?? node;
  // A long value is told of at its beginning
  return at ? { from: at.from, to: Math.min(at.to, state.doc.lineAt(at.from).to) } : { from: 0, to: 0 };
}

/** What a text says as far as it can be read: what is broken is left out. */
export function readLoosely(state: EditorState, node = syntaxTree(state).topNode.firstChild): unknown {
  if (!node) return undefined;
  const text = () => state.sliceDoc(node.from, node.to);
  switch (node.name) {
    case 'Object':
      return Object.fromEntries(
        node.getChildren('Property').flatMap((one) => {
          const value = one.lastChild;
          const written = value && value.name !== 'PropertyName' && value.name !== '⚠';
          return written ? [[nameOf(one, state), readLoosely(state, value)]] : [];
        }),
      );
    case 'Array':
      return valuesOf(node).map((one) => readLoosely(state, one));
    case 'String':
      return text().replace(/^"|"$/g, '');
    case 'Number':
      return Number(text());
    case 'True':
      return true;
    case 'False':
      return false;
    default:
      return null;
  }
}

function closest(node: SyntaxNode | null, name: string): SyntaxNode | undefined {
  let one = node;
  while (one && one.name !== name) one = one.parent;
  return one ?? undefined;
}

function child(node: SyntaxNode, key: string, state: EditorState): SyntaxNode | null {
  if (node.name === 'Object')
    return node.getChildren('Property').find((one) => nameOf(one, state) === key) ?? null;
  return node.name === 'Array' ? (valuesOf(node)[Number(key)] ?? null) : null;
}

function nameOf(property: SyntaxNode, state: EditorState): string {
  const name = property.getChild('PropertyName');
  return name ? state.sliceDoc(name.from, name.to).replace(/^"|"$/g, '') : '';
}

function pathOf(node: SyntaxNode | undefined, state: EditorState): DocumentPath {
  const path: (string | number)[] = [];
  for (let one = node; one?.parent; one = one.parent) {
    if (one.name === 'Property') path.unshift(nameOf(one, state));
    else if (one.parent.name === 'Array') path.unshift(indexAt(one.parent, one.from));
  }
  return path;
}

const marks = new Set(['[', ']', ',', '⚠']);

function valuesOf(list: SyntaxNode): SyntaxNode[] {
  const values: SyntaxNode[] = [];
  for (let one = list.firstChild; one; one = one.nextSibling) if (!marks.has(one.name)) values.push(one);
  return values;
}

/** How many values of a list end before a place. */
function indexAt(list: SyntaxNode, place: number): number {
  return valuesOf(list).filter((one) => one.to <= place && one.from < place).length;
}
