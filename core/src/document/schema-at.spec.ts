import { designSchema } from './schema.js';
import { expectedAt, type DocumentPath } from './schema-at.js';

/** A document that is being written. */
const document = {
  format: 'hashira-design',
  parameters: [{ name: 'span', kind: 'quantity' }, { kind: 'choice' }],
  steps: [{ id: 'shed', make: 'portal' }, { edit: 'copy' }, {}],
  rules: [{ members: 'true' }, { nodes: 'true' }],
  analysis: {},
};
const at = (...path: DocumentPath) => expectedAt(designSchema, document, path);
const names = (...path: DocumentPath) => at(...path).fields.map(({ name }) => name);

describe('what can stand at a place of a design', () => {
  it('are its fields, those that must be there first, and which are there', () => {
    const { fields } = at();
    expect(fields.slice(0, 6).map(({ name, required, present }) => [name, required, present])).toEqual([
      ['format', true, true],
      ['version', true, false],
      ['title', true, false],
      ['space', true, false],
      ['steps', true, true],
      ['alternatives', true, false],
    ]);
    expect(fields.find(({ name }) => name === 'figures')!.start).toBe('[]');
    expect(fields.find(({ name }) => name === 'version')!.start).toBe('2');
  });

  it('are values, where only some can stand there', () => {
    expect(at('space').values).toEqual(['"plane"', '"solid"']);
    expect(at('analysis', 'imperfections').values).toEqual(['true', 'false']);
    expect(at('title').values).toEqual([]);
  });

  it('go by the kind of a step', () => {
    expect(names('steps', 0)).toContain('eaves');
    expect(names('steps', 0)).not.toContain('count');
    expect(names('steps', 1)).toContain('count');
    expect(at('steps', 0, 'make').values).toContain('"portal"');
    expect(names('steps', 2)).toContain('id');
  });

  it('go by whether a rule is one for members or for nodes', () => {
    expect(names('rules', 0)).toContain('section');
    expect(names('rules', 0)).not.toContain('support');
    expect(names('rules', 1)).toContain('support');
  });

  it('go by what is written of a parameter already', () => {
    expect(at('parameters', 0, 'quantity').values).toContain('"length"');
    expect(names('parameters', 1)).not.toContain('quantity');
  });

  it('are none at places that no definition knows', () => {
    expect(at('nothing', 3, 'there')).toEqual({ fields: [], values: [] });
  });
});
