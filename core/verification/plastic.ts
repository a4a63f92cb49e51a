import { plasticCollapse, type PlasticOptions } from '../src/analysis/index.js';
import type { FrameModel, Load, Support } from '../src/model/types.js';
import { ProblemError } from '../src/base/problem.js';
import { fixed, model, pinned, roller, steel, type VerificationGroup } from './case.js';

const L = 6;
const Mp = 1e6;
/** fy·Wply = 1 MN·m; an area so large that members do not stretch. */
const ductile = { ...steel, fy: 2.5e8 };
const section = {
  id: 's',
  material: 'steel',
  properties: { A: 4e3, Iy: 2e-4, Iz: 5e-5, J: 2e-5, Wply: 4e-3 },
};
const changes: Partial<FrameModel> = { materials: [ductile], sections: [section] };
const beam = (supports: Support[], loads: Load[]) =>
  model({ a: [0, 0], b: [L, 0] }, [{ id: 'm', start: 'a', end: 'b' }], supports, loads, changes);
const uniform: Load = { kind: 'distributed', member: 'm', direction: 'z', q: [-1, -1] };
const middle: Load = { kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1] };

function collapse(given: FrameModel, options: PlasticOptions = { axial: 'ignore' }) {
  const outcome = plasticCollapse(given, Float64Array.of(1), options);
  if (!outcome.ok) throw new ProblemError(outcome.problems);
  return outcome.value;
}

const l = 4;
const portal = (V: number, H: number, supports: Support[]) =>
  model(
    { a: [0, 0], b: [0, l], m: [l / 2, l], c: [l, l], d: [l, 0] },
    [
      { id: 'left', start: 'a', end: 'b' },
      { id: 'beam1', start: 'b', end: 'm' },
      { id: 'beam2', start: 'm', end: 'c' },
      { id: 'right', start: 'd', end: 'c' },
    ],
    supports,
    [
      { kind: 'node', node: 'm', F: [0, 0, -V] },
      { kind: 'node', node: 'b', F: [H, 0, 0] },
    ],
    changes,
  );
const neal = 'Neal, The Plastic Methods of Structural Analysis';

/** A cantilever of an I section with a force along it (5) and across its tip (1). */
const iShape = { type: 'i', h: 0.3, b: 0.15, tw: 0.0071, tf: 0.0107 } as const;
const A = 2 * 0.15 * 0.0107 + (0.3 - 2 * 0.0107) * 0.0071;
const Wpl = 0.15 * 0.0107 * (0.3 - 0.0107) + (0.0071 * (0.3 - 2 * 0.0107) ** 2) / 4;
const a = (A - 2 * 0.15 * 0.0107) / A;
const fy = 2.5e8;

export const plastic: VerificationGroup = {
  title: 'Plastic collapse',
  cases: [
    {
      title: 'Fixed beam, uniform load: collapse',
      source: `${neal}, ch. 3: 16Mp/L²`,
      quantity: 'q, N/m',
      expected: (16 * Mp) / L ** 2,
      tolerance: 1e-8,
      compute: () => collapse(beam([fixed('a'), fixed('b')], [uniform])).factor,
    },
    {
      title: 'Fixed beam, uniform load: first hinges',
      source: 'Elastic: 12Mp/L²',
      quantity: 'q, N/m',
      expected: (12 * Mp) / L ** 2,
      tolerance: 1e-8,
      compute: () => collapse(beam([fixed('a'), fixed('b')], [uniform])).events[0]!.factor,
    },
    {
      title: 'Propped cantilever, force in the middle: collapse',
      source: `${neal}, ch. 2: 6Mp/L`,
      quantity: 'F, N',
      expected: (6 * Mp) / L,
      tolerance: 1e-8,
      compute: () => collapse(beam([fixed('a'), roller('b')], [middle])).factor,
    },
    {
      title: 'Propped cantilever, uniform load: collapse',
      source: `${neal}, ch. 2: (6 + 4√2)Mp/L²`,
      quantity: 'q, N/m',
      expected: ((6 + 4 * Math.SQRT2) * Mp) / L ** 2,
      tolerance: 1e-8,
      compute: () => collapse(beam([fixed('a'), roller('b')], [uniform])).factor,
    },
    {
      title: 'Propped cantilever, uniform load: place of the last hinge from the prop',
      source: `${neal}, ch. 2: (√2 − 1)L`,
      quantity: 'x, m',
      expected: (Math.SQRT2 - 1) * L,
      tolerance: 1e-7,
      compute: () => {
        const { events } = collapse(beam([fixed('a'), roller('b')], [uniform]));
        return L - events[events.length - 1]!.x;
      },
    },
    {
      title: 'Simply supported beam, force in the middle: collapse with the first hinge',
      source: '4Mp/L',
      quantity: 'F, N',
      expected: (4 * Mp) / L,
      tolerance: 1e-9,
      compute: () => collapse(beam([pinned('a'), roller('b')], [middle])).factor,
    },
    {
      title: 'Fixed square portal, V = 2H: combined mechanism',
      source: `${neal}, ch. 3: Hl + Vl/2 = 6Mp`,
      quantity: 'H, N',
      expected: (3 * Mp) / l,
      tolerance: 1e-7,
      compute: () => collapse(portal(2, 1, [fixed('a'), fixed('d')])).factor,
    },
    {
      title: 'Fixed square portal, H only: sway mechanism',
      source: `${neal}, ch. 3: Hl = 4Mp`,
      quantity: 'H, N',
      expected: (4 * Mp) / l,
      tolerance: 1e-7,
      compute: () => collapse(portal(0, 1, [fixed('a'), fixed('d')])).factor,
    },
    {
      title: 'Fixed square portal, V = 8H: beam mechanism',
      source: `${neal}, ch. 3: Vl/4 = 2Mp`,
      quantity: 'V, N',
      expected: (8 * Mp) / l,
      tolerance: 1e-7,
      compute: () => 8 * collapse(portal(8, 1, [fixed('a'), fixed('d')])).factor,
    },
    {
      title: 'Square portal on pins, H only: sway mechanism',
      source: `${neal}, ch. 3: Hl = 2Mp`,
      quantity: 'H, N',
      expected: (2 * Mp) / l,
      tolerance: 1e-7,
      compute: () => collapse(portal(0, 1, [pinned('a'), pinned('d')])).factor,
    },
    {
      title: 'Cantilever of an I section under N = 20 F and F across: collapse',
      source: 'EN 1993-1-1 eq. 6.36: F·L = Mpl(1 − 20F/Npl)/(1 − 0.5a)',
      quantity: 'F, N',
      expected: (Wpl * fy) / (3 * (1 - 0.5 * a) + (Wpl * fy * 20) / (A * fy)),
      tolerance: 1e-9,
      compute: () =>
        collapse(
          model(
            { a: [0, 0], b: [3, 0] },
            [{ id: 'm', start: 'a', end: 'b' }],
            [fixed('a')],
            [{ kind: 'node', node: 'b', F: [-20, 0, -1] }],
            { materials: [ductile], sections: [{ id: 's', material: 'steel', shape: iShape }] },
          ),
          { axial: 'reduce' },
        ).factor,
    },
  ],
};
