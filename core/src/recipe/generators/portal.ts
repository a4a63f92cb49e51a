import { fail } from '../../problem.js';
import { evaluateQuantity, type Scope } from '../evaluate.js';
import type { Dimension, Geometry, GeometryMember, GeometryNode } from '../geometry.js';
import type { PortalStep } from '../types.js';

const mostBays = 40;

/**
 * Portal frames in the X–Z plane, one or several bays, from x = 0 to the right, bases at z = 0.
 *
 * - `flat`: a beam over each bay at eaves height.
 * - `mono`: one slope that rises from the left eaves to the right end over all bays.
 * - `duo`: each bay has a ridge at its middle; inner columns stand under valleys.
 *
 * Columns run upwards, rafters left to right. Names: `shed.column.left`, `shed.column.valley.1`, `shed.rafter.left`,
 * `shed.rafter.B2.left`, `shed.apex`, `shed.apex.B2`.
 *
 * @throws ProblemError `geometry` for widths and heights that are not positive, slopes of 90° or more, too many bays
 */
export function portal(step: PortalStep, scope: Scope): Geometry {
  const at = (field: string) => ({ what: `step "${step.id}", ${field}`, where: { step: step.id, field } });
  if (step.bays.length === 0 || step.bays.length > mostBays)
    fail('geometry', `Step "${step.id}" needs 1 to ${mostBays} bays; it has ${step.bays.length}.`, {
      step: step.id,
      field: 'bays',
    });
  const widths = step.bays.map((text, i) =>
    positive(
      evaluateQuantity(text, scope, 'length', at(`width of bay ${i + 1}`)),
      step,
      `width of bay ${i + 1}`,
    ),
  );
  const eaves = positive(
    evaluateQuantity(step.eaves, scope, 'length', at('eaves height')),
    step,
    'eaves height',
  );
  const pitch = step.roof === 'flat' ? 0 : slopeOf(step, scope);
  return step.roof === 'duo' ? duoPitch(step, widths, eaves, pitch) : singleSlope(step, widths, eaves, pitch);
}

function positive(value: number, step: PortalStep, field: string): number {
  if (value <= 1e-6)
    fail(
      'geometry',
      `Step "${step.id}": the ${field} is ${value.toPrecision(3)} m; it must be greater than zero.`,
      { step: step.id, field },
    );
  return value;
}

function slopeOf(step: PortalStep, scope: Scope): number {
  const field = 'pitch';
  if (step.pitch === undefined)
    return fail(
      'geometry',
      `Step "${step.id}" has a sloping roof but no pitch; give one or make the roof flat.`,
      { step: step.id, field },
    );
  const pitch = evaluateQuantity(step.pitch, scope, 'angle', {
    what: `step "${step.id}", roof pitch`,
    where: { step: step.id, field },
  });
  if (pitch < 0 || pitch >= Math.PI * 0.45)
    fail(
      'geometry',
      `Step "${step.id}": a roof pitch of ${((pitch * 180) / Math.PI).toPrecision(3)}° is outside 0° to 80°.`,
      { step: step.id, field },
    );
  return pitch;
}

/** Column lines from left to right: x, and the name of the line. */
function columnLines(
  widths: readonly number[],
): { x: number; name: string; side: 'left' | 'right' | 'middle' }[] {
  let x = 0;
  return [0, ...widths].map((width, i) => {
    x += width;
    if (i === 0) return { x, name: 'left', side: 'left' };
    return i === widths.length
      ? { x, name: 'right', side: 'right' }
      : { x, name: `valley.${i}`, side: 'middle' };
  });
}

const inBay = (bay: number) => (bay === 1 ? '' : `B${bay}.`);

function columns(step: PortalStep, widths: readonly number[], top: (x: number) => number) {
  const nodes: GeometryNode[] = [];
  const members: GeometryMember[] = [];
  columnLines(widths).forEach(({ x, name, side }, i) => {
    const common = { step: step.id, bay: Math.max(1, i), side };
    const base = `${step.id}.base.${name}`;
    const inner = side === 'middle';
    const head = `${step.id}.${inner ? '' : 'eaves.'}${name}`;
    nodes.push({ ...common, id: base, place: 'base', x, y: 0, z: 0 });
    nodes.push({ ...common, id: head, place: inner ? 'valley' : 'eaves', x, y: 0, z: top(x) });
    members.push({ ...common, id: `${step.id}.column.${name}`, role: 'column', start: base, end: head });
  });
  return { nodes, members, heads: nodes.filter((node) => node.place !== 'base') };
}

function singleSlope(step: PortalStep, widths: readonly number[], eaves: number, pitch: number): Geometry {
  const rise = Math.tan(pitch);
  const { nodes, members, heads } = columns(step, widths, (x) => eaves + x * rise);
  widths.forEach((_, i) => {
    const bay = i + 1;
    members.push({
      id: `${step.id}.rafter.${inBay(bay)}span`,
      step: step.id,
      role: 'rafter',
      bay,
      side: 'middle',
      start: heads[i]!.id,
      end: heads[i + 1]!.id,
    });
  });
  return { nodes, members, dimensions: dimensions(step, widths, eaves, pitch) };
}

function duoPitch(step: PortalStep, widths: readonly number[], eaves: number, pitch: number): Geometry {
  const { nodes, members, heads } = columns(step, widths, () => eaves);
  widths.forEach((width, i) => {
    const bay = i + 1;
    const left = heads[i]!;
    const apex: GeometryNode = {
      id: `${step.id}.apex${bay === 1 ? '' : `.B${bay}`}`,
      step: step.id,
      place: 'apex',
      bay,
      side: 'middle',
      x: left.x + width / 2,
      y: 0,
      z: eaves + (width / 2) * Math.tan(pitch),
    };
    nodes.push(apex);
    const rafter = (side: 'left' | 'right', start: string, end: string): GeometryMember => ({
      id: `${step.id}.rafter.${inBay(bay)}${side}`,
      step: step.id,
      role: 'rafter',
      bay,
      side,
      start,
      end,
    });
    members.push(rafter('left', left.id, apex.id), rafter('right', apex.id, heads[i + 1]!.id));
  });
  return { nodes, members, dimensions: dimensions(step, widths, eaves, pitch) };
}

function dimensions(step: PortalStep, widths: readonly number[], eaves: number, pitch: number): Dimension[] {
  const lines = columnLines(widths);
  const out: Dimension[] = widths.map((width, i) => ({
    id: `${step.id}.bay.${i + 1}`,
    from: [lines[i]!.x, 0],
    to: [lines[i + 1]!.x, 0],
    kind: 'span',
    value: width,
    expression: step.bays[i]!,
  }));
  out.push({
    id: `${step.id}.eaves`,
    from: [0, 0],
    to: [0, eaves],
    kind: 'height',
    value: eaves,
    expression: step.eaves,
  });
  if (step.roof !== 'flat' && step.pitch !== undefined)
    out.push({
      id: `${step.id}.pitch`,
      from: [0, eaves],
      to: [widths[0]! / (step.roof === 'duo' ? 2 : 1), eaves],
      kind: 'slope',
      value: pitch,
      expression: step.pitch,
    });
  return out;
}
