import { create, parseDependencies, type MathNode } from 'mathjs/number';
import { fail } from '../base/problem.js';

/** The package's reader, without the kinds of numbers that expressions do not have. */
const reader = create(parseDependencies!);

/** Where an expression stands, for messages. */
export interface Place {
  /** In words, e.g. `parameter "span"`. */
  readonly what: string;
  readonly where: Readonly<Record<string, unknown>>;
}

/** What can be written: numbers, names, operators, calls. */
export type Tree =
  | { readonly kind: 'constant'; readonly value: number | boolean | string }
  | { readonly kind: 'name'; readonly name: string }
  | { readonly kind: 'operator'; readonly operator: string; readonly args: readonly Tree[] }
  | { readonly kind: 'call'; readonly name: string; readonly args: readonly Tree[] }
  | { readonly kind: 'choice'; readonly condition: Tree; readonly yes: Tree; readonly no: Tree };

const longest = 400;
const mostNodes = 200;
const mostKept = 4000;
const kept = new Map<string, Tree>();

/**
 * Reads an expression; only pure arithmetic on numbers, units, truth values and names is let through.
 *
 * @throws ProblemError `expression` with what is wrong and at which character
 */
export function readTree(text: string, place: Place): Tree {
  const known = kept.get(text);
  if (known) return known;
  if (text.length > longest)
    reject(place, text, `it is longer than ${longest} characters; split it into parameters`);
  if (text.trim() === '') reject(place, text, 'nothing is written; write a value or a formula');
  let node: MathNode;
  try {
    node = reader.parse(text);
  } catch (error) {
    return reject(place, text, error instanceof Error ? error.message : String(error));
  }
  let count = 0;
  node.traverse(() => {
    count++;
  });
  if (count > mostNodes) reject(place, text, 'it has too many parts; split it into parameters');
  const tree = treeOf(node, text, place);
  if (kept.size >= mostKept) kept.clear();
  kept.set(text, tree);
  return tree;
}

/** What is read of the package's nodes. */
interface PackageNode {
  readonly type: string;
  readonly value?: unknown;
  readonly name?: string;
  readonly op?: string;
  readonly fn?: PackageNode & { name: string };
  readonly args?: readonly PackageNode[];
  readonly content?: PackageNode;
  readonly condition?: PackageNode;
  readonly trueExpr?: PackageNode;
  readonly falseExpr?: PackageNode;
  readonly conditionals?: readonly string[];
  readonly params?: readonly PackageNode[];
}

const operators = new Set([
  ...['+', '-', '*', '/', '^', 'mod', '%'],
  ...['==', '!=', '<', '>', '<=', '>=', 'and', 'or', 'not', 'xor'],
]);
/** How the package names comparisons in chains. */
const comparisons: Readonly<Record<string, string>> = {
  equal: '==',
  unequal: '!=',
  smaller: '<',
  larger: '>',
  smallerEq: '<=',
  largerEq: '>=',
};

function treeOf(node: PackageNode, text: string, place: Place): Tree {
  const of = (part: PackageNode): Tree => treeOf(part, text, place);
  switch (node.type) {
    case 'ConstantNode': {
      const { value } = node;
      if (typeof value === 'number' || typeof value === 'boolean' || typeof value === 'string')
        return { kind: 'constant', value };
      return reject(place, text, `${String(value)} is no value`);
    }
    case 'SymbolNode':
      return { kind: 'name', name: node.name! };
    case 'ParenthesisNode':
      return of(node.content!);
    case 'OperatorNode':
      if (!operators.has(node.op!))
        return reject(place, text, `the operator ${node.op!} is not allowed here`);
      return { kind: 'operator', operator: node.op!, args: node.args!.map(of) };
    case 'RelationalNode':
      return node
        .conditionals!.map((name, i): Tree => ({
          kind: 'operator',
          operator: comparisons[name]!,
          args: [of(node.params![i]!), of(node.params![i + 1]!)],
        }))
        .reduce((left, right): Tree => ({ kind: 'operator', operator: 'and', args: [left, right] }));
    case 'ConditionalNode':
      return {
        kind: 'choice',
        condition: of(node.condition!),
        yes: of(node.trueExpr!),
        no: of(node.falseExpr!),
      };
    case 'FunctionNode':
      if (node.fn!.type !== 'SymbolNode') return reject(place, text, 'only named functions can be called');
      return { kind: 'call', name: node.fn!.name, args: node.args!.map(of) };
    default:
      return reject(place, text, `${forbidden[node.type] ?? `a ${node.type}`} is not allowed here`);
  }
}

const forbidden: Readonly<Record<string, string>> = {
  AssignmentNode: 'an assignment',
  FunctionAssignmentNode: 'a definition',
  BlockNode: 'a list of statements',
  AccessorNode: 'access to a part',
  IndexNode: 'an index',
  ArrayNode: 'an array',
  ObjectNode: 'an object',
  RangeNode: 'a range',
};

/** Names that an expression uses, without those of functions. */
export function namesIn(tree: Tree, into = new Set<string>()): Set<string> {
  switch (tree.kind) {
    case 'constant':
      break;
    case 'name':
      into.add(tree.name);
      break;
    case 'operator':
    case 'call':
      for (const arg of tree.args) namesIn(arg, into);
      break;
    case 'choice':
      for (const part of [tree.condition, tree.yes, tree.no]) namesIn(part, into);
  }
  return into;
}

/** Throws an `expression` problem. */
export function reject(place: Place, text: string, reason: string): never {
  return fail('expression', `${sentence(place.what)}: "${text}" cannot be read: ${reason}.`, {
    ...place.where,
    expression: text,
  });
}

/** With a capital letter. */
export function sentence(what: string): string {
  return what.charAt(0).toUpperCase() + what.slice(1);
}
