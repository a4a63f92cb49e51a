import { metric, type AlternativeSummary } from '@hashira/core';
import { known } from '../../../testing/slip-shed';
import { figureText } from '../../../ui/fields/values';
import { carriedOver } from './carried-over';

describe('What is carried over while checks are not done', () => {
  const before = known('fixed').summary;
  const forces: AlternativeSummary = {
    ...before,
    stage: 'forces',
    members: [],
    memberCount: 0,
    figures: before.figures.map((figure, i) => {
      if (i > 0) return figure;
      const { value, ...rest } = figure;
      return { ...rest, pending: true, ...(value === undefined ? {} : {}) };
    }),
  };

  it('is the last value of a pending figure, marked, and the members', () => {
    const carried = carriedOver(forces, before);
    expect(carried.figures[0]!.value).toBe(before.figures[0]!.value);
    expect(figureText(carried.figures[0]!, metric)).toMatch(/ …$/);
    expect(figureText(carried.figures[1]!, metric)).not.toContain('…');
    expect(carried.members).toBe(before.members);
    expect(carried.stage).toBe('forces');
  });

  it('is which combinations govern while only what is shown has forces', () => {
    const frame: AlternativeSummary = { ...forces, stage: 'frame', governing: [] };
    expect(carriedOver(frame, before).governing).toEqual(before.governing);
    expect(before.governing.length).toBeGreaterThan(0);
    expect(carriedOver({ ...forces, governing: ['C9'] }, before).governing).toEqual(['C9']);
  });

  it('is nothing where there is no state before, or where nothing more comes', () => {
    expect(carriedOver(forces, undefined)).toBe(forces);
    const failed: AlternativeSummary = { ...forces, stage: 'failed' };
    expect(carriedOver(failed, before)).toBe(failed);
    expect(figureText(forces.figures[0]!, metric)).toBe('…');
  });
});
