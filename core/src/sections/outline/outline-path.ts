import type { Shape } from '../../model/types.js';
import { edges } from './outline.js';
import { outlineOf } from './outlines.js';

/** A section's boundary as an SVG path, and the box that it fills. */
export interface OutlinePath {
  /** Path data in mm, y downwards, the section's box beginning at the origin; holes by the even-odd rule. */
  readonly path: string;
  /** mm */
  readonly width: number;
  readonly height: number;
}

const mm = (value: number): string => String(Number((1000 * value).toFixed(2)));

/** Draws a section's outline with its fillets and corners, to scale. */
export function outlinePath(shape: Shape): OutlinePath {
  const rings = outlineOf(shape).map((ring) => edges(ring));
  const corners = outlineOf(shape).flat();
  const [left, right] = [Math.min(...corners.map(([y]) => y)), Math.max(...corners.map(([y]) => y))];
  const [bottom, top] = [Math.min(...corners.map(([, z]) => z)), Math.max(...corners.map(([, z]) => z))];
  const at = (y: number, z: number) => `${mm(y - left)} ${mm(top - z)}`;
  const parts: string[] = [];
  for (const ring of rings) {
    ring.forEach((edge, i) => {
      if (edge.kind === 'line') {
        if (i === 0) parts.push(`M${at(edge.y0, edge.z0)}`);
        parts.push(`L${at(edge.y1, edge.z1)}`);
        return;
      }
      const on = (angle: number) => at(edge.y + edge.r * Math.cos(angle), edge.z + edge.r * Math.sin(angle));
      if (i === 0) parts.push(`M${on(edge.from)}`);
      // What turns against the clock with z up does so the other way with y down
      const sweep = edge.sweep > 0 ? 0 : 1;
      parts.push(`A${mm(edge.r)} ${mm(edge.r)} 0 0 ${sweep} ${on(edge.from + edge.sweep)}`);
    });
    parts.push('Z');
  }
  return { path: parts.join(''), width: 1000 * (right - left), height: 1000 * (top - bottom) };
}
