import { json } from '@codemirror/lang-json';
import { ensureSyntaxTree } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import { placeAt, rangeOf, readLoosely } from './json-places';

/** A text with the caret where a bar stands. */
function typed(text: string): { state: EditorState; caret: number } {
  const caret = text.indexOf('|');
  const doc = text.replace('|', '');
  const state = EditorState.create({ doc, extensions: [json()] });
  ensureSyntaxTree(state, doc.length, 5000);
  return { state, caret };
}
const place = (text: string) => {
  const { state, caret } = typed(text);
  const found = placeAt(state, caret);
  return found && [found.path, found.writes, state.sliceDoc(found.from, found.to)];
};

describe('places in a JSON text', () => {
  it('name a field of the object around the caret', () => {
    expect(place('{ "steps": [ { "id": "a", "ma| } ] }')).toEqual([['steps', 0], 'field', '"ma']);
    expect(place('{ "a": 1, | }')).toEqual([[], 'field', '']);
    expect(place('{ "tit|le": "x" }')).toEqual([[], 'field', '"title"']);
  });

  it('name the value that is written', () => {
    expect(place('{ "space": "pl|" }')).toEqual([['space'], 'value', '"pl"']);
    expect(place('{ "rules": [ {}, { "support": "fi|" } ] }')).toEqual([
      ['rules', 1, 'support'],
      'value',
      '"fi"',
    ]);
    expect(place('{ "states": [ "strength", "ser|" ] }')).toEqual([['states', 1], 'value', '"ser"']);
  });

  it('are none outside of everything', () => {
    expect(place('|')).toBeUndefined();
  });

  it('are found by a path, or the nearest of it that is there', () => {
    const { state } = typed('{ "steps": [ { "id": "a" }, { "id": "b" } ], "title": "x" }|');
    const text = (path: string) => {
      const { from, to } = rangeOf(state, path);
      return state.sliceDoc(from, to);
    };
    expect(text('/steps/1/id')).toBe('"id"');
    expect(text('/steps/1')).toBe('{ "id": "b" }');
    expect(text('/steps/1/eaves')).toBe('{ "id": "b" }');
    expect(text('/title')).toBe('"title"');
    expect(rangeOf(state, '/').from).toBe(0);
  });

  it('are told of on one line', () => {
    const { state } = typed('{\n  "a": [\n    1\n  ]\n}|');
    const { from, to } = rangeOf(state, '');
    expect(state.sliceDoc(from, to)).toBe('{');
  });
});

describe('a text that is being written', () => {
  it('says what can be read of it', () => {
    const { state } = typed('{ "a": [1, true, null, "x"], "b": { "c": "d", "e" }, "f": |');
    expect(readLoosely(state)).toEqual({ a: [1, true, null, 'x'], b: { c: 'd' } });
  });
});
