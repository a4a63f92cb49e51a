import type { Frame, Taper } from '../frame/frame.js';
import { flexibilityCount } from '../frame/taper.js';

/**
 * A frame whose members are softer: every stiffness by `elastic`, that in bending by `bending` of the member as well
 * (AISC 360-22 C2.3: 0.8 and 0.8·τb).
 *
 * @param bending one factor a member
 */
export function withReducedStiffness(frame: Frame, elastic: number, bending: ArrayLike<number>): Frame {
  const rigidity = frame.rigidity.map((value, i) => {
    const bends = i % 6 === 1 || i % 6 === 2;
    return value * elastic * (bends ? bending[Math.floor(i / 6)]! : 1);
  });
  const coupling = frame.coupling.map((value, m) => value * elastic * bending[m]!);
  const tapers = new Map([...frame.tapers].map(([m, taper]) => [m, softer(taper, elastic, bending[m]!)]));
  return { ...frame, rigidity, coupling, tapers };
}

function softer(taper: Taper, elastic: number, bending: number): Taper {
  const made = new WeakMap<Float64Array, ReturnType<Taper['flexibility']>>();
  return {
    ...taper,
    flexibility(breaks) {
      let known = made.get(breaks);
      if (!known) {
        const own = taper.flexibility(breaks);
        const coefficients = own.coefficients.map((value, i) => {
          const k = Math.floor(i / own.terms) % flexibilityCount;
          return value / (elastic * (k >= 1 && k <= 3 ? bending : 1));
        });
        made.set(breaks, (known = { ...own, coefficients }));
      }
      return known;
    },
  };
}
