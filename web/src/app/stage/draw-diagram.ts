import {
  forceAt,
  forceCandidates,
  formatExact,
  formatWithUnit,
  type ForceName,
  type MemberField,
  type PlacedValue,
} from '@hashira/core';
import type { Colour } from './colours';
import { fieldOf, pointAt, stationsAlong } from './member-lines';
import type { Pen, Point } from './pen';
import type { DiagramKind, StageLabel, StageScene } from './scene';

/** What a diagram draws: which force, which way, in which colour. */
interface DiagramStyle {
  readonly force: ForceName;
  /** Offset along local z for a positive value: −1 puts My on its tension side. */
  readonly side: 1 | -1;
  readonly positive: Colour;
  readonly negative: Colour;
  readonly quantity: 'force' | 'moment';
}

const styles: Record<Exclude<DiagramKind, 'none'>, DiagramStyle> = {
  N: { force: 'N', side: 1, positive: 'indigo', negative: 'vermilion', quantity: 'force' },
  V: { force: 'Vz', side: 1, positive: 'teal', negative: 'teal', quantity: 'force' },
  M: { force: 'My', side: -1, positive: 'plum', negative: 'plum', quantity: 'moment' },
};

/** Internal force that a diagram shows. */
export function forceOf(kind: Exclude<DiagramKind, 'none'>): ForceName {
  return styles[kind].force;
}

/** Draws N, V or M on every member, with values at ends and extremes; M on the tension side. */
export function drawDiagram(pen: Pen, scene: StageScene, labels: StageLabel[]): void {
  const { calculated, layers } = scene;
  if (!calculated || layers.diagram === 'none') return;
  const style = styles[layers.diagram];
  calculated.frame.memberIds.forEach((id, m) => {
    const field = fieldOf(scene, calculated, m);
    if (!field) return;
    drawMember(pen, scene, style, field, m);
    if (!scene.thumbnail) labelMember(scene, style, field, m, id, labels);
  });
}

function drawMember(pen: Pen, scene: StageScene, style: DiagramStyle, field: MemberField, m: number): void {
  const { frame } = scene.calculated!;
  const offset = style.side * scene.scales.diagram;
  const axis = (x: number) => pointAt(scene, frame, m, x);
  const curve = (x: number, value: number) => pointAt(scene, frame, m, x, value * offset);
  const values = ordinates(scene, style, field);
  for (let i = 0; i + 1 < values.length; i++) {
    const a = values[i]!;
    const b = values[i + 1]!;
    const colour = a.value + b.value >= 0 ? style.positive : style.negative;
    const pa = curve(a.x, a.value);
    const pb = curve(b.x, b.value);
    if (a.value * b.value >= 0) pen.area([axis(a.x), axis(b.x), pb, pa], colour, 0.09);
    pen.line([pa, pb], colour, scene.thumbnail ? 1 : 1.5);
  }
  const first = values[0]!;
  const last = values[values.length - 1]!;
  for (const { x, value } of [first, last])
    pen.line(
      [axis(x), curve(x, value)],
      value >= 0 ? style.positive : style.negative,
      scene.thumbnail ? 0.8 : 1.2,
    );
  if (!scene.thumbnail) hatch(pen, scene, style, field, m);
}

/** Values along the member, with both at a jump. */
function ordinates(
  scene: StageScene,
  style: DiagramStyle,
  field: MemberField,
): { x: number; value: number }[] {
  return stationsAlong(scene, field).flatMap((x) => {
    const after = forceAt(field, style.force, x);
    const before = forceAt(field, style.force, x, true);
    return Math.abs(after - before) > 1e-9 * Math.max(Math.abs(after), Math.abs(before))
      ? [
          { x, value: before },
          { x, value: after },
        ]
      : [{ x, value: after }];
  });
}

/** Thin ordinates square to the member, so that the diagram reads in print without colour. */
function hatch(pen: Pen, scene: StageScene, style: DiagramStyle, field: MemberField, m: number): void {
  const { frame } = scene.calculated!;
  const length = frame.length[m]!;
  const count = Math.floor((length * scene.camera.scale) / 11);
  for (let i = 1; i < count; i++) {
    const x = (length * i) / count;
    const value = forceAt(field, style.force, x);
    const colour = value >= 0 ? style.positive : style.negative;
    const from = pointAt(scene, frame, m, x);
    pen.line(
      [from, pointAt(scene, frame, m, x, style.side * value * scene.scales.diagram)],
      colour,
      0.8,
      0.4,
    );
  }
}

function labelMember(
  scene: StageScene,
  style: DiagramStyle,
  field: MemberField,
  m: number,
  id: string,
  labels: StageLabel[],
): void {
  const { frame } = scene.calculated!;
  const length = frame.length[m]!;
  const all = forceCandidates(field, style.force);
  const size = Math.max(...all.map((c) => Math.abs(c.value)));
  if (size * scene.scales.diagram * scene.camera.scale < 1) return;
  const max = all.reduce((a, b) => (b.value > a.value ? b : a));
  const min = all.reduce((a, b) => (b.value < a.value ? b : a));
  // An end says nothing new where an extreme of nearly the same size stands beside it
  const nearExtreme = (end: PlacedValue) =>
    [max, min].some(
      (extreme) =>
        extreme.x !== end.x &&
        Math.abs(extreme.x - end.x) * scene.camera.scale < 90 &&
        Math.abs(extreme.value - end.value) < 0.08 * Math.abs(extreme.value),
    );
  const ends = [all[0]!, all[all.length - 1]!].filter((end) => !nearExtreme(end));
  // A small frame has room for its extremes only
  const chosen = new Set(scene.camera.scale < 8 ? [max, min] : [...ends, max, min]);
  let index = 0;
  for (const { x, value } of chosen) {
    if (Math.abs(value) < 5e-3 * size) continue;
    const tip = pointAt(scene, frame, m, x, style.side * value * scene.scales.diagram);
    const foot = pointAt(scene, frame, m, x);
    const extreme = Math.abs(value) >= size * (1 - 1e-9);
    labels.push({
      key: `${style.force} ${id} ${index++}`,
      // M stands on its tension side, which says more than a sign that turns with the member's direction
      text: formatWithUnit(style.force === 'My' ? Math.abs(value) : value, style.quantity),
      ...beyond(foot, tip),
      tone: tone(value >= 0 ? style.positive : style.negative),
      priority: extreme ? 9 : 6,
      title: `${style.force} = ${formatExact(value, style.quantity)} at x = ${x.toFixed(3)} m of ${length.toFixed(3)} m, ${id}`,
    });
  }
}

/** A place for text beyond the end of an ordinate. */
function beyond(foot: Point, tip: Point): { at: Point; align: StageLabel['align'] } {
  const dx = tip[0] - foot[0];
  const dy = tip[1] - foot[1];
  const length = Math.hypot(dx, dy) || 1;
  const at: Point = [tip[0] + (dx / length) * 8, tip[1] + (dy / length) * 10];
  if (Math.abs(dx) < 0.6 * length) return { at, align: 'middle' };
  return { at, align: dx > 0 ? 'left' : 'right' };
}

function tone(colour: Colour): StageLabel['tone'] {
  return colour === 'indigo' || colour === 'vermilion' || colour === 'teal' ? colour : 'plum';
}
