import { polynomialAt, type Frame, type MemberField } from '../../analysis/index.js';
import { forceAt, forceNames, pointOn, type ForceName, type NamedField } from '../../results/index.js';
import { times } from '../../geometry/vector.js';
import type { QuantityName } from '../../units/quantities.js';
import type { Colour, LayerPen, OrdinateAxis } from '../drawing.js';
import { axisOf, stationsAlong } from '../places.js';
import type { ShownContext } from '../shown/shown.js';
import { linesOf, toldOnce, valuesOfMember } from './diagram-values.js';

interface Style {
  /** Local axis along which ordinates stand, and their sign. */
  readonly axis: 1 | 2;
  readonly sign: 1 | -1;
  readonly positive: Colour;
  readonly negative: Colour;
  readonly quantity: QuantityName;
}

/** Moments stand on the side in tension: My > 0 on the −z side, Mz > 0 on the −y side. */
const styles: Readonly<Record<ForceName, Style>> = {
  N: { axis: 2, sign: 1, positive: 'indigo', negative: 'vermilion', quantity: 'force' },
  Vz: { axis: 2, sign: 1, positive: 'teal', negative: 'teal', quantity: 'force' },
  Vy: { axis: 1, sign: 1, positive: 'teal', negative: 'teal', quantity: 'force' },
  T: { axis: 2, sign: 1, positive: 'plum', negative: 'plum', quantity: 'moment' },
  My: { axis: 2, sign: -1, positive: 'plum', negative: 'plum', quantity: 'moment' },
  Mz: { axis: 1, sign: -1, positive: 'plum', negative: 'plum', quantity: 'moment' },
};

/** Kind of quantity of an internal force. */
export const forceQuantity = (name: ForceName): QuantityName => styles[name].quantity;

/** How far a drawn curve may leave the exact one, as a share of the greatest ordinate: about a px, of many small curves a little more. */
const trueTo = (members: number) => (members > 400 ? 0.016 : 0.008);

/** Parts into which a curve is divided at the least and at the most, so that it stays true: N's hatch needs its ordinates. */
const fewest: Readonly<Record<ForceName, number>> = { N: 8, Vy: 1, Vz: 1, T: 1, My: 1, Mz: 1 };
const finest = 24;
/** Parts of an envelope's curves. */
const envelopeParts = 16;

/** A force on one segment of a member: a polynomial of the distance from the segment's start, N or N·m. */
interface ForceOnSegment {
  readonly coefficients: Float64Array;
  readonly at: number;
  readonly terms: number;
  /** m */
  readonly width: number;
}

/**
 * Parts of a segment's curve.
 *
 * @param away how far the curve may leave the exact one, N or N·m
 */
function partsOf({ coefficients, at, terms, width }: ForceOnSegment, away: number): number {
  const first = coefficients[at]!;
  const rise = polynomialAt(coefficients, at, terms, width) - first;
  let sagitta = 0;
  for (const share of quarters) {
    const value = polynomialAt(coefficients, at, terms, share * width);
    sagitta = Math.max(sagitta, Math.abs(value - first - share * rise));
  }
  return Math.min(finest, Math.ceil(Math.sqrt(sagitta / away)));
}

const quarters = [0.25, 0.5, 0.75];

/** The greatest magnitude of a force in every member, and in all of them; N or N·m. */
export interface Peaks {
  readonly ofMember: Float64Array;
  readonly most: number;
}

type DiagramContext = Pick<ShownContext, 'pen' | 'frame' | 'namer' | 'shown' | 'source' | 'units'>;

/**
 * Draws an internal force along the members: exact functions, ordinates square to the member, values where they are extreme. Of several
 * fields two curves are drawn, of the greatest and of the least value at every place.
 */
