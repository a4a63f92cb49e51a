import { built, designWith, problemsOf } from '../testing/designs.js';
import type { Step } from './types.js';

const portal = (bays: unknown): Step => ({ id: 'p', make: 'portal', bays, eaves: '4 m', roof: 'flat' });
const feet = (bays: unknown) =>
  built(designWith([portal(bays)], { space: 'plane' }))
    .model.nodes.filter(({ z }) => z === 0)
    .map(({ x }) => x);

describe('lists of lengths', () => {
  it('a text means the same alone and in a list: "2 * 5.5 m" is two bays', () => {
    expect(feet('2 * 5.5 m')).toEqual([0, 5.5, 11]);
    expect(feet(['2 * 5.5 m'])).toEqual([0, 5.5, 11]);
    expect(feet(['2 * 5.5 m', '3 m'])).toEqual([0, 5.5, 11, 14]);
  });

  it('that would never end are refused at once', () => {
    const [problem] = problemsOf(designWith([portal('999999999999 * 5 m')], { space: 'plane' }));
    expect(problem!.code).toBe('too-many');
    expect(problem!.where['step']).toBe('p');
  });
});

describe('the tag "part"', () => {
  it('names the members of a roof whatever its form', () => {
    for (const roof of ['flat', 'mono', 'duo']) {
      const step = { id: 'p', make: 'portal', bays: ['8 m'], eaves: '4 m', roof, pitch: '8 deg' } as Step;
      const { geometry } = built(designWith([step], { space: 'plane' }));
      const parts = [...geometry.members.values()].map(({ tags }) => tags['part']);
      expect(parts.filter((part) => part === 'frame').length)
        .withContext(roof)
        .toBe(2);
      expect(parts.filter((part) => part === 'roof').length)
        .withContext(roof)
        .toBe(roof === 'duo' ? 2 : 1);
    }
  });
});
