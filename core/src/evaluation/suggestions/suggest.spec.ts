import { smallHall, simpleBeam } from '../../testing/checked-designs.js';
import { expectClose } from '../../testing/models.js';
import { built } from '../../testing/designs.js';
import { attempt } from '../../base/problem.js';
import type { Design } from '../../document/types.js';
import { evaluateAlternative } from '../alternative.js';
import { poolOf } from '../section-groups/pools.js';
import { sectionGroups } from '../section-groups/groups.js';
import { summaryOf } from '../summaries/summary-of.js';
import { SetAssessor } from './assessed-set.js';
import { suggest, suggestInParts, type SuggestOptions } from './index.js';

const of = (design: Design, options: SuggestOptions = {}) =>
  suggest(design, design.alternatives[0]!, options);
const code = (work: () => unknown) => {
  const outcome = attempt(work);
  return outcome.ok ? 'ok' : outcome.problems[0]!.code;
};
/** The summary of the first alternative with other values of its parameters. */
function assessed(design: Design, values: Record<string, string>) {
  const changed: Design = {
    ...design,
    parameters: design.parameters.map((one) =>
      one.name in values ? { ...one, value: values[one.name]! } : one,
    ),
  };
  return summaryOf(evaluateAlternative(changed, changed.alternatives[0]!), '');
}
const weightOf = (values: Record<string, string>, design: Design) =>
  assessed(
    { ...design, figures: [...design.figures, { id: 'm', title: 'Mass', kind: 'mass' }] },
    values,
  ).figures.find(({ id }) => id === 'm')!.value!;

describe('suggestions', () => {
  it('are what trying every set by the whole assessment finds', () => {
    const design = smallHall();
    const found = of(design, { maxDepth: 0.25 });
    const first = evaluateAlternative(design, design.alternatives[0]!);
    const groups = sectionGroups(first.built!);
    const [columns, rafters] = groups.map((group) =>
      poolOf(first.built!, group, { maxDepth: 0.25 }).map(({ name }) => name),
    ) as [string[], string[]];
    let best: { mass: number; column: string; rafter: string } | undefined;
    for (const column of columns)
      for (const rafter of rafters) {
        const values = { column_section: column, rafter_section: rafter };
        if (assessed(design, values).status !== 'pass') continue;
        const mass = weightOf(values, design);
        if (!best || mass < best.mass) best = { mass, column, rafter };
      }
    expect(best).withContext('some set passes').toBeDefined();
    expect(found.status).toBe('found');
    expect(found.sets).toBe(columns.length * rafters.length);
    expect(found.groups.map(({ after }) => after!.section)).toEqual([best!.column, best!.rafter]);
    expectClose(found.after!.mass, best!.mass, 1e-9);
    expect(found.after!.over).toEqual([]);
  });

  it('tell what stands there: mass, utilisation, what is over', () => {
    const design = smallHall({
      parameters: [
        { name: 'column_section', title: 'Column section', kind: 'section', value: 'HEA 120' },
        { name: 'rafter_section', title: 'Rafter section', kind: 'section', value: 'IPE 240' },
      ],
    });
    const { before, groups } = of(design);
    const summary = summaryOf(evaluateAlternative(design, design.alternatives[0]!), '');
    expect(before.status).toBe(summary.status);
    expect(before.over).toContain('sway');
    expect(groups.map(({ id, members }) => [id, members])).toEqual([
      ['column_section', 2],
      ['rafter_section', 2],
    ]);
    const columns = summary.members.filter(({ title }) => title.includes('column'));
    expectClose(groups[0]!.before.utilisation!, Math.max(...columns.map(({ utilisation }) => utilisation!)));
  });

  it('keep what is asked beside: one group, a series, a utilisation', () => {
    const design = smallHall();
    const own = of(design, { groups: ['rafter_section'], families: ['HEA'], target: 0.8 });
    expect(own.groups.map(({ id }) => id)).toEqual(['rafter_section']);
    expect(own.groups[0]!.after!.section).toMatch(/^HEA /);
    expect(own.after!.utilisation!).toBeLessThanOrEqual(0.8 * (1 + 1e-9));
  });

  it('where none passes name the nearest set and what still fails', () => {
    const {
      status,
      message,
      nearest,
      code: named,
    } = of(smallHall(), {
      groups: ['column_section'],
      maxDepth: 0.115,
    });
    expect([status, named]).toEqual(['none', 'nothing-passes']);
    expect(message).toContain('sets of sections for "Column section"');
    expect(nearest!.sections).toEqual({ column_section: 'HEA 120' });
    const values = nearest!.sections as Record<string, string>;
    const { figures, members } = assessed(smallHall(), values);
    const sway = figures.find(({ id }) => id === 'sway')!;
    const worst = Math.max(
      Math.abs(sway.value!) / sway.limit!,
      ...members.map(({ utilisation }) => utilisation!),
    );
    expectClose(nearest!.ratio, worst, 1e-9);
  });

  it('stop at the most analyses, and anywhere with what is known', () => {
    expect(of(smallHall(), { most: 1 }).status).toBe('stopped');
    const design = smallHall();
    const parts = suggestInParts(design, design.alternatives[0]!, {});
    const { value } = parts.next();
    expect((value as { soFar(): unknown }).soFar()).toEqual(
      jasmine.objectContaining({ status: 'stopped', analyses: 1 }),
    );
  });

  it('refuse what names nothing', () => {
    expect(code(() => of(smallHall(), { groups: ['spare'] }))).toBe('unknown-group');
    expect(code(() => of(smallHall(), { families: ['XYZ'] }))).toBe('unknown-family');
    expect(code(() => of(smallHall(), { families: ['GL'] }))).toBe('unknown-family');
    expect(code(() => of(simpleBeam())))
      .withContext('an own section')
      .toBe('unknown-family');
    expect(code(() => of(smallHall(), { maxDepth: 0.05 }))).toBe('nothing-passes');
    expect(code(() => of(smallHall({ combinations: [] })))).toBe('nothing-to-check');
  });

  it('a set with which something is newly not covered does not pass', () => {
    const design = simpleBeam();
    design.sections = [{ id: 'plates', material: 'steel', properties: { A: 5e-3, Iy: 8e-5, Wply: 6e-4 } }];
    const frame = built(design);
    const assessed = (uncovered: readonly string[]) =>
      new SetAssessor({ target: 1, uncovered: new Set(uncovered), secondOrder: false }, []).assess(frame);
    expect(assessed([])).toEqual(jasmine.objectContaining({ passes: false, other: 'not covered' }));
    expect(assessed(['b.beam.1']).passes).toBeTrue();
  });
});
