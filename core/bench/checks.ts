// Figures of the checks: all checks of the Slip shed, and of a frame of 1 000 members, in one thread, without steps.
import { analyse, prepareFrame } from '../src/analysis/index.js';
import { MemberChecker } from '../src/checks/index.js';
import type { CodeName, FrameModel } from '../src/model/types.js';
import { resultSelections } from '../src/results/index.js';
import { unwrapped } from '../src/base/problem.js';
import { built, slipShed } from '../src/testing/designs.js';
import { tower } from './towers.js';

/** Median and best of many runs after a warm-up, ms; fields and checks are formed anew in each, the analysis is not counted. */
function measure(name: string, model: FrameModel, warm: number, runs: number): void {
  const frame = prepareFrame(model);
  const all = resultSelections(model);
  const once = () => {
    // Analysed anew: fields and diagrams are kept by their states
    const { states } = unwrapped(analyse(frame, all));
    const from = performance.now();
    const checks = new MemberChecker(model, frame, all, ({ id }, m) => states.get(id)!.field(m)).checkAll();
    return { time: performance.now() - from, checks };
  };
  for (let i = 0; i < warm; i++) once();
  const times = Array.from({ length: runs }, () => once().time).sort((a, b) => a - b);
  const { checks } = once();
  const items = checks.reduce((sum, { items: own }) => sum + own.length, 0);
  const worst = Math.max(...checks.map(({ utilisation }) => utilisation ?? 0));
  console.log(
    `${name.padEnd(62)} median ${times[runs >> 1]!.toFixed(1)} ms, best ${times[0]!.toFixed(1)} ms (${checks.length} members, ${items} items, worst ${worst.toFixed(2)})`,
  );
}

/** Six strength combinations of the Slip shed's load cases. */
function shed(): FrameModel {
  const { model } = built(slipShed());
  const cases = (model.loadCases ?? []).map(({ id }) => id);
  return { ...model, combinations: combinations(cases, 6) };
}

function combinations(cases: readonly string[], count: number): FrameModel['combinations'] {
  return Array.from({ length: count }, (_, i) => ({
    id: `U${i + 1}`,
    state: 'strength' as const,
    factors: Object.fromEntries(cases.map((id, k) => [id, k === 0 ? 1.35 : 0.12 * ((i * (k + 2)) % 13)])),
  }));
}

function storeys(): FrameModel {
  const model = tower(5, 4, 12);
  return {
    ...model,
    materials: [{ id: 'S355' }],
    sections: [
      { id: 'column', material: 'S355', profile: 'HEB 400' },
      { id: 'beam', material: 'S355', profile: 'IPE 400' },
    ],
    combinations: combinations(
      model.loadCases!.map(({ id }) => id),
      12,
    ),
  };
}

const codes: readonly CodeName[] = ['EN1993', 'AISC360'];
for (const name of codes) {
  measure(`${name}: Slip shed, 6 combinations`, { ...shed(), code: { name } }, 300, 300);
  measure(`${name}: storey frame, 12 combinations`, { ...storeys(), code: { name } }, 3, 15);
}
