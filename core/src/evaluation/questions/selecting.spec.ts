import { readFileSync } from 'node:fs';
import { built, designOf, designWith, slipShed } from '../../testing/designs.js';
import { Namer } from '../../geometry/names.js';
import { parametersOf, parameterSummaries } from '../summaries/parameter-summaries.js';
import { proposalFor } from './proposal.js';
import { selectedBy } from './selection.js';
import { tagValues } from './tags.js';
import { slicesOf } from '../summaries/slices.js';

const demo = (name: string) =>
  designOf(
    JSON.parse(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8')) as object,
  );

/** A storey frame of two bays by one, two storeys. */
const storeys = built(
  designWith([
    {
      id: 'f',
      make: 'storey-frame',
      baysX: '2 * 6 m',
      baysY: '5 m',
      storeys: { count: 2, each: '3 m' },
    },
  ]),
);

describe('what is selected', () => {
  it('by a condition are the ids that meet it, in their order', () => {
    const { ids, problem } = selectedBy(storeys, 'members', 'role == "column" and storey == 2');
    expect(problem).toBeUndefined();
    // Three by two grid points
    expect(ids.length).toBe(6);
    expect(ids.every((id) => storeys.geometry.members.get(id)!.tags['storey'] === 2)).toBeTrue();
    expect(selectedBy(storeys, 'nodes', 'z == 0 m').ids.length).toBe(6);
  });

  it('by a condition that cannot be read is nothing, and why', () => {
    const { ids, problem } = selectedBy(storeys, 'members', 'roll == "column"');
    expect(ids).toEqual([]);
    expect(problem).toContain('roll');
  });

  it('has a name where it is one, and a condition that selects just it', () => {
    const namer = new Namer(storeys.geometry);
    const [one] = selectedBy(storeys, 'members', 'role == "column" and storey == 2 and x == 0 m').ids;
    const alone = proposalFor(storeys, namer, 'members', [one!]);
    expect(alone.title).toContain('column');
    expect(selectedBy(storeys, 'members', alone.condition!).ids).toEqual([one!]);
    const upper = selectedBy(storeys, 'members', 'role == "column" and storey == 2').ids;
    expect(proposalFor(storeys, namer, 'members', upper)).toEqual({
      condition: 'role == "column" and storey == 2',
      title: '6 members',
    });
  });
});

describe('what a frame has in each tag', () => {
  it('are its texts and counts, in order', () => {
    const values = tagValues(storeys, 'members');
    expect(values['role']).toEqual(['beam-x', 'beam-y', 'column']);
    expect(values['storey']).toEqual([1, 2]);
    expect(values['step']).toEqual(['f']);
    expect(values['direction']).toEqual(['x', 'y', 'z']);
    expect(tagValues(storeys, 'nodes')['place']).toEqual(['base', 'joint']);
  });

  it('leaves out what is measured', () => {
    for (const tag of ['x', 'z', 'length', 'slope'])
      expect(Object.hasOwn(tagValues(storeys, 'members'), tag)).toBeFalse();
  });
});

describe('slices', () => {
  it('are by the tags in which members differ, each with its values in order', () => {
    const slices = slicesOf(storeys.geometry);
    expect(slices.find(({ tag }) => tag === 'storey')!.values).toEqual([1, 2]);
    expect(slices.map(({ tag }) => tag)).not.toContain('step');
  });

  it('of the boat hall are its rows of frames', () => {
    const rows = slicesOf(built(demo('boat-hall')).geometry).find(({ tag }) => tag === 'row');
    // Six portals in a row
    expect(rows!.values).toEqual([1, 2, 3, 4, 5, 6]);
  });
});

describe('what is known of parameters', () => {
  const design = slipShed();

  it('are their values in SI, and their ranges', () => {
    const summaries = parameterSummaries(parametersOf(design, design.alternatives[0]!));
    expect(summaries['span']!.value).toBe(22);
    expect([summaries['span']!.min, summaries['span']!.max]).toEqual([8, 40]);
  });

  it('is nothing where they cannot be worked out', () => {
    const wrong = slipShed();
    wrong.parameters.find(({ name }) => name === 'span')!.value = 'nothing * 2';
    const evaluated = parametersOf(wrong, wrong.alternatives[0]!);
    expect(parameterSummaries(evaluated)['span']?.value).toBeUndefined();
    expect(parameterSummaries(undefined)).toEqual({});
  });
});