export function drawDiagram(
  context: DiagramContext,
  fieldsOf: (member: number) => readonly NamedField[],
  name: ForceName,
  peaks: Peaks,
): void {
  const { pen, frame, shown } = context;
  const style = styles[name];
  const { most } = peaks;
  if (most === 0) return;
  const away = trueTo(frame.memberIds.length) * most;
  const look = lookOf(style);
  const axis = new MemberAxis();
  const curve = new Curve();
  for (let m = 0; m < frame.memberIds.length; m++) {
    if (!shown(m) || peaks.ofMember[m]! < 1e-6 * most) continue;
    const fields = fieldsOf(m);
    axis.along(frame, m, style);
    if (fields.length === 1) {
      traceCurve(fields[0]!.field, name, away, curve);
      drawCurve(pen.on('diagram'), { axis, look }, curve);
    } else
      for (const better of [Math.max, Math.min]) {
        traceEnvelope(fields, name, better, curve);
        drawCurve(pen.on('diagram'), { axis, look }, curve);
      }
  }
  tellValues(context, fieldsOf, name, peaks);
}

/** Lines of which values are looked for: of more only those with the greatest peaks. */
const mostLines = 80;

/** Writes values where they are extreme. */
function tellValues(
  { pen, frame, namer, shown, source, units }: DiagramContext,
  fieldsOf: (member: number) => readonly NamedField[],
  name: ForceName,
  { ofMember, most }: Peaks,
): void {
  const style = styles[name];
  const members = source.built.geometry.members;
  const peakOf = (pieces: readonly number[]) => Math.max(...pieces.map((m) => ofMember[m]!));
  const lines = linesOf(frame, (id) => members.get(id))
    .map((pieces) => pieces.filter(shown))
    .filter((pieces) => pieces.length > 0)
    .sort((a, b) => peakOf(b) - peakOf(a))
    .slice(0, mostLines);
  const values = lines.flatMap((pieces) => valuesOfMember(pieces, fieldsOf, name, most));
  const told = toldOnce(frame, values, (value) => units.withUnit(value, style.quantity));
  told.forEach(({ m, x, value, id, text, places, governs }, rank) => {
    const at = pointOn(frame, m, x);
    const others = places.slice(1).map((one) => namer.member(frame.memberIds[one.m]!));
    pen.text({
      key: `${name} ${frame.memberIds[m]!} ${x.toFixed(3)} ${value < 0 ? '-' : '+'}`,
      text,
      at,
      shift: times(axisOf(frame, m, style.axis), style.sign * value),
      scale: 'diagram',
      from: at,
      tone: value >= 0 ? style.positive : style.negative,
      layer: 'diagram',
      priority: (governs ? 9 : 6) - rank / told.length,
      governs,
      title: `${name} = ${units.exact(value, style.quantity)} at x = ${units.inSentence(x, 'length', 4)} of ${units.inSentence(frame.length[m]!, 'length', 4)}, ${namer.member(frame.memberIds[m]!)}, ${id}${others.length > 0 ? `; the same in ${[...new Set(others)].join(', ')}` : ''}`,
    });
  });
}

/** A member's axis with ordinates along one of its local axes, for one member after the other. */
class MemberAxis implements OrdinateAxis {
  readonly origin = new Float64Array(3);
  readonly direction = new Float64Array(3);
  readonly up = new Float64Array(3);

  along(frame: Frame, m: number, { axis, sign }: Pick<Style, 'axis' | 'sign'>): void {
    this.origin.set(pointOn(frame, m, 0));
    for (let k = 0; k < 3; k++) {
      this.direction[k] = frame.axes[9 * m + k]!;
      this.up[k] = sign * frame.axes[9 * m + 3 * axis + k]!;
    }
  }
}

/** A curve along a member, for one after the other: where the force jumps it has both values, where its sign changes a zero. */
class Curve {
  /** x and value by turns, m and N or N·m. */
  values = new Float64Array(64);
  /** Of the values, how many are the curve's. */
  length = 0;

