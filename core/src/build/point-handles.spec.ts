import { slipShed } from '../testing/designs.js';
import { addStepWithSection, addPoint, movePoint, removePoint } from '../edits/index.js';
import { pointHandles } from './point-handles.js';
import { initialStep } from '../steps/initial.js';
import { stepKinds } from '../steps/index.js';
import type { Design, Step } from '../document/types.js';

const line: Step = {
  id: 'mast',
  make: 'line',
  at: ['10 m', '0 m', '1 m'],
  points: [['0 m', '0 m'], ['span / 11', '300 cm'], 'shed.apex.1', ['1 m', '5 m']],
};
const design = (): Design => addStepWithSection(slipShed(), line);
const handlesOf = (one: Design) => pointHandles(one, one.alternatives[0]!, 'mast');
const pointsOf = (one: Design) => one.steps.find(({ id }) => id === 'mast')!['points'] as unknown[];

describe('points that can be dragged', () => {
  it('stand where their coordinates put them, from the origin of the step; named ones have none', () => {
    expect(handlesOf(design()).map(({ index, at, free }) => ({ index, at, free }))).toEqual([
      { index: 0, at: [10, 0, 1], free: [0, 2] },
      // The span is 22 m; a formula stays
      { index: 1, at: [12, 0, 4], free: [2] },
      { index: 3, at: [11, 0, 6], free: [0, 2] },
    ]);
    expect(pointHandles(slipShed(), slipShed().alternatives[0]!, 'shed')).toEqual([]);
  });

  it('of a smooth rim lie in plan, turned with the step', () => {
    const rim: Step = {
      id: 'rim',
      make: 'ring',
      curve: {
        through: [
          ['6 m', '0 m'],
          ['0 m', '5 m'],
          ['-6 m', '0 m'],
          ['0 m', '-5 m'],
        ],
      },
      count: 8,
      turn: '90 deg',
    };
    const solid: Design = { ...slipShed(), space: 'solid', steps: [rim], choices: [] };
    const alternative = { id: 'a', title: 'A', picks: {} };
    const [first] = pointHandles({ ...solid, alternatives: [alternative] }, alternative, 'rim');
    expect(first!.list).toBe('curve/through');
    expect(first!.free).toEqual([0, 1]);
    expect(first!.at[0]).toBeCloseTo(0, 9);
    expect(first!.at[1]).toBeCloseTo(6, 9);
    // Along the global y, which is the step's own x
    const moved = movePoint({ ...solid, alternatives: [alternative] }, first!, [0, 0.5, 0]);
    expect((moved.steps[0]!['curve'] as { through: unknown[] }).through[0]).toEqual(['6.5 m', '0 m']);
  });

  it('are none of steps without points, whatever their other fields hold', () => {
    for (const kind of stepKinds) {
      // The type knows the origin of generators only
      const other = kind.verb === 'edit' ? { at: 'span / 2' } : {};
      const step = { ...initialStep(kind, 'other'), ...other } as Step;
      const one: Design = { ...slipShed(), steps: [...slipShed().steps, step] };
      const found = pointHandles(one, one.alternatives[0]!, 'other');
      expect(found.length > 0)
        .withContext(kind.kind)
        .toBe(kind.kind === 'line');
    }
  });

  it('move by what a hand drags, in the unit of metres, formulas left alone', () => {
    const [, second] = handlesOf(design());
    const moved = movePoint(design(), second!, [0.5, 0, -0.25]);
    expect(pointsOf(moved)[1]).toEqual(['span / 11', '2.75 m']);
    expect(handlesOf(moved)[1]!.at).toEqual([12, 0, 3.75]);
  });

  it('are added half-way to the next and removed, down to what a line needs', () => {
    const place = (index: number) => ({ step: 'mast', list: 'points', index });
    const more = addPoint(design(), place(0));
    expect(pointsOf(more)[1]).toEqual(['(0 m + span / 11) / 2', '1.5 m']);
    expect(handlesOf(more)[1]!.at).toEqual([11, 0, 2.5]);
    // A place that is named has no coordinates to halve
    expect(addPoint(design(), place(1))).toEqual(design());
    let less = design();
    for (let i = 0; i < 5; i++) less = removePoint(less, { ...place(0), least: 2 });
    expect(pointsOf(less).length).toBe(2);
  });
});
