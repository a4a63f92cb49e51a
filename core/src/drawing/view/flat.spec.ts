import { Draughtsman } from '../drawing.js';
import { layFlat, type FlatOptions, type Ink } from './flat.js';
import { depthOf, fading, projected, standardViews, type View } from './view.js';

const size = { width: 400, height: 300 };
const view: View = { ...standardViews.front, centre: [1, 0, 2], scale: 50 };

/** What a pen's strokes and areas come to on the sheet. */
function laid(draw: (pen: Draughtsman) => void, more: Partial<FlatOptions> = {}) {
  const pen = new Draughtsman();
  draw(pen);
  const lines: { ends: number[]; ink: Ink }[] = [];
  const triangles: { corners: number[]; ink: Ink }[] = [];
  layFlat(
    pen.finish(),
    { view, size, ...more },
    {
      line: (...all) => lines.push({ ends: all.slice(0, 4) as number[], ink: all[4] }),
      triangle: (corners, ink) => triangles.push({ corners: Array.from(corners), ink }),
    },
  );
  return { lines, triangles };
}
function expectAt(found: readonly number[], wanted: readonly number[]): void {
  wanted.forEach((value, i) => expect(found[i]).toBeCloseTo(value, 3));
}
const ink = { colour: 'ink', width: 2 } as const;