  add(x: number, value: number): void {
    const { values, length } = this;
    const before = values[length - 1]!;
    if (length > 0 && before * value < 0) {
      const from = values[length - 2]!;
      this.put(from + ((x - from) * before) / (before - value), 0);
    }
    this.put(x, value);
  }

  private put(x: number, value: number): void {
    if (this.length + 2 > this.values.length) {
      const more = new Float64Array(2 * this.values.length);
      more.set(this.values);
      this.values = more;
    }
    this.values[this.length++] = x;
    this.values[this.length++] = value;
  }
}

function traceCurve(field: MemberField, name: ForceName, away: number, curve: Curve): void {
  const { breaks, forces, forceTerms: terms } = field;
  const force = terms * forceNames.indexOf(name);
  const share = fewest[name] / breaks.at(-1)!;
  curve.length = 0;
  for (let s = 0; s + 1 < breaks.length; s++) {
    const from = breaks[s]!;
    const at = 6 * terms * s + force;
    const width = breaks[s + 1]! - from;
    const parts = Math.max(
      Math.ceil(share * width),
      partsOf({ coefficients: forces, at, terms, width }, away),
    );
    for (let k = 0; k < parts; k++) {
      const t = (k * width) / parts;
      curve.add(from + t, polynomialAt(forces, at, terms, t));
    }
    curve.add(breaks[s + 1]!, polynomialAt(forces, at, terms, width));
  }
}

/** The greatest, or the least, of several fields at every station; where they jump on either side. */
function traceEnvelope(
  fields: readonly NamedField[],
  name: ForceName,
  better: (a: number, b: number) => number,
  curve: Curve,
): void {
  const breaks = new Set(fields.flatMap(({ field }) => [...field.breaks]));
  const all = new Set(fields.flatMap(({ field }) => stationsAlong(field, envelopeParts)));
  const stations = [...all].sort((a, b) => a - b);
  const last = stations.at(-1)!;
  const value = (x: number, before: boolean) =>
    fields.map(({ field }) => forceAt(field, name, x, before)).reduce((a, b) => better(a, b));
  curve.length = 0;
  for (const x of stations) {
    if (x === last || (breaks.has(x) && x > 0)) curve.add(x, value(x, true));
    if (x !== last) curve.add(x, value(x, false));
  }
}

const strokesOf = (colour: Colour) => ({
  curve: { colour, scale: 'diagram', width: 1.5, fill: 0.13 } as const,
  hatch: { colour, scale: 'diagram', width: 0.8 } as const,
  end: { colour, scale: 'diagram', width: 1 } as const,
});

/** Strokes of what is positive and negative. */
interface Look {
  readonly positive: ReturnType<typeof strokesOf>;
  readonly negative: ReturnType<typeof strokesOf>;
}

function lookOf({ positive, negative }: Style): Look {
  const strokes = strokesOf(positive);
  return { positive: strokes, negative: negative === positive ? strokes : strokesOf(negative) };
}

/** A member along which curves are drawn: its axis with the direction of its ordinates, and their strokes. */
interface CurveLine {
  readonly axis: OrdinateAxis;
  readonly look: Look;
}

/** The curve itself with the area between it and the axis, and thin ordinates. */
function drawCurve(pen: LayerPen, { axis, look }: CurveLine, { values, length }: Curve): void {
  const { positive, negative } = look;
  const signed = positive !== negative;
  pen.ordinate(axis, values[0]!, values[1]!, (values[1]! >= 0 ? positive : negative).end);
  for (let i = 0; i + 2 < length; i += 2) {
    const p = values[i + 1]!;
    pen.ordinates(axis, values, i, (p + values[i + 3]! >= 0 ? positive : negative).curve);
    // Compression is hatched, so that the sign is not told by colour alone
    if (signed && p < 0) pen.ordinate(axis, values[i]!, p, negative.hatch);
  }
  const last = values[length - 1]!;
  pen.ordinate(axis, values[length - 2]!, last, (last >= 0 ? positive : negative).end);
}
