import { known } from '../../testing/slip-shed';
import { commonScales, niceFactor } from './scales';

describe('scales', () => {
  const scenes = [known('fixed').scene, known('three-hinges').scene];
  const automatic = { kind: 'automatic' } as const;
  /** That an ordinate takes as much of its room as a round scale lets it: the steps are a third apart at the most, and lines on a grid's edge count a little. */
  const expectRoom = (ordinate: number, room: number) => {
    expect(ordinate).toBeLessThanOrEqual(room * (1 + 1e-9));
    expect(ordinate).toBeGreaterThan((room / (4 / 3)) * 0.94);
  };

  it('are common to all frames and go by the largest value of all', () => {
    const both = commonScales(scenes, 'My', automatic);
    const largest = Math.max(...scenes.map(({ most }) => most.diagram));
    // 0.13 of the frame's diagonal: 22 m wide, 8.142 m high
    expectRoom(both.diagram * largest, 0.13 * Math.hypot(22, 6.4 + 11 * Math.tan(Math.PI / 20)));
    expect(both.diagram).toBeLessThan(commonScales([scenes[0]!], 'My', automatic).diagram);
  });

  it('let a metre of the drawing stand for a round value', () => {
    const { diagram, load } = commonScales(scenes, 'My', automatic);
    for (const value of [1 / diagram, 1 / load]) {
      const digits = Number(value.toExponential(9).split('e')[0]);
      expect([1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8]).toContain(digits);
    }
  });

  it('let a foot of it stand for a round value where the reader counts in feet and kips', () => {
    // 1 kip = 4448.2216 N, 1 ft = 0.3048 m (NIST SP 811): kip·ft a foot is kip, kip/ft a foot is kip/ft²
    const kip = 4448.2216152605;
    const foot = 0.3048;
    const readers = { diagram: 1 / kip, load: (foot * foot) / kip };
    const { diagram, load } = commonScales(scenes, 'My', automatic, readers);
    for (const value of [1 / (diagram * kip), (foot * foot) / (load * kip)]) {
      const digits = Number(value.toExponential(9).split('e')[0]);
      expect([1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8]).toContain(digits);
    }
    const largest = Math.max(...scenes.map(({ most }) => most.diagram));
    expectRoom(diagram * largest, 0.13 * Math.hypot(22, 6.4 + 11 * Math.tan(Math.PI / 20)));
  });

  /** Greatest ordinate of M in a frame of lines in X–Z, m. */
  const ordinate = (...lines: readonly (readonly [number, number, number, number])[]) =>
    ordinateOf(Float32Array.from(lines.flatMap(([x0, z0, x1, z1]) => [x0, 0, z0, x1, 0, z1])));
  const ordinateOf = (ends: Float32Array) => {
    const [shed] = scenes;
    const scene = { ...shed!, points: ends, members: { ids: [], ends } };
    return commonScales([scene], 'My', automatic).diagram * shed!.most.diagram;
  };
  const grid = (bays: number, width: number, storeys: number, height: number) => [
    ...Array.from({ length: bays + 1 }, (_, i) => [i * width, 0, i * width, storeys * height] as const),
    ...Array.from(
      { length: storeys },
      (_, i) => [0, (i + 1) * height, bays * width, (i + 1) * height] as const,
    ),
  ];

  it('do not let ordinates tower above a long low frame', () => {
    // Forty bays of 6 m, three storeys of 3.5 m
    const length = 41 * 10.5 + 3 * 240;
    expectRoom(ordinate(...grid(40, 6, 3, 3.5)), (0.9 * 2 * 240 * 10.5) / length);
    expectRoom(ordinate(...grid(1, 22, 1, 8)), 0.13 * Math.hypot(22, 8));
  });

  it('go by the length of a beam, whether it rises a little or not', () => {
    expectRoom(ordinate([0, 0, 12, 0]), 0.13 * 12);
    expectRoom(ordinate([0, 0, 6, 0.1], [6, 0.1, 12, 0.3]), 0.13 * Math.hypot(12, 0.3));
  });

  it('reach no further than nine tenths of the way to the next member in a grid', () => {
    // Two directions of lines 3 m apart; those on the edge count for little in so many
    expectRoom(ordinate(...grid(200, 3, 200, 3)), 0.9 * 3);
  });

  it('so in space as well', () => {
    const count = 40;
    const at = Array.from(
      { length: count ** 2 },
      (_, i) => [3 * (i % count), 3 * Math.floor(i / count)] as const,
    );
    const end = 3 * (count - 1);
    const cubic = at.flatMap(([p, q]) => [
      [0, p, q, end, p, q],
      [p, 0, q, p, end, q],
      [p, q, 0, p, q, end],
    ]);
    expectRoom(ordinateOf(Float32Array.from(cubic.flat())), 0.9 * 3);
  });

  it('deform by a round factor found from the largest displacement, or by the one typed', () => {
    const found = commonScales(scenes, 'none', automatic).deformation;
    expect(found).toBe(niceFactor(found));
    const largest = Math.max(...scenes.map(({ most }) => most.deformation));
    expect(found * largest).toBeLessThanOrEqual(0.07 * 24);
    expect(found * largest).toBeGreaterThan(0.07 * 10);
    expect(commonScales(scenes, 'none', { kind: 'fixed', factor: 40 }).deformation).toBe(40);
  });

  it('are finite where there is nothing to draw', () => {
    expect(commonScales([], 'My', automatic)).toEqual({ diagram: 0, load: 0, deformation: 1 });
  });

  it('a round factor is never above its value', () => {
    for (const [value, round] of [
      [1, 1],
      [1.49, 1],
      [68, 50],
      [0.0031, 0.003],
      [999, 700],
    ] as const)
      expect(niceFactor(value)).toBeCloseTo(round, 9);
  });
});
