import {
  factorFrame,
  influenceAt,
  influenceLine,
  trainExtremes,
  type InfluenceLine,
  type InfluenceTarget,
  type Prepared,
  type Train,
} from '../../analysis/index.js';
import { fail } from '../../base/problem.js';
import { forceQuantity } from '../../drawing/index.js';
import type { FigureSpec } from '../../document/types.js';
import type { TrainLoad } from '../../model/types.js';
import { forceNames, pointOn, type ForceName } from '../../results/index.js';
import type { QuantityName } from '../../units/quantities.js';
import type { EvaluatedAlternative } from '../alternative.js';
import { figureSourceOf } from '../figures/figure-table.js';
import { componentOf } from '../figures/figure.js';
import { figureKindOf, judging } from '../figures/index.js';

/** What an influence line is asked of: a figure at its worst place, or an internal force at a fraction of a member or of the train's line. */
export type InfluenceReading =
  | { readonly figure: string }
  | { readonly along: number; readonly force: ForceName }
  | { readonly member: string; readonly fraction: number; readonly force: ForceName };

/** A value while a train stands at a place: m along its line, SI. */
export interface AlongLine {
  readonly at: number;
  readonly value: number;
}

/** A force of a train where it stands. */
export interface StandingForce {
  /** N. */
  readonly force: number;
  /** m, global. */
  readonly point: readonly [number, number, number];
  readonly direction: readonly [number, number, number];
}

/** Least and greatest of an internal force while a train travels, at a place m along its line. */
export interface EnvelopePlace {
  readonly at: number;
  readonly least: number;
  readonly greatest: number;
}

/** What a train brings to a reading, by its influence line: first order, all members acting. SI. */
export interface TrainInfluence {
  /** What is read, in words, and where. */
  readonly title: string;
  readonly quantity: QuantityName;
  /** m. */
  readonly length: number;
  /** m behind the first force, and N. */
  readonly train: Train;
  /** Under a force of 1 N at each place. */
  readonly line: readonly AlongLine[];
  /** Under the whole train, by where its first force stands. */
  readonly effect: readonly AlongLine[];
  /** The exact extremes, and where the first force stands then. */
  readonly most: AlongLine;
  readonly least: AlongLine;
  /** Of the bending moment in the members that are travelled; of the force that is read where it is another one. */
  readonly envelope: { readonly force: ForceName; readonly places: readonly EnvelopePlace[] };
}

/** An extreme below this fraction of the other one is none. */
const rounding = 1e-8;
/** Places at which lines are told. */
const placesTold = 160;
/** Places of the envelope on each member that is travelled, both ends among them. */
const placesOnMember = 9;

/** A train of an alternative, with the title of its rule. */
export interface NamedTrain {
  readonly id: string;
  readonly title: string;
}

export const trainsOf = ({ built }: EvaluatedAlternative): NamedTrain[] =>
  (built?.model.trains ?? []).map(({ id }) => {
    const rule = built!.design.rules.find((one) => one.id === id || id.startsWith(`${one.id} `));
    return { id, title: rule?.title ?? id };
  });

/**
 * The influence line of a reading for a train, and what the train comes to on it.
 *
 * @throws ProblemError `unknown-train`, `not-supported`, `no-value`
 */
export function influenceOf(
  of: EvaluatedAlternative,
  train: string,
  reading: InfluenceReading,
): TrainInfluence {
  const { evaluation, built } = of;
  const travelled = built?.model.trains?.find(({ id }) => id === train);
  if (!evaluation || !built || !travelled)
    return fail('unknown-train', 'This alternative has no such train.', { train });
  const { prepared } = evaluation.forces.first();
  const factor = factorFrame(prepared);
  const { target, title, quantity } = targetOf(of, reading, travelled);
  const lineOf = (one: InfluenceTarget) =>
    influenceLine(prepared, factor, one, {
      members: travelled.members.map((id) => ({ id })),
      direction: travelled.direction,
    });
  const line = lineOf(target);
  const forces = asTrain(travelled);
  const length = line.breaks[line.breaks.length - 1]!;
  const [max, min] = cleared(trainExtremes(line, forces));
  const run = length + forces[forces.length - 1]!.behind;
  const force = target.kind === 'force' ? target.name : 'My';
  return {
    title,
    quantity,
    length,
    train: forces,
    line: stations(length).map((at) => ({ at, value: influenceAt(line, at) })),
    effect: stations(run).map((at) => ({ at, value: effectAt(line, forces, at) })),
    most: max,
    least: min,
    envelope: { force, places: envelopeOf(prepared, travelled, forces, force, lineOf) },
  };
}

/** Where the forces of a train stand while its first is `at` m along its line; those beside the line are left out. */
export function standingForces(of: EvaluatedAlternative, train: string, at: number): StandingForce[] {
  const travelled = of.built?.model.trains?.find(({ id }) => id === train);
  const frame = of.evaluation?.forces.frame;
  if (!travelled || !frame) return [];
  return asTrain(travelled).flatMap(({ force, behind }): StandingForce[] => {
    let rest = at - behind;
    if (rest < 0) return [];
    for (const id of travelled.members) {
      const m = frame.memberIndex.get(id)!;
      if (rest <= frame.length[m]!) {
        const [x, y, z] = travelled.direction;
        return [{ force, point: pointOn(frame, m, rest), direction: [x, y, z] }];
      }
      rest -= frame.length[m]!;
    }
    return [];
  });
}

