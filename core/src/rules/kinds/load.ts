import { fail } from '../../base/problem.js';
import type { Design, Rule } from '../../document/types.js';
import {
  byKind,
  byTags,
  custom,
  loadCase,
  option,
  optional,
  ways,
  type Evaluated,
  type Field,
  type Fields,
} from '../../fields/index.js';
import { expression, freedoms, vector } from '../../fields/schemas.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { distance } from '../../geometry/vector.js';
import {
  positionProgram,
  quantityProgram,
  type Position,
  type WithTags,
  type Written,
} from '../../language/evaluate.js';
import type { Freedom, Vector } from '../../model/types.js';
import { fieldOf, memberRule, nodeRule, type Matched, type RuleContext } from '../rule.js';
import { listWords } from '../words.js';
import { forceField, forceWords, type VectorOf } from './force-field.js';

declare module '../../document/types.js' {
  interface Rule {
    load?: LoadRule;
  }
}

/** The load case that a new load goes into: the first that is not permanent, else the first. */
export const caseFor = ({ loadCases }: Pick<Design, 'loadCases'>): string =>
  (loadCases.find(({ category }) => category !== 'permanent') ?? loadCases[0])?.id ?? '';

/** @throws ProblemError when the load case is not one of the design's */
export function checkCase(loadCase: string, context: RuleContext): void {
  if (!context.loadCases.has(loadCase))
    fail(
      'unknown-name',
      `${context.place.what} loads the case "${loadCase}", which does not exist; add it or name another.`.replace(
        /^./,
        (c) => c.toUpperCase(),
      ),
      {
        ...context.place.where,
        case: loadCase,
      },
    );
}

/** A matched piece and where it lies on its physical member, m. */
interface PlacedPiece {
  readonly member: GeometryMember;
  readonly matched: Matched<GeometryMember>;
  readonly from: number;
  readonly to: number;
  /** Length of the physical member. */
  readonly whole: number;
}

function placedPieces(matched: readonly Matched<GeometryMember>[], { geometry }: RuleContext): PlacedPiece[] {
  const starts = new Map<string, { from: number; to: number; whole: number }>();
  const lengthOf = ({ start, end }: GeometryMember) =>
    distance(geometry.nodes.get(start)!.at, geometry.nodes.get(end)!.at);
  return matched.map((one) => {
    const { thing } = one;
    let found = starts.get(thing.id);
    if (!found) {
      let x = 0;
      const pieces = geometry.lines.get(thing.line)!.members.map((id) => geometry.members.get(id)!);
      const whole = pieces.reduce((sum, piece) => sum + lengthOf(piece), 0);
      for (const piece of pieces) {
        const to = x + lengthOf(piece);
        starts.set(piece.id, { from: x, to, whole });
        x = to;
      }
      found = starts.get(thing.id)!;
    }
    return { member: thing, matched: one, from: found.from, to: found.to, whole: found.whole };
  });
}

/** Distance from the start of a physical member, m. @throws ProblemError outside it */
function distanceOf(position: Position, whole: number, context: RuleContext, field: string): number {
  const x = 'fraction' in position ? position.fraction * whole : position.distance;
  if (x < -1e-6 || x > whole * (1 + 1e-9) + 1e-6) {
    const place = fieldOf(context, field);
    fail(
      'out-of-range',
      `${place.what}: ${x.toFixed(3)} m lies outside the member of ${whole.toFixed(3)} m; give a place on it.`.replace(
        /^./,
        (c) => c.toUpperCase(),
      ),
      place.where,
    );
  }
  return Math.min(Math.max(x, 0), whole);
}

const momentField: Field<VectorOf> = custom(
  { title: 'moment x, y, z' },
  vector,
  (written, context, place) => {
    const parts = (written as Written[]).map((item) =>
      quantityProgram(item, { ...context, tags: true }, 'moment', place),
    );
    return (one) => parts.map((part) => part(one)) as Vector;
  },
  { kind: 'list', quantity: '', as: 'list' },
);

/** A place on a physical member: a fraction of it or a length from its start. */
const placeOn = (title: string): Field<PositionProgram> =>
  custom(
    { title },
    expression,
    (written, context, place) => positionProgram(written as Written, { ...context, tags: true }, place),
    { kind: 'quantity', quantity: '', of: 'members' },
  );
type PositionProgram = ReturnType<typeof positionProgram>;

