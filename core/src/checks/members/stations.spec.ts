import { checkToFile } from '../../files/checks-file.js';
import type { CodeName, FrameModel } from '../../model/types.js';
import { generator } from '../../testing/random.js';

/** A cantilever of length 3 … 12 m that leans by any angle, with a point load somewhere along it. */
function leaningCantilever(random: () => number): FrameModel {
  const L = 3 + 9 * random();
  const angle = Math.PI * (random() - 0.5);
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'plane',
    materials: [{ id: 'S355' }],
    sections: [{ id: 's', material: 'S355', profile: 'IPE 400' }],
    nodes: [
      { id: 'a', x: 0.1 + random(), z: random() },
      { id: 'b', x: 0.1 + L * Math.cos(angle), z: L * Math.sin(angle) },
    ],
    members: [{ id: 'm', start: 'a', end: 'b', section: 's' }],
    supports: [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
    loadCases: [
      {
        id: 'G',
        selfWeight: 1,
        loads: [{ kind: 'point', member: 'm', at: 0.05 + 0.9 * random(), F: [0, 0, -1000] }],
      },
    ],
    combinations: [{ id: 'U', state: 'strength', factors: { G: 1.35 } }],
  };
}

describe('places of greatest forces', () => {
  // Breaks at start + share of a length are rounded: an extreme at a segment's end must still be found on it
  for (const code of ['EN1993', 'AISC360'] as CodeName[])
    it(`${code}: 250 leaning cantilevers with a point load are checked at their clamped end`, () => {
      const random = generator(250);
      for (let i = 0; i < 250; i++) {
        const outcome = checkToFile(leaningCantilever(random), { code });
        if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
        const bending = outcome.value.members['m']!.items.find(({ clause }) => /^(F2|6\.2\.5)/.test(clause))!;
        expect(bending.x).withContext(`cantilever ${i}`).toBeCloseTo(0, 9);
      }
    });
});
