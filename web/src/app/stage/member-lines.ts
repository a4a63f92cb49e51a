import { displacementAt, memberField, type Calculated, type Frame, type MemberField } from '@hashira/core';
import { project } from './camera';
import type { Point } from './pen';
import type { StageScene } from './scene';

/** Axis of a member on the sheet, from start to end, straight. */
export function axisOf(scene: StageScene, frame: Frame, member: number): readonly [Point, Point] {
  return [pointAt(scene, frame, member, 0), pointAt(scene, frame, member, frame.length[member]!)];
}

/** Point of the undeformed axis at x, moved by `offset` m along the member's local z. */
export function pointAt(scene: StageScene, frame: Frame, member: number, x: number, offset = 0): Point {
  const n = 3 * frame.start[member]!;
  const a = 9 * member;
  const arm = 6 * member;
  const at = (k: 0 | 2) =>
    frame.xyz[n + k]! + frame.arms[arm + k]! + frame.axes[a + k]! * x + frame.axes[a + 6 + k]! * offset;
  return project(scene.camera, scene.size, at(0), at(2));
}

/** Point of the displaced axis, displacements times `factor`. */
export function displacedPoint(
  scene: StageScene,
  frame: Frame,
  field: MemberField,
  member: number,
  x: number,
  factor: number,
): Point {
  const n = 3 * frame.start[member]!;
  const a = 9 * member;
  const u = displacementAt(field, 'u', x) * factor;
  const v = displacementAt(field, 'v', x) * factor;
  const w = displacementAt(field, 'w', x) * factor;
  const at = (k: 0 | 2) =>
    frame.xyz[n + k]! +
    frame.arms[6 * member + k]! +
    frame.axes[a + k]! * (x + u) +
    frame.axes[a + 3 + k]! * v +
    frame.axes[a + 6 + k]! * w;
  return project(scene.camera, scene.size, at(0), at(2));
}

/** The functions along a member for what the scene shows. */
export function fieldOf(scene: StageScene, calculated: Calculated, member: number): MemberField | undefined {
  return (
    scene.selection && memberField(calculated.frame, calculated.results, member, scene.selection.factors)
  );
}

/** Places along a member close enough together that a curve through them looks smooth; breaks are among them. */
export function stationsAlong(scene: StageScene, field: MemberField): number[] {
  const length = field.breaks[field.breaks.length - 1]!;
  const count = scene.thumbnail
    ? 10
    : Math.min(64, Math.max(12, Math.ceil((length * scene.camera.scale) / 9)));
  const places = new Set<number>(field.breaks);
  for (let i = 0; i <= count; i++) places.add((length * i) / count);
  return [...places].sort((a, b) => a - b);
}
