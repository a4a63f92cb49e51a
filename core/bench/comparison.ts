import lookoutTower from '../demo/lookout-tower.json' with { type: 'json' };
import boatHall from '../demo/boat-hall.json' with { type: 'json' };
import { changesBetween, compare, evaluateAlternative, explain, summaryOf } from '../src/evaluation/index.js';
import type { Design } from '../src/document/types.js';
import { designOf, slipShed } from '../src/testing/designs.js';

/** Medians of two things measured in turns, as a ratio. */
function ratio(title: string, own: () => unknown, whole: () => unknown, rounds: number): void {
  const times: [number[], number[]] = [[], []];
  own();
  whole();
  for (let i = 0; i < rounds; i++)
    [own, whole].forEach((work, k) => {
      const from = performance.now();
      work();
      times[k]!.push(performance.now() - from);
    });
  const [a, b] = times.map((list) => list.sort((p, q) => p - q)[list.length >> 1]!) as [number, number];
  console.log(
    `${title.padEnd(70)} ${(a / b).toFixed(3).padStart(8)} × assess (${a.toFixed(1)} ms of ${b.toFixed(1)} ms)`,
  );
}

const assessed = (design: Design, ids: readonly string[]) => () =>
  design.alternatives
    .filter(({ id }) => ids.includes(id))
    .map((alternative) => summaryOf(evaluateAlternative(design, alternative), ''));
const all = ({ alternatives }: Design) => alternatives.map(({ id }) => id);

const tower = designOf(structuredClone(lookoutTower));
const shed = slipShed();
const hall = designOf(structuredClone(boatHall));

ratio(
  'Lookout tower: its alternatives compared with six modes',
  () => compare(tower, { modes: 6 }),
  assessed(tower, all(tower)),
  3,
);
for (const [title, design] of [
  ['Slip shed', shed],
  ['Lookout tower', tower],
] as const) {
  const run = evaluateAlternative(design, design.alternatives[0]!);
  const figure = design.figures.find(({ kind }) => kind === 'displacement' || kind === 'drift')!.id;
  ratio(
    `${title}: where "${figure}" comes from`,
    () => explain(run, figure),
    assessed(design, [run.alternative.id]),
    5,
  );
}
const [before, after] = [hall.alternatives[0]!, hall.alternatives[1] ?? hall.alternatives[0]!];
ratio(
  'Boat hall: changes between two alternatives, with building both',
  () => changesBetween({ design: hall, alternative: before }, { design: hall, alternative: after }),
  assessed(hall, [before.id]),
  3,
);
