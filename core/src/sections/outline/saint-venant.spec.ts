import { expectClose } from '../../testing/models.js';
import { saintVenant } from './saint-venant.js';
import { outlineOf } from './outlines.js';

const ring = (n: number, r: number, y = 0, z = 0): [number, number][] =>
  Array.from({ length: n }, (_, k) => [
    y + r * Math.cos((2 * Math.PI * k) / n),
    z + r * Math.sin((2 * Math.PI * k) / n),
  ]);

describe('torsion of outlines with many corners', () => {
  it('of a circle of 2000 corners is πr⁴/2, and of a tube of 2000 and 1500 π(R⁴ − r⁴)/2', () => {
    const r = 0.1;
    const solid = saintVenant(outlineOf({ type: 'outline', points: ring(2000, r) }));
    expectClose(solid.J, (Math.PI * r ** 4) / 2, 5e-3);
    const tube = saintVenant(
      outlineOf({ type: 'outline', points: ring(2000, r), holes: [ring(1500, 0.08)] }),
    );
    expectClose(tube.J, (Math.PI * (r ** 4 - 0.08 ** 4)) / 2, 5e-3);
  });
});
