import { shapeProperties } from '../sections/shapes/index.js';
import type { Shape } from '../model/types.js';
import { expectClose } from '../testing/models.js';
import { elasticStress } from './stress.js';

const of = (shape: Shape, N: number, My: number, Mz: number) =>
  elasticStress(shapeProperties(shape), shape, N, My, Mz)!;

describe('elastic stress', () => {
  it('of a rectangle: N/A + 6 My/(b h²) + 6 Mz/(h b²)', () => {
    const shape: Shape = { type: 'rectangle', h: 0.3, b: 0.1 };
    expectClose(
      of(shape, -60e3, 15e3, -2e3),
      60e3 / 0.03 + (6 * 15e3) / (0.1 * 0.09) + (6 * 2e3) / (0.3 * 0.01),
    );
  });

  it('of a profile: M over its elastic modulus, IPE 300 with Wel,y 557.1 cm³ and Wel,z 80.50 cm³ (EN 10365)', () => {
    const shape: Shape = { type: 'i', h: 0.3, b: 0.15, tw: 0.0071, tf: 0.0107, r: 0.015 };
    expectClose(of(shape, 0, 100e3, 0), 100e3 / 557.1e-6, 1e-3);
    expectClose(of(shape, 0, 0, 10e3), 10e3 / 80.5e-6, 1e-3);
  });

  it('of a tee: tension adds to the stress of the fibre that bending pulls', () => {
    // My > 0 pulls the −z side, which here is the foot of the stem, farther from the centroid than the flange
    const shape: Shape = { type: 'tee', h: 0.2, b: 0.2, tw: 0.02, tf: 0.02 };
    const [web, flange] = [0.18 * 0.02, 0.2 * 0.02];
    const z = (web * 0.09 + flange * 0.19) / (web + flange);
    const I =
      (0.02 * 0.18 ** 3) / 12 + web * (z - 0.09) ** 2 + (0.2 * 0.02 ** 3) / 12 + flange * (0.19 - z) ** 2;
    const axial = 50e3 / (web + flange);
    expectClose(of(shape, 50e3, 5e3, 0), axial + (5e3 * z) / I, 1e-9);
    expectClose(
      of(shape, 50e3, -5e3, 0),
      Math.max((5e3 * z) / I - axial, axial + (5e3 * (0.2 - z)) / I),
      1e-9,
    );
  });

  it('of a section whose axes are not principal ones: that of a rectangle turned by 30°', () => {
    const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
    const corners = [
      [-0.05, -0.15],
      [0.05, -0.15],
      [0.05, 0.15],
      [-0.05, 0.15],
    ].map(([y, z]): [number, number] => [c * y! - s * z!, s * y! + c * z!]);
    const shape: Shape = { type: 'outline', points: corners };
    // My about the turned axes: M cos 30° about the strong axis, M sin 30° about the weak one
    expectClose(
      of(shape, 0, 9e3, 0),
      (9e3 * c) / ((0.1 * 0.3 ** 2) / 6) + (9e3 * s) / ((0.3 * 0.1 ** 2) / 6),
      1e-9,
    );
  });

  it('of a tube: M over π(D⁴ − d⁴)/32D, along both axes √2 of it as nothing is at the corners of its box', () => {
    const shape: Shape = { type: 'circular-hollow', d: 0.2, t: 0.01 };
    const W = (Math.PI * (0.2 ** 4 - 0.18 ** 4)) / (32 * 0.2);
    expectClose(of(shape, 0, 10e3, 0), 10e3 / W, 1e-3);
    expectClose(of(shape, 0, 10e3, 10e3), (Math.SQRT2 * 10e3) / W, 2e-2);
  });

  it('of a section given by properties: by its moduli, unknown without them', () => {
    const p = { A: 0.01, Iy: 1e-4, Iz: 1e-5, Wely: 1e-3, Welz: 2e-4 };
    expectClose(elasticStress(p, undefined, 10e3, 5e3, 1e3)!, 1e6 + 5e6 + 5e6);
    expect(elasticStress({ A: 0.01, Iy: 1e-4 }, undefined, 10e3, 5e3, 0)).toBeUndefined();
    expectClose(elasticStress({ A: 0.01 }, undefined, -10e3, 0, 0)!, 1e6);
  });
});
