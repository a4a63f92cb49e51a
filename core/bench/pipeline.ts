import { drawingOf, summaryOf, evaluateAlternative } from '../src/evaluation/index.js';
import type { StageName } from '../src/evaluation/stages/index.js';
import { analyse, prepareFrame } from '../src/analysis/index.js';
import { MemberChecker } from '../src/checks/index.js';
import { buildFrame } from '../src/build/build.js';
import { resultSelections } from '../src/results/index.js';
import { unwrapped } from '../src/base/problem.js';
import type { Design } from '../src/document/types.js';
import { built, slipShed } from '../src/testing/designs.js';

const shed = slipShed();

/** The design with its span as if dragged: never the same value twice. */
let drags = 0;
function dragged(order: 1 | 2 = shed.analysis.order): Design {
  const span = `${(18 + ((drags++ * 0.0137) % 8)).toFixed(4)} m`;
  return {
    ...shed,
    analysis: { order, imperfections: order === 2 },
    parameters: shed.parameters.map((p) => (p.name === 'span' ? { ...p, value: span } : p)),
  };
}

/** Median and 95 % of many runs after a warm-up, ms. */
function measure(name: string, run: () => unknown): void {
  for (let i = 0; i < 100; i++) run();
  const times = Array.from({ length: 200 }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  console.log(`${name.padEnd(86)} median ${times[100]!.toFixed(2)} ms, 95 % ${times[190]!.toFixed(2)} ms`);
}

/** All alternatives up to a stage, summarised and drawn as the screens ask. */
function worked(design: Design, stage: StageName): unknown[] {
  return design.alternatives.map((alternative) => {
    const run = evaluateAlternative(design, alternative, stage);
    return [summaryOf(run, 'U1'), drawingOf(run, { result: 'U1', diagram: 'My' })];
  });
}

for (const order of [1, 2] as const)
  for (const stage of ['forces', 'checks', 'complete'] as const)
    measure(`changed span → ${stage}, 4 alternatives × 6 combinations, order ${order}`, () =>
      worked(dragged(order), stage),
    );
measure('the same, and handing the summaries and drawings to another thread (structured clone)', () =>
  structuredClone(worked(dragged(), 'complete')),
);
measure('building one alternative: parameters, steps, rules, checks of the model', () => {
  const design = dragged();
  buildFrame(design, design.alternatives[0]!);
});

const { model } = built(shed);
measure('linear analysis of one alternative, 3 load cases and its combinations', () =>
  analyse(prepareFrame(model), resultSelections(model)),
);
const frame = prepareFrame(model);
measure('linear analysis and all checks of one alternative, 4 strength combinations', () => {
  const selections = resultSelections(model);
  const { states } = unwrapped(analyse(frame, selections));
  new MemberChecker(model, frame, selections, ({ id }, m) => states.get(id)!.field(m)).checkAll();
});