/** A load that is the same all along, or its values at both ends. */
const lineLoadOf = ways<readonly ((one: WithTags) => number)[]>(
  [
    {
      label: 'the same all along',
      start: '-1 kN/m',
      is: (written) => !Array.isArray(written),
      schema: expression,
      field: byTags('lineLoad', { title: '' }),
    },
    {
      label: 'from end to end',
      start: ['-1 kN/m', '-1 kN/m'],
      is: Array.isArray,
      schema: { type: 'array', items: expression, minItems: 2, maxItems: 2 },
      field: custom({ title: '' }, {}, (written) => written, {
        kind: 'list',
        quantity: 'lineLoad',
        as: 'list',
      }),
    },
  ],
  { title: 'load', initial: '-1 kN/m' },
  (written, context, place) => {
    const [a, b] = (Array.isArray(written) ? written : [written, written]) as [Written, Written];
    const read = (one: Written) => quantityProgram(one, { ...context, tags: true }, 'lineLoad', place);
    return a === b ? [read(a), read(a)] : [read(a), read(b)];
  },
);

const axes = optional(option(['global', 'local'], { title: 'axes' }));

const lineFields = {
  axes,
  direction: option(['x', 'y', 'z'], { title: 'along', initial: 'z' }),
  q: lineLoadOf,
  from: optional(placeOn('from')),
  to: optional(placeOn('to')),
  per: optional(option(['length', 'projected'], { title: 'per length of' })),
};
const pointFields = {
  at: { ...placeOn('at'), initial: '1/2' },
  axes,
  F: optional(forceField),
  M: optional(momentField),
};
const temperatureFields = {
  uniform: { ...optional(byTags('temperature', { title: 'uniform' })), initial: '20 K' },
  gradientY: optional(byTags('temperatureGradient', { title: 'gradient y' })),
  gradientZ: optional(byTags('temperatureGradient', { title: 'gradient z' })),
};

/** What is given of the fields of a load. */
type Given<F extends Fields> = Evaluated<F> & { readonly case: string };
type OnMembers = readonly Matched<GeometryMember>[];

function applyLine(given: Given<typeof lineFields>, matched: OnMembers, context: RuleContext): void {
  const [q0, q1] = given.q as [(one: WithTags) => number, (one: WithTags) => number];
  const { from = () => ({ fraction: 0 }), to = () => ({ fraction: 1 }) } = given;
  for (const piece of placedPieces(matched, context)) {
    const start = distanceOf(from(piece.matched), piece.whole, context, 'from');
    const end = distanceOf(to(piece.matched), piece.whole, context, 'to');
    if (end - start < 1e-9) {
      const place = fieldOf(context, 'to');
      fail(
        'out-of-range',
        `In ${place.what}: the load ends before it begins; "to" must be greater than "from".`,
        place.where,
      );
    }
    const [low, high] = [Math.max(start, piece.from), Math.min(end, piece.to)];
    if (high - low < 1e-9 * piece.whole) continue;
    const [first, last] = [q0(piece.matched), q1(piece.matched)];
    const q = (x: number) => first + ((last - first) * (x - start)) / (end - start);
    const fraction = (x: number) => Math.min(1, Math.max(0, (x - piece.from) / (piece.to - piece.from)));
    const span =
      low === piece.from && high === piece.to
        ? { from: 0, to: 1 }
        : { from: fraction(low), to: fraction(high) };
    context.assignment.addLoad(given.case, {
      kind: 'distributed',
      member: piece.member.id,
      axes: given.axes ?? 'global',
      direction: given.direction,
      q: [q(low), q(high)],
      ...span,
      per: given.per ?? 'length',
    });
    context.assignment.creditAdded(piece.member.id, 'load', context.rule.id);
  }
}

function applyPoint(given: Given<typeof pointFields>, matched: OnMembers, context: RuleContext): void {
  const { at, F, M } = given;
  for (const piece of placedPieces(matched, context)) {
    const x = distanceOf(at(piece.matched), piece.whole, context, 'at');
    // Between two pieces it belongs to the first
    const behind = piece.from === 0 ? x >= 0 : x > piece.from + 1e-9;
    if (!behind || x > piece.to + 1e-9) continue;
    context.assignment.addLoad(given.case, {
      kind: 'point',
      member: piece.member.id,
      at: Math.min(1, Math.max(0, (x - piece.from) / (piece.to - piece.from))),
      axes: given.axes ?? 'global',
      ...(F ? { F: F(piece.matched) } : {}),
      ...(M ? { M: M(piece.matched) } : {}),
    });
    context.assignment.creditAdded(piece.member.id, 'load', context.rule.id);
  }
}

