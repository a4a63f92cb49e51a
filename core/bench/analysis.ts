// Figures of the analysis. Files of frame models given as arguments are measured as the generated ones are.
import { readFileSync } from 'node:fs';
import {
  analyse,
  bucklingModes,
  prepareEquations,
  prepareFrame,
  useHelpers,
  vibrationModes,
} from '../src/analysis/index.js';
import { analyseCliques, memberCliques } from '../src/analysis/first-order/plan.js';
import { Factor } from '../src/analysis/sparse/factor.js';
import { localMatrices } from '../src/analysis/first-order/static.js';
import { assembleMembers, assembleSprings } from '../src/analysis/first-order/system.js';
import { nodeHelpers } from '../node/helpers.js';
import type { FrameModel } from '../src/model/types.js';
import { forceExtremes, resultSelections } from '../src/results/index.js';
import { unwrapped } from '../src/base/problem.js';
import { machineFrame, tower, wall } from './towers.js';

const time = (work: () => void): number => {
  const from = performance.now();
  work();
  return (performance.now() - from) / 1e3;
};
const best = (times: readonly number[]): number => Math.min(...times);
const seconds = (value: number) => `${value.toFixed(3)} s`;

/** Analyse, factorize and solve for five cases, best of three as native solvers are timed, and the first run. */
function solver(name: string, model: FrameModel): void {
  const frame = prepareFrame(model);
  const prepared = prepareEquations(frame);
  const { constraints } = prepared;
  const [analysis, factorization, solution]: [number[], number[], number[]] = [[], [], []];
  let factor!: Factor;
  for (let run = 0; run < 3; run++) {
    analysis.push(time(() => void analyseCliques(constraints, memberCliques(frame, constraints))));
    factor = new Factor(prepared.plan.symbolic);
    assembleMembers(frame, constraints, prepared.plan, localMatrices(prepared), factor.values);
    assembleSprings(frame, constraints, prepared.plan, factor.values);
    factorization.push(time(() => factor.factorize()));
    const b = [1, 2, 3, 4, 5].map((r) =>
      Float64Array.from({ length: prepared.plan.size }, (_, i) => Math.sin(r * i)),
    );
    solution.push(time(() => factor.solve(b)));
  }
  const sum = best(analysis) + best(factorization) + best(solution);
  const first = analysis[0]! + factorization[0]! + solution[0]!;
  const { flops, ordering, valueStart } = prepared.plan.symbolic;
  console.log(
    `${name.padEnd(18)} ${frame.memberIds.length} members, ${prepared.plan.size} unknowns: ${seconds(best(analysis))} + ${seconds(best(factorization))} + ${seconds(best(solution))} = ${seconds(sum)} (first run ${seconds(first)}); ${ordering}, ${flops.toExponential(1)} operations, ${(flops / best(factorization) / 1e9).toFixed(1)} Gflop/s, factor ${((8 * valueStart[valueStart.length - 1]!) / 1e6).toFixed(0)} MB, process ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`,
  );
  const helpers = nodeHelpers(new URL('./helper.mjs', import.meta.url), {
    onFailure: (error) => console.error(error),
  });
  if (flops >= helpers.worth) {
    useHelpers(helpers);
    const shared: number[] = [];
    for (let run = 0; run < 3; run++) {
      factor = new Factor(prepared.plan.symbolic);
      assembleMembers(frame, constraints, prepared.plan, localMatrices(prepared), factor.values);
      assembleSprings(frame, constraints, prepared.plan, factor.values);
      shared.push(time(() => factor.factorize()));
    }
    useHelpers(undefined);
    console.log(
      `${''.padEnd(18)} factorization by ${helpers.count + 1} threads ${seconds(best(shared))} against ${seconds(best(factorization))} by one`,
    );
  }
  let whole!: ReturnType<typeof linear>;
  const all = time(() => {
    whole = linear(model);
  });
  console.log(
    `${''.padEnd(18)} from the model to forces and reactions of all cases ${seconds(all)}, residual ${whole.states.values().next().value!.residual.toExponential(1)}`,
  );
}

/** Linear analysis of all load cases, or of all combinations. */
function linear(model: FrameModel, kind: 'case' | 'combination' = 'case') {
  const frame = prepareFrame(model);
  const selections = resultSelections(model).filter((selection) => selection.kind === kind);
  return { frame, ...unwrapped(analyse(frame, selections)) };
}

/** Median of repeated runs, ms. */
function median(name: string, runs: number, work: () => void): void {
  for (let i = 0; i < Math.min(150, runs); i++) work();
  const times = Array.from({ length: runs }, () => 1e3 * time(work)).sort((a, b) => a - b);
  console.log(`${name.padEnd(86)} median ${times[Math.floor(runs / 2)]!.toFixed(2)} ms`);
}

const files = process.argv.slice(2);
if (files.length > 0)
  for (const file of files)
    solver(file.split('/').pop()!, JSON.parse(readFileSync(file, 'utf8')) as FrameModel);
else {
  const small: FrameModel = { ...wall(2, 3) };
  small.members = small.members.slice(0, 12);
  small.combinations = [1, 2, 3, 4, 5, 6].map((k) => ({
    id: `U${k}`,
    state: 'strength',
    factors: { G: 1 + k / 10, Q: 1.5, WX: k / 5, T: 0.5 },
  }));
  const held = new Set(small.members.map((m) => m.id));
  small.loadCases = small.loadCases!.map((one) => ({
    ...one,
    loads: (one.loads ?? []).filter((load) => !('member' in load) || held.has(load.member)),
  }));
  const used = new Set(small.members.flatMap((m) => [m.start, m.end]));
  small.nodes = small.nodes.filter(({ id }) => used.has(id));
  small.supports = small.supports!.filter(({ node }) => used.has(node));
  median('12 members, 4 cases, 6 combinations, linear, all extremes of N, V and M', 300, () => {
    const { frame, states } = linear(small, 'combination');
    for (const state of states.values()) {
      for (let m = 0; m < frame.memberIds.length; m++) {
        const field = state.field(m);
        for (const name of ['N', 'Vz', 'My'] as const) forceExtremes(field, name);
      }
    }
  });
  const twisted = tower(4, 4, 15, 0.05);
  median(`twisted frame of 15 storeys, ${twisted.members.length} members, 5 cases`, 30, () => {
    linear(twisted);
  });
  const machine = prepareEquations(prepareFrame(machineFrame()));
  median('ten modes of a free machine frame of 60 members', 20, () => {
    vibrationModes(machine, 10);
  });
  const thousand = tower(4, 4, 16);
  const frame = prepareFrame(thousand);
  const selections = resultSelections(thousand).filter(({ kind }) => kind === 'combination');
  const states = analyse(frame, selections);
  if (!states.ok) throw new Error(states.problems[0]!.message);
  const state = states.value.states.get('U')!;
  median('four buckling factors of a tower of 1 040 members', 5, () => {
    bucklingModes(states.value.prepared, state, 4);
  });
  median('ten modes of it', 5, () => {
    vibrationModes(states.value.prepared, 10);
  });
  median('second order of it, one combination, all of the analysis', 5, () => {
    const outcome = analyse(frame, selections, { secondOrder: true });
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
  });
  solver('tower 4 × 4 × 16', thousand);
  solver('wall 40 × 60', wall(40, 60));
  solver('tower 6 × 6 × 38', tower(6, 6, 38));
  solver('tower 10 × 10 × 38', tower(10, 10, 38));
  solver('tower 16 × 16 × 60', tower(16, 16, 60));
}
