// Figures of the recipe: rebuilding frames from a changed parameter, with rules, area loads, welds and the checks of the model.
import towerFile from '../demo/lookout-tower.json' with { type: 'json' };
import bedFile from '../demo/winch-bed.json' with { type: 'json' };
import { prepareEquations, prepareFrame, vibrationModes } from '../src/analysis/index.js';
import { evaluateAlternative } from '../src/evaluation/index.js';
import { buildFrame } from '../src/build/build.js';
import { unwrapped } from '../src/base/problem.js';
import type { Design } from '../src/document/types.js';
import { designOf, designWith, slipShed } from '../src/testing/designs.js';

/** Median and best of repeated runs after a warm-up, ms. */
function measure(name: string, runs: number, work: (run: number) => unknown): void {
  for (let i = 0; i < Math.min(runs, 100); i++) work(i);
  const times = Array.from({ length: runs }, (_, i) => {
    const from = performance.now();
    work(i);
    return performance.now() - from;
  }).sort((a, b) => a - b);
  console.log(
    `${name.padEnd(86)} median ${times[runs >> 1]!.toFixed(2)} ms, best ${times[0]!.toFixed(2)} ms`,
  );
}

/** A design with one parameter set to a value that it never had. */
let changes = 0;
const changed = (design: Design, name: string, from: number): Design => ({
  ...design,
  parameters: design.parameters.map((p) =>
    p.name === name ? { ...p, value: `${(from + (changes++ % 1000) * 1e-3).toFixed(4)} m` } : p,
  ),
});
const shed = slipShed();
measure('Slip shed rebuilt: parameters, steps, rules, checks of the model', 2000, () => {
  const design = changed(shed, 'span', 18);
  buildFrame(design, design.alternatives[0]!);
});

function storeys(baysX: string, baysY: string, count: number): Design {
  const design = designWith(
    [
      {
        id: 'f',
        make: 'storey-frame',
        baysX,
        baysY,
        storeys: { count, each: 'height' },
        twist: '2 deg',
      },
    ],
    {
      parameters: [{ name: 'height', title: 'Height', kind: 'quantity', quantity: 'length', value: '3.3 m' }],
      loadCases: [
        { id: 'G', title: 'G', category: 'permanent', selfWeight: 1 },
        { id: 'Q', title: 'Q', category: 'imposed' },
      ],
      combine: { by: 'EN1990-6.10', states: ['strength', 'service'] },
      rules: [
        { id: 'columns', members: 'role == "column"', section: 'HEB 300', material: 'S355' },
        { id: 'bases', nodes: 'place == "base"', support: 'fixed' },
        {
          id: 'floors',
          members: 'role == "beam-x" or role == "beam-y"',
          area: { case: 'Q', direction: 'z', q: '-3 kN/m^2', share: 'two-way', per: 'length' },
        },
      ],
    },
  );
  return design;
}
for (const [name, frame, runs] of [
  ['twisted, 15 storeys, 3 × 4 bays', storeys('3 * 6 m', '4 * 5 m', 15), 40],
  ['twisted, 23 storeys, 12 × 11 bays', storeys('12 * 6 m', '11 * 5 m', 23), 12],
] as const) {
  const { model } = unwrapped(buildFrame(frame, frame.alternatives[0]!));
  measure(`storey frame rebuilt, ${name}, area loads, ${model.members.length} members`, runs, () => {
    const design = changed(frame, 'height', 3);
    buildFrame(design, design.alternatives[0]!);
  });
}

const tower = designOf(towerFile);
const order1 = { ...tower, analysis: { order: 1, imperfections: false } } as const;
for (const [words, design] of [
  ['as it is: second order, imperfections', tower],
  ['in first order', order1],
] as const)
  measure(`Lookout tower, changed storey height → forces of all alternatives, ${words}`, 10, () => {
    const next = changed(design, 'storey_height', 3);
    for (const alternative of next.alternatives) evaluateAlternative(next, alternative, 'forces');
  });

const bed = designOf(bedFile);
for (const alternative of bed.alternatives) {
  const { model } = unwrapped(buildFrame(bed, alternative));
  const prepared = prepareEquations(prepareFrame(model));
  measure(`Winch bed, ten modes, ${alternative.title}, ${model.members.length} members`, 30, () =>
    vibrationModes(prepared, 10),
  );
}
