import { project } from './camera';
import { along, type Pen, type Point } from './pen';
import type { StageScene } from './scene';

/** Draws the members' axes, and their hinges as open circles beside the node. */
export function drawMembers(pen: Pen, scene: StageScene): void {
  const faint = scene.layers.deformed || scene.mechanism !== undefined;
  const width = scene.thumbnail ? 1.6 : faint ? 1.6 : 3;
  const points = nodePoints(scene);
  for (const member of scene.model.members) {
    const a = points.get(member.start)!;
    const b = points.get(member.end)!;
    pen.line([a, b], faint ? 'inkFaint' : 'ink', width);
  }
  if (scene.thumbnail) return;
  for (const point of points.values()) pen.disc(point, faint ? 1.5 : 2.4, faint ? 'inkFaint' : 'ink');
}

/** Draws hinges over everything else that runs along the members. */
export function drawHinges(pen: Pen, scene: StageScene): void {
  const points = nodePoints(scene);
  const away = scene.thumbnail ? 3.5 : 9;
  const radius = scene.thumbnail ? 2.2 : 4.2;
  for (const member of scene.model.members) {
    const a = points.get(member.start)!;
    const b = points.get(member.end)!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length < 4 * away) continue;
    const mark = (at: Point) => {
      pen.disc(at, radius, 'sheet');
      pen.circle(at, radius, 'ink', scene.thumbnail ? 1 : 1.4);
    };
    if (member.hinges?.start?.My !== undefined) mark(along(a, b, away / length));
    if (member.hinges?.end?.My !== undefined) mark(along(b, a, away / length));
  }
}

/** The nodes on the sheet. */
export function nodePoints(scene: StageScene): Map<string, Point> {
  return new Map(
    scene.model.nodes.map((node) => [node.id, project(scene.camera, scene.size, node.x, node.z)]),
  );
}