function applyTemperature(
  given: Given<typeof temperatureFields>,
  matched: OnMembers,
  { assignment, rule }: RuleContext,
): void {
  const none = () => 0;
  const { uniform = none, gradientY = none, gradientZ = none } = given;
  for (const one of matched) {
    assignment.addLoad(given.case, {
      kind: 'temperature',
      member: one.thing.id,
      uniform: uniform(one),
      gradientY: gradientY(one),
      gradientZ: gradientZ(one),
    });
    assignment.creditAdded(one.thing.id, 'load', rule.id);
  }
}

/** "−4 kN/m along z in S", "point 0 kN, 0 kN, −1 kN in Q". */
function loadWords({ load }: Rule): string {
  const { case: inCase, kind = 'line', ...rest } = load!;
  const given = 'q' in rest ? rest.q : 'F' in rest && rest.F ? rest.F : rest;
  const along = 'direction' in rest ? ` along ${rest.direction}` : '';
  const isSized = typeof given === 'object' && 'size' in given;
  const words = isSized ? forceWords(given) : listWords(given);
  return `${kind === 'line' ? '' : `${kind} `}${words}${along} in ${inCase}`;
}

const common = { case: loadCase({ title: 'load case' }) };

/** Loads on physical members: line, point, temperature, pretension. */
export const memberLoad = memberRule({
  key: 'load',
  title: 'Load on members',
  words: loadWords,
  gives: 'loads',
  initial: (design) => ({ load: { case: caseFor(design), direction: 'z', q: '-1 kN/m' } }),
  fields: {
    load: byKind(
      common,
      {
        line: lineFields,
        point: pointFields,
        temperature: temperatureFields,
        pretension: { force: byTags('force', { title: 'force', initial: '10 kN' }) },
      },
      { title: 'kind', firstByDefault: true },
    ),
  },
  apply({ load }, matched, context) {
    const { assignment, rule } = context;
    checkCase(load.case, context);
    switch (load.kind) {
      case 'line':
        applyLine(load, matched, context);
        return;
      case 'point':
        applyPoint(load, matched, context);
        return;
      case 'temperature':
        applyTemperature(load, matched, context);
        return;
      case 'pretension':
        for (const one of matched) {
          const { id } = one.thing;
          assignment.addLoad(load.case, { kind: 'pretension', member: id, force: load.force(one) });
          assignment.creditAdded(id, 'load', rule.id);
        }
    }
  },
});

const movements = Object.fromEntries(
  freedoms.map((name) => [
    name,
    {
      ...optional(byTags(name.startsWith('u') ? 'length' : 'angle', { title: name, of: 'nodes' })),
      ...(name === 'uz' ? { initial: '-10 mm' } : {}),
    },
  ]),
) as Record<Freedom, Field<((one: WithTags) => number) | undefined>>;

/** Forces, moments and settlements at nodes. */
export const nodeLoad = nodeRule({
  key: 'load',
  title: 'Load on nodes',
  words: loadWords,
  gives: 'loads',
  initial: (design) => ({ load: { case: caseFor(design), kind: 'node', F: ['0 kN', '0 kN', '-1 kN'] } }),
  fields: {
    load: byKind(
      common,
      {
        node: {
          F: optional(forceField),
          M: optional(momentField),
        },
        settlement: movements,
      },
      { title: 'kind' },
    ),
  },
  apply({ load }, matched, context) {
    const { assignment, rule } = context;
    checkCase(load.case, context);
    for (const one of matched) {
      const { id } = one.thing;
      if (load.kind === 'node') {
        const { F, M } = load;
        assignment.addLoad(load.case, {
          kind: 'node',
          node: id,
          ...(F ? { F: F(one) } : {}),
          ...(M ? { M: M(one) } : {}),
        });
      } else {
        const given = freedoms.flatMap((name) => {
          const move = load[name];
          return move ? [[name, move(one)] as const] : [];
        });
        assignment.addLoad(load.case, { kind: 'settlement', node: id, ...Object.fromEntries(given) });
      }
      assignment.creditAdded(id, 'load', rule.id);
    }
  },
});
