import {
  factorFrame,
  influenceAreas,
  influenceAt,
  influenceLine,
  prepareEquations,
  prepareFrame,
  trainExtremes,
  type InfluenceTarget,
} from '../src/analysis/index.js';
import type { FrameModel, Support } from '../src/model/types.js';
import { EIy, fixed, model, pinned, roller, type VerificationGroup } from './case.js';

const L = 10;
const lineOf = (given: FrameModel, target: InfluenceTarget, members: string[]) => {
  const prepared = prepareEquations(prepareFrame(given));
  return influenceLine(prepared, factorFrame(prepared), target, { members: members.map((id) => ({ id })) });
};
const beam = (supports: Support[]) =>
  model({ a: [0, 0], b: [L, 0] }, [{ id: 'm', start: 'a', end: 'b' }], supports, []);
const simple = beam([pinned('a'), roller('b')]);
const two = model(
  { a: [0, 0], b: [L, 0], c: [2 * L, 0] },
  [
    { id: 'm', start: 'a', end: 'b' },
    { id: 'n', start: 'b', end: 'c' },
  ],
  [pinned('a'), roller('b'), roller('c')],
  [],
);
const at = (x: number, name: 'My' | 'Vz'): InfluenceTarget => ({ kind: 'force', member: 'm', x, name });
const statics = 'Statics';

export const influence: VerificationGroup = {
  title: 'Influence lines and travelling loads',
  cases: [
    {
      title: 'Simply supported beam: moment at 0.3 L under a force there',
      source: `${statics}: a·b/L`,
      quantity: 'm',
      expected: 0.3 * 0.7 * L,
      tolerance: 1e-10,
      compute: () => influenceAt(lineOf(simple, at(0.3 * L, 'My'), ['m']), 0.3 * L),
    },
    {
      title: 'Simply supported beam: shear at 0.3 L under a force just behind',
      source: `${statics}: b/L`,
      quantity: '–',
      expected: 0.7,
      tolerance: 1e-10,
      compute: () => influenceAt(lineOf(simple, at(0.3 * L, 'Vz'), ['m']), 0.3 * L),
    },
    {
      title: 'Simply supported beam: area under the line of the middle moment',
      source: `${statics}: L²/8`,
      quantity: 'm²',
      expected: L ** 2 / 8,
      tolerance: 1e-10,
      compute: () => influenceAreas(lineOf(simple, at(L / 2, 'My'), ['m'])).positive,
    },
    {
      title: 'Propped cantilever: reaction of the prop under a force in the middle',
      source: 'Roark, Table 8.1, 1c: 5/16',
      quantity: '–',
      expected: 5 / 16,
      tolerance: 1e-10,
      compute: () =>
        influenceAt(
          lineOf(beam([fixed('a'), roller('b')]), { kind: 'reaction', node: 'b', freedom: 2 }, ['m']),
          L / 2,
        ),
    },
    {
      title: 'Two spans: largest moment over the middle support',
      source: 'Three moments: −L/(6√3)·… = −0.0962 L (L·(s − s³)/4 at s = 1/√3)',
      quantity: 'm',
      expected: (-L / 4) * (1 / Math.sqrt(3) - 1 / Math.sqrt(27)),
      tolerance: 1e-9,
      compute: () => trainExtremes(lineOf(two, at(L, 'My'), ['m', 'n']), [{ force: 1, behind: 0 }]).min.value,
    },
    {
      title: 'Two spans: place of the force for it',
      source: 'Three moments: L/√3',
      quantity: 'm',
      expected: L / Math.sqrt(3),
      tolerance: 1e-6,
      compute: () => trainExtremes(lineOf(two, at(L, 'My'), ['m']), [{ force: 1, behind: 0 }]).min.at,
    },
    {
      title: 'Two spans, both loaded by a lane load: moment over the middle support',
      source: 'Three moments: −L²/8',
      quantity: 'm²',
      expected: -(L ** 2) / 8,
      tolerance: 1e-9,
      compute: () => influenceAreas(lineOf(two, at(L, 'My'), ['m', 'n'])).negative,
    },
    {
      title: 'Two equal forces 4 m apart on a simple beam: largest moment at L/2 − d/4',
      source: 'Hibbeler, Structural Analysis, 6.8: P(L − d/2)²/(2L)',
      quantity: 'My, N·m',
      expected: (1e5 * (L - 2) ** 2) / (2 * L),
      tolerance: 1e-10,
      compute: () =>
        trainExtremes(lineOf(simple, at(L / 2 - 1, 'My'), ['m']), [
          { force: 1e5, behind: 0 },
          { force: 1e5, behind: 4 },
        ]).max.value,
    },
    {
      title: 'Cantilever: deflection of the tip under a force at 0.4 L',
      source: 'Maxwell and Roark, Table 8.1, 1a: a²(3L − a)/6EI',
      quantity: 'm/N',
      expected: (-(4 ** 2) * (3 * L - 4)) / (6 * EIy),
      tolerance: 1e-10,
      compute: () =>
        influenceAt(lineOf(beam([fixed('a')]), { kind: 'displacement', node: 'b', freedom: 2 }, ['m']), 4),
    },
  ],
};
