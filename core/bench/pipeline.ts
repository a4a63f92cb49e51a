import document from '../demo/slip-shed.json' with { type: 'json' };
import { MemberChecker } from '../src/capacity/index.js';
import { calculateAlternative } from '../src/compare/index.js';
import { prepareFrame, solveStatic } from '../src/analysis/index.js';
import { buildFrame } from '../src/recipe/build.js';
import { memberField, resultSelections } from '../src/results/index.js';
import type { Design } from '../src/recipe/types.js';

const shed = document as Design;
const four: Design = {
  ...shed,
  alternatives: [
    ...shed.alternatives,
    { id: 'springs', title: 'Spring bases', picks: { 'base-fixity': 'springs' } },
  ],
};

/** The design with its span as if dragged: never the same value twice. */
let drags = 0;
function dragged(): Design {
  const span = `${(18 + ((drags++ * 0.0137) % 8)).toFixed(4)} m`;
  return { ...four, parameters: four.parameters.map((p) => (p.name === 'span' ? { ...p, value: span } : p)) };
}

/** Median and 95 % of many runs after a warm-up, ms. */
function measure(name: string, run: () => void): void {
  for (let i = 0; i < 150; i++) run();
  const times = Array.from({ length: 300 }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  console.log(`${name.padEnd(86)} median ${times[150]!.toFixed(2)} ms, 95 % ${times[285]!.toFixed(2)} ms`);
}

measure('changed parameter → results, checks and figures of 4 alternatives × 6 combinations', () => {
  const design = dragged();
  for (const alternative of design.alternatives) {
    const outcome = calculateAlternative(design, alternative);
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  }
});

measure('the same, and handing the results to another thread (structured clone)', () => {
  const design = dragged();
  structuredClone(design.alternatives.map((alternative) => calculateAlternative(design, alternative)));
});

const built = buildFrame(shed, shed.alternatives[0]!);
if (!built.ok) throw new Error('not built');
const model = built.value.model;
measure('building one alternative: parameters, portal, rules, checks of the model', () => {
  const design = dragged();
  buildFrame(design, design.alternatives[0]!);
});
measure('linear analysis of one alternative, 3 load cases', () => {
  solveStatic(prepareFrame(model));
});
const frame = prepareFrame(model);
const solved = solveStatic(frame);
if (!solved.ok) throw new Error('not solved');
measure('all checks of one alternative, 4 strength combinations', () => {
  // Selections anew: fields and diagrams are kept by them
  new MemberChecker(model, frame, resultSelections(model), ({ factors }, m) =>
    memberField(frame, solved.value, m, factors),
  ).checkAll();
});