/** Extremes without what rounding leaves where there is nothing. */
function cleared({ max, min }: ReturnType<typeof trainExtremes>): [AlongLine, AlongLine] {
  const size = rounding * Math.max(Math.abs(max.value), Math.abs(min.value));
  const clear = ({ at, value }: AlongLine) => ({ at, value: Math.abs(value) < size ? 0 : value });
  return [clear(max), clear(min)];
}

function asTrain({ forces, gaps }: TrainLoad): Train {
  let behind = 0;
  return forces.map((force, i) => {
    behind += i === 0 ? 0 : gaps[i - 1]!;
    return { force, behind };
  });
}

const stations = (length: number): number[] =>
  Array.from({ length: placesTold + 1 }, (_, i) => (i / placesTold) * length);

const effectAt = (line: InfluenceLine, train: Train, at: number): number =>
  train.reduce((sum, { force, behind }) => sum + force * influenceAt(line, at - behind), 0);

function envelopeOf(
  { frame }: Prepared,
  { members }: TrainLoad,
  train: Train,
  name: ForceName,
  lineOf: (target: InfluenceTarget) => InfluenceLine,
): EnvelopePlace[] {
  let from = 0;
  return members.flatMap((member) => {
    const L = frame.length[frame.memberIndex.get(member)!]!;
    const start = from;
    from += L;
    return Array.from({ length: placesOnMember }, (_, i): EnvelopePlace => {
      const x = (i / (placesOnMember - 1)) * L;
      const { max, min } = trainExtremes(lineOf({ kind: 'force', member, x, name }), train);
      // A train that is elsewhere brings nothing
      return { at: start + x, least: Math.min(0, min.value), greatest: Math.max(0, max.value) };
    });
  });
}

interface Target {
  readonly target: InfluenceTarget;
  readonly title: string;
  readonly quantity: QuantityName;
}

const freedoms = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'];

function targetOf(of: EvaluatedAlternative, reading: InfluenceReading, travelled: TrainLoad): Target {
  if ('along' in reading) {
    const { member, x } = placeAlong(of.evaluation!.forces.frame, travelled, reading.along);
    return forceAt(of, member, x, reading.force);
  }
  if ('member' in reading) {
    const { frame } = of.evaluation!.forces;
    const m = frame.memberIndex.get(reading.member);
    if (m === undefined)
      return fail('no-value', 'This alternative has no such member.', { member: reading.member });
    const x = Math.min(1, Math.max(0, reading.fraction)) * frame.length[m]!;
    return forceAt(of, reading.member, x, reading.force);
  }
  const spec = of.design.figures.find(({ id }) => id === reading.figure);
  if (!spec) return fail('no-value', `The design has no figure "${reading.figure}".`, {});
  return figureTarget(of, spec);
}

/** The place at a fraction of a train's line. */
function placeAlong(
  { length, memberIndex }: Prepared['frame'],
  { members }: TrainLoad,
  fraction: number,
): { readonly member: string; readonly x: number } {
  const lengths = members.map((id) => length[memberIndex.get(id)!]!);
  let rest = Math.min(1, Math.max(0, fraction)) * lengths.reduce((sum, one) => sum + one, 0);
  for (const [i, own] of lengths.entries()) {
    if (rest <= own) return { member: members[i]!, x: rest };
    rest -= own;
  }
  return { member: members[members.length - 1]!, x: lengths[lengths.length - 1]! };
}

function forceAt({ namer, units }: EvaluatedAlternative, member: string, x: number, name: ForceName): Target {
  return {
    target: { kind: 'force', member, x, name },
    title: `${name} in ${namer!.member(member)}, x = ${units.inSentence(x, 'length')}`,
    quantity: forceQuantity(name),
  };
}

/** A figure where it is at its worst. */
function figureTarget(of: EvaluatedAlternative, spec: FigureSpec): Target {
  const source = figureSourceOf(of)!;
  const kind = figureKindOf(spec);
  const found = kind.compute(source, spec, judging(spec, source.forces.selections));
  const component = componentOf(kind, spec);
  if (!found)
    return fail('no-value', `"${spec.title}" has nothing to be read from here.`, { figure: spec.id });
  const name = forceNames.find((one) => one === component);
  if (name && found.member !== undefined && found.x !== undefined)
    return forceAt(of, found.member, found.x, name);
  const freedom = freedoms.indexOf(component);
  if (found.node !== undefined && freedom >= 0 && (spec.kind === 'reaction' || spec.kind === 'displacement'))
    return {
      target: { kind: spec.kind, node: found.node, freedom },
      title: `${spec.title} at ${of.namer!.node(found.node)}`,
      quantity: kind.quantity(spec),
    };
  return fail(
    'not-supported',
    `"${spec.title}" has no influence line: it is neither an internal force, a reaction nor a displacement in one direction.`,
    { figure: spec.id },
  );
}

/** Whether a figure has an influence line. */
export const hasInfluence = (spec: FigureSpec): boolean => {
  const kind = figureKindOf(spec);
  const component = componentOf(kind, spec);
  return (
    ['moment', 'axial', 'shear'].includes(spec.kind) ||
    (['reaction', 'displacement'].includes(spec.kind) && freedoms.includes(component))
  );
};
