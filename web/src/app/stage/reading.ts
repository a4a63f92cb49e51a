import { forceAt, globalDisplacementAt, type Calculated } from '@hashira/core';
import { axisOf, fieldOf, pointAt } from './member-lines';
import type { Point } from './pen';
import type { StageScene } from './scene';

/** Values at one point of a member. */
export interface Reading {
  readonly member: string;
  /** m from the start, and the member's length. */
  readonly x: number;
  readonly length: number;
  readonly section: string;
  readonly N: number;
  readonly V: number;
  readonly M: number;
  /** Global displacement, m. */
  readonly ux: number;
  readonly uz: number;
  /** On the sheet, px. */
  readonly at: Point;
}

/** The member nearest to a point of the sheet within `reach` px, and the place on it. */
export function nearestMember(
  scene: StageScene,
  at: Point,
  reach = 14,
): { member: number; x: number } | undefined {
  const { calculated } = scene;
  if (!calculated) return undefined;
  const { frame } = calculated;
  let best: { member: number; x: number; distance: number } | undefined;
  frame.memberIds.forEach((_, member) => {
    const [a, b] = axisOf(scene, frame, member);
    const dx = b[0] - a[0];
    const dy = b[1] - a[1];
    const t = Math.min(1, Math.max(0, ((at[0] - a[0]) * dx + (at[1] - a[1]) * dy) / (dx * dx + dy * dy)));
    const distance = Math.hypot(at[0] - a[0] - t * dx, at[1] - a[1] - t * dy);
    if (distance <= reach && (!best || distance < best.distance))
      best = { member, x: t * frame.length[member]!, distance };
  });
  return best;
}

/** Values of the shown load case or combination at a place of a member. */
export function readAt(
  scene: StageScene,
  calculated: Calculated,
  member: number,
  x: number,
): Reading | undefined {
  const field = fieldOf(scene, calculated, member);
  if (!field) return undefined;
  const { frame } = calculated;
  const [ux, , uz] = globalDisplacementAt(frame, field, member, x);
  return {
    member: frame.memberIds[member]!,
    x,
    length: frame.length[member]!,
    section: frame.sections[member]!.title,
    N: forceAt(field, 'N', x),
    V: forceAt(field, 'Vz', x),
    M: forceAt(field, 'My', x),
    ux,
    uz,
    at: pointAt(scene, frame, member, x),
  };
}
