import { project } from './camera';
import { tints } from './colours';
import { drawStage } from './draw-stage';
import { arc, Pen, vertexSize } from './pen';
import { nearestMember, readAt } from './reading';
import { calculatedSlipShed, sceneOf } from '../testing/slip-shed';
import type { Colour } from './colours';

/** Points of all triangles of one colour. */
function pointsOf(pen: Pen, colour: Colour): [number, number][] {
  const out: [number, number][] = [];
  const { vertices } = pen;
  for (let i = 0; i < vertices.length; i += vertexSize)
    if (
      Math.abs(vertices[i + 4]! - tints[colour][0]) < 1e-6 &&
      Math.abs(vertices[i + 5]! - tints[colour][1]) < 1e-6
    )
      out.push([vertices[i]!, vertices[i + 1]!]);
  return out;
}

describe('the stage', () => {
  const [fixed, pinned, hinged] = calculatedSlipShed() as [
    ReturnType<typeof calculatedSlipShed>[number],
    ReturnType<typeof calculatedSlipShed>[number],
    ReturnType<typeof calculatedSlipShed>[number],
  ];

  it('draws M on the tension side: outside at the eaves, below the middle of the roof', () => {
    const scene = sceneOf(pinned, 'S');
    const { pen } = drawStage({ ...scene, layers: { ...scene.layers, loads: false, reactions: false } });
    const plum = pointsOf(pen, 'plum');
    const [eavesX] = project(scene.camera, scene.size, 0, 6.4);
    const [, apexY] = project(scene.camera, scene.size, 11, 6.4 + 11 * Math.tan(Math.PI / 20));
    expect(Math.min(...plum.map(([x]) => x))).toBeLessThan(eavesX - 20);
    const nearApex = plum.filter(([x]) => Math.abs(x - 400) < 40);
    expect(Math.max(...nearApex.map(([, y]) => y))).toBeGreaterThan(apexY + 10);
    expect(Math.min(...nearApex.map(([, y]) => y))).toBeGreaterThan(apexY - 3);
  });

  it('names the values at ends and extremes, with the exact one beside', () => {
    const { labels } = drawStage(sceneOf(hinged, 'S'));
    // H·h of the three-hinged frame by statics
    const H = (4.4 * 22 ** 2) / (8 * (6.4 + 11 * Math.tan(Math.PI / 20)));
    const eaves = labels.find((l) => l.key.startsWith('My shed.column.left'))!;
    expect(eaves.text).toBe(`${(H * 6.4).toFixed(0)}\u00a0kN·m`);
    expect(eaves.title).toContain('at x = 6.400 m');
  });

  it('draws reactions as the ground pushes, with magnitudes', () => {
    const { labels } = drawStage(sceneOf(pinned, 'S'));
    const vertical = labels.filter((l) => l.key.startsWith('V '));
    expect(vertical.map((l) => l.text)).toEqual(['48.4\u00a0kN', '48.4\u00a0kN']);
    expect(labels.some((l) => l.key.startsWith('M shed.base'))).toBeFalse();
    expect(drawStage(sceneOf(fixed, 'S')).labels.some((l) => l.key.startsWith('M shed.base'))).toBeTrue();
  });

  it('names a line load once, and says when it is on plan', () => {
    const { labels } = drawStage(sceneOf(pinned, 'S'));
    expect(labels.filter((l) => l.tone === 'ochre').map((l) => l.text)).toEqual(['4.40\u00a0kN/m on plan']);
  });

  it('a thumbnail has no words', () => {
    expect(drawStage({ ...sceneOf(fixed, 'U1'), thumbnail: true }).labels).toEqual([]);
  });

  it('draws the displaced frame with the common factor', () => {
    const scene = sceneOf(fixed, 'S');
    const layers = { ...scene.layers, deformed: true, diagram: 'none' as const, loads: false };
    const lowest = (deformation: number) =>
      Math.max(
        ...pointsOf(drawStage({ ...scene, layers, scales: { ...scene.scales, deformation } }).pen, 'ink')
          .filter(([x]) => Math.abs(x - 400) < 3)
          .map(([, y]) => y),
      );
    const uz = fixed.results.displacements[1]![6 * fixed.frame.nodeIndex.get('shed.apex')! + 2]!;
    expect(lowest(50) - lowest(10)).toBeCloseTo(-40 * uz * scene.camera.scale, 1);
  });

  it('reads the member under the pointer', () => {
    const scene = sceneOf(pinned, 'S');
    const at = project(scene.camera, scene.size, 0, 3);
    const found = nearestMember(scene, [at[0] + 5, at[1]])!;
    expect(pinned.frame.memberIds[found.member]).toBe('shed.column.left');
    expect(found.x).toBeCloseTo(3, 6);
    const reading = readAt(scene, pinned, found.member, found.x)!;
    expect(reading.N).toBeCloseTo(-48_400, 3);
    expect(nearestMember(scene, [at[0] + 40, at[1]])).toBeUndefined();
  });
});

describe('Pen', () => {
  it('makes triangles, and grows', () => {
    const pen = new Pen();
    for (let i = 0; i < 3000; i++)
      pen.line(
        [
          [0, i],
          [10, i],
        ],
        'ink',
      );
    expect(pen.vertices.length).toBe(3000 * 6 * vertexSize);
    expect(pen.vertices[vertexSize * 6 * 2999 + 1]).toBeCloseTo(2999 + 1.5, 3);
  });

  it('draws nothing for a line without length', () => {
    const pen = new Pen();
    pen.line(
      [
        [3, 3],
        [3, 3],
      ],
      'ink',
    );
    pen.arrow([3, 3], [3, 3], 'ink');
    expect(pen.vertices.length).toBe(0);
  });

  it('closes an arc where it should', () => {
    const points = arc([0, 0], 10, 0, Math.PI / 2);
    expect(points[0]).toEqual([10, 0]);
    expect(points.at(-1)![1]).toBeCloseTo(10, 9);
  });
});