describe('a drawing laid flat', () => {
  it('puts a line where its ends are seen: X to the right, Z up, the centre in the middle', () => {
    const { lines } = laid((pen) => pen.on('members').line([1, 0, 2], [3, 0, 4], ink));
    expectAt(lines[0]!.ends, [200, 150, 300, 50]);
    expect(lines[0]!.ink).toEqual({ colour: 'ink', alpha: 1, width: 2 });
  });

  it('agrees with the view from any side', () => {
    const oblique: View = { ...standardViews.oblique, centre: [2, 1, 0], scale: 31 };
    const [a, b] = [[1, 2, 3] as const, [-2, 0.5, 1] as const];
    const { lines } = laid((pen) => pen.on('members').line(a, b, ink), { view: oblique });
    expectAt(lines[0]!.ends, [...projected(oblique, size, a), ...projected(oblique, size, b)]);
  });

  it('moves what has a scale by as much as that says', () => {
    const style = { ...ink, scale: 'deformation' } as const;
    const draw = (pen: Draughtsman) =>
      pen.on('deformed').line([1, 0, 2], [3, 0, 2], style, [0, 0, 0.01], [0, 0, -0.02]);
    expectAt(laid(draw, { scales: { deformation: 100 } }).lines[0]!.ends, [200, 100, 300, 250]);
    expectAt(laid(draw, { scales: { deformation: 0 } }).lines[0]!.ends, [200, 150, 300, 150]);
  });

  it('keeps marks at their size in px, along the direction that they follow', () => {
    const { lines } = laid(
      (pen) => {
        pen.on('supports').mark([1, 0, 2], [-5, 3], [5, 3], ink);
        pen.on('reactions').aligned([1, 0, 2], [1, 0, 3], [10, 0], [20, 0], ink);
      },
      { marks: 2 },
    );
    expectAt(lines[0]!.ends, [190, 156, 210, 156]);
    // Upwards on the sheet
    expectAt(lines[1]!.ends, [200, 130, 200, 110]);
  });

  it('fills areas by triangles, with their alpha', () => {
    const { triangles } = laid((pen) =>
      pen.on('diagram').area(
        [
          [1, 0, 2],
          [3, 0, 2],
          [3, 0, 4],
          [1, 0, 4],
        ],
        { colour: 'plum', alpha: 0.2 },
      ),
    );
    expect(triangles.length).toBe(2);
    expectAt(triangles[0]!.corners, [200, 150, 300, 150, 300, 50]);
    expectAt(triangles[1]!.corners, [200, 150, 300, 50, 200, 50]);
    expect(triangles[0]!.ink.colour).toBe('plum');
    expect(triangles[0]!.ink.alpha).toBeCloseTo(0.2, 6);
  });

  it('fills the area between a line and where it would be without its displacements, under the line', () => {
    const { triangles, lines } = laid(
      (pen) =>
        pen
          .on('diagram')
          .line([1, 0, 2], [3, 0, 2], { colour: 'plum', scale: 'diagram', fill: 0.25 }, [0, 0, 1], [0, 0, 2]),
      { scales: { diagram: 0.5 } },
    );
    expectAt(lines[0]!.ends, [200, 125, 300, 100]);
    expect(triangles.length).toBe(2);
    expectAt(triangles[0]!.corners, [200, 150, 300, 150, 300, 100]);
    expectAt(triangles[1]!.corners, [200, 150, 200, 125, 300, 100]);
    expect(triangles.map(({ ink }) => ink)).toEqual([
      { colour: 'plum', alpha: 0.25, width: 0 },
      { colour: 'plum', alpha: 0.25, width: 0 },
    ]);
  });

  it('draws only the layers that are asked for', () => {
    const draw = (pen: Draughtsman) => {
      pen.on('loads').line([0, 0, 0], [1, 0, 0], { colour: 'ochre' });
      pen.on('members').line([0, 0, 0], [1, 0, 0], ink);
    };
    expect(laid(draw).lines.length).toBe(2);
    expect(laid(draw, { layers: ['members'] }).lines.map((one) => one.ink.colour)).toEqual(['ink']);
  });

  it('inks far members fainter and thinner than near ones, and dimensions of px alike', () => {
    const points = [0, 0, 0, 0, 10, 0];
    const depth = depthOf(points, standardViews.front);
    // From the front the reader stands on the side of negative Y
    expect(depth.near).toBeCloseTo(0, 9);
    expect(depth.far).toBeCloseTo(-10, 9);
    const { lines } = laid(
      (pen) => {
        for (const y of [0, 5, 10]) pen.on('members').line([0, y, 0], [1, y, 0], ink);
        pen.on('diagram').line([0, 10, 0], [1, 10, 0], ink);
      },
      { depth },
    );
    const [diagram, near, middle, far] = lines.map((line) => line.ink);
    expect(diagram).toEqual({ colour: 'ink', alpha: 1, width: 2 });
    expect(near!.alpha).toBeCloseTo(1, 9);
    expect(middle!.alpha).toBeCloseTo((1 + fading.alpha) / 2, 6);
    expect(far!.alpha).toBeCloseTo(fading.alpha, 6);
    expect(near!.width).toBeGreaterThan(middle!.width);
    expect(middle!.width).toBeGreaterThan(far!.width);
  });

  it('interrupts a member where a nearer one passes before it, where that is asked for', () => {
    const depth = depthOf([0, 0, 0, 0, 10, 0], standardViews.front);
    const draw = (pen: Draughtsman) => {
      pen.on('members').line([-1, 10, 2], [3, 10, 2], ink);
      pen.on('members').line([1, 0, 1], [1, 0, 3], ink);
    };
    expect(laid(draw, { depth }).lines.length).toBe(2);
    const { lines } = laid(draw, { depth, interrupted: true });
    // The near one is 2.5 px wide and keeps 2 px free on either side of 200 px; the far one is 1.4 px wide
    expectAt(lines[0]!.ends, [100, 150, 196.05, 150]);
    expectAt(lines[1]!.ends, [203.95, 150, 300, 150]);
    expectAt(lines[2]!.ends, [200, 200, 200, 100]);
    expect(lines.length).toBe(3);
  });

  it('makes lines thinner where it is asked to', () => {
    const { lines } = laid((pen) => pen.on('members').line([0, 0, 0], [1, 0, 0], ink), { thin: 0.5 });
    expect(lines[0]!.ink.width).toBe(1);
  });
});
