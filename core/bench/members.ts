import lookoutTower from '../demo/lookout-tower.json' with { type: 'json' };
import {
  benchOf,
  benchState,
  evaluateAlternative,
  failureInParts,
  memberSheet,
  suggestInParts,
  summaryOf,
  type FailureOptions,
} from '../src/evaluation/index.js';
import { evaluatedFrame } from '../src/evaluation/evaluated-frame.js';
import { groupOfMember, neighboursOf } from '../src/evaluation/member-sheet/index.js';
import { scheduleOf } from '../src/evaluation/schedule/schedule.js';
import { ChangedSections } from '../src/evaluation/section-groups/changed-sections.js';
import { sectionGroups } from '../src/evaluation/section-groups/groups.js';
import type { Design } from '../src/document/types.js';
import { designOf, slipShed } from '../src/testing/designs.js';

/** Medians of runs made in turns with the assessment of the same alternative, as ratios to it. */
function compare(
  title: string,
  design: Design,
  parts: readonly (readonly [string, () => unknown, number])[],
): void {
  const alternative = design.alternatives[0]!;
  const assess = () => summaryOf(evaluateAlternative(design, alternative), '');
  assess();
  for (const [name, run, rounds] of parts) {
    const times: { own: number[]; whole: number[] } = { own: [], whole: [] };
    for (let i = 0; i < rounds; i++)
      for (const [list, work] of [
        [times.whole, assess],
        [times.own, run],
      ] as const) {
        const from = performance.now();
        work();
        list.push(performance.now() - from);
      }
    const median = (list: number[]) => list.sort((a, b) => a - b)[list.length >> 1]!;
    const [own, whole] = [median(times.own), median(times.whole)];
    console.log(
      `${`${title}: ${name}`.padEnd(70)} ${(own / whole).toFixed(2).padStart(8)} × assess (${own.toFixed(1)} ms of ${whole.toFixed(1)} ms)`,
    );
  }
}

function drained<T>(parts: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
  }
}

function measured(title: string, design: Design, section: string, searched: boolean): void {
  const alternative = design.alternatives[0]!;
  const run = evaluateAlternative(design, alternative);
  const built = run.built!;
  const groups = sectionGroups(built);
  const frames = new ChangedSections(built, groups);
  const changed = new Map([[groups[0]!.id, section]]);
  const { member, of } = run.evaluation!.checks![0]!;
  const bench = benchOf(run, member);
  const fails = (options: FailureOptions) => () => drained(failureInParts(design, alternative, options));
  const variable = design.loadCases.find(({ category }) => category !== 'permanent')!.id;
  compare(title, design, [
    ['a changed section to its new schedule', () => scheduleOf(evaluatedFrame(run, frames.with(changed))), 9],
    [
      'a member’s sheet, 41 places, with steps',
      () => memberSheet(run, { member, stations: 41, steps: true }),
      9,
    ],
    [
      'neighbours of one member',
      () => [...neighboursOf(built, { id: member, of }, groupOfMember(built, of)!)],
      5,
    ],
    [
      'a bench’s curves after a drag',
      () => benchState(bench, { loads: [{ case: variable, x: 1, F: [0, 0, -1e4] }] }),
      9,
    ],
    ['a path to failure, elastic', fails({ raise: `${variable}=1`, path: 'elastic' }), 3],
    ...(design.space === 'plane'
      ? ([['a path to failure, plastic', fails({ raise: `${variable}=1`, path: 'plastic' }), 3]] as const)
      : []),
  ]);
  if (!searched) return;
  const found = drained(suggestInParts(design, alternative));
  compare(title, design, [
    [
      `suggestions, ${found.analyses} of ${found.sets} sets looked at`,
      () => drained(suggestInParts(design, alternative)),
      1,
    ],
  ]);
}

measured('Slip shed', slipShed(), 'HEB 280', true);
measured('Lookout tower', designOf(structuredClone(lookoutTower)), 'SHS 220x220x8', true);
