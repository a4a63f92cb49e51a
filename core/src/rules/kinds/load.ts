import type { Freedom, Vector } from '../../model/types.js';
import { fail } from '../../base/problem.js';
import type { QuantityName } from '../../units/quantities.js';
import {
  positionProgram,
  quantityProgram,
  type Position,
  type WithTags,
  type Written,
} from '../../language/evaluate.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { distance } from '../../geometry/vector.js';
import type { Design, LoadRule } from '../../document/types.js';
import { fieldOf, memberRule, nodeRule, type Matched, type RuleContext } from '../rule.js';
import { expression, freedoms, object, six, text, vector } from '../../fields/schemas.js';

type LoadOf<K> = Extract<LoadRule, { kind: K }>;
type LineLoad = Exclude<LoadRule, { kind: 'point' | 'temperature' | 'pretension' | 'node' | 'settlement' }>;

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

/** A number for each thing by its tags; zero where it is left out. */
function numberOf(
  written: Written | undefined,
  quantity: QuantityName,
  context: RuleContext,
  field: string,
): (thing: WithTags) => number {
  if (written === undefined) return () => 0;
  return quantityProgram(written, { ...context.names, tags: true }, quantity, fieldOf(context, field));
}

function vectorOf(
  written: readonly Written[] | undefined,
  quantity: QuantityName,
  context: RuleContext,
  field: string,
): ((thing: WithTags) => Vector) | undefined {
  if (!written) return undefined;
  const parts = written.map((item) => numberOf(item, quantity, context, field));
  return (thing) => parts.map((part) => part(thing)) as Vector;
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
  const x = 'share' in position ? position.share * whole : position.distance;
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

function applyLine(
  load: LineLoad,
  rule: string,
  matched: readonly Matched<GeometryMember>[],
  context: RuleContext,
): void {
  const names = { ...context.names, tags: true };
  const [a, b] = Array.isArray(load.q) ? load.q : [load.q, load.q];
  const [q0, q1] = [numberOf(a, 'lineLoad', context, 'q'), numberOf(b, 'lineLoad', context, 'q')];
  const from = positionProgram(load.from ?? 0, names, fieldOf(context, 'from'));
  const to = positionProgram(load.to ?? 1, names, fieldOf(context, 'to'));
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
    const share = (x: number) => Math.min(1, Math.max(0, (x - piece.from) / (piece.to - piece.from)));
    const span =
      low === piece.from && high === piece.to ? { from: 0, to: 1 } : { from: share(low), to: share(high) };
    context.assignment.addLoad(load.case, {
      kind: 'distributed',
      member: piece.member.id,
      axes: load.axes ?? 'global',
      direction: load.direction,
      q: [q(low), q(high)],
      ...span,
      per: load.per ?? 'length',
    });
    context.assignment.creditAdded(piece.member.id, 'load', rule);
  }
}

function applyPoint(
  load: LoadOf<'point'>,
  rule: string,
  matched: readonly Matched<GeometryMember>[],
  context: RuleContext,
): void {
  const at = positionProgram(load.at, { ...context.names, tags: true }, fieldOf(context, 'at'));
  const F = vectorOf(load.F, 'force', context, 'F');
  const M = vectorOf(load.M, 'moment', context, 'M');
  for (const piece of placedPieces(matched, context)) {
    const x = distanceOf(at(piece.matched), piece.whole, context, 'at');
    // Between two pieces it belongs to the first
    const behind = piece.from === 0 ? x >= 0 : x > piece.from + 1e-9;
    if (!behind || x > piece.to + 1e-9) continue;
    context.assignment.addLoad(load.case, {
      kind: 'point',
      member: piece.member.id,
      at: Math.min(1, Math.max(0, (x - piece.from) / (piece.to - piece.from))),
      axes: load.axes ?? 'global',
      ...(F ? { F: F(piece.matched) } : {}),
      ...(M ? { M: M(piece.matched) } : {}),
    });
    context.assignment.creditAdded(piece.member.id, 'load', rule);
  }
}

const loadCase = { case: text };
const memberLoadSchema = {
  load: {
    type: 'object',
    required: ['case'],
    properties: { kind: { enum: ['line', 'point', 'temperature', 'pretension'] } },
    allOf: [
      {
        if: { properties: { kind: { const: 'line' } } },
        then: object(
          {
            ...loadCase,
            kind: { const: 'line' },
            axes: { enum: ['global', 'local'] },
            direction: { enum: ['x', 'y', 'z'] },
            q: { anyOf: [expression, { type: 'array', items: expression, minItems: 2, maxItems: 2 }] },
            from: expression,
            to: expression,
            per: { enum: ['length', 'projected'] },
          },
          ['direction', 'q'],
        ),
      },
      {
        if: { properties: { kind: { const: 'point' } }, required: ['kind'] },
        then: object(
          {
            ...loadCase,
            kind: text,
            at: expression,
            axes: { enum: ['global', 'local'] },
            F: vector,
            M: vector,
          },
          ['at'],
        ),
      },
      {
        if: { properties: { kind: { const: 'temperature' } }, required: ['kind'] },
        then: object({
          ...loadCase,
          kind: text,
          uniform: expression,
          gradientY: expression,
          gradientZ: expression,
        }),
      },
      {
        if: { properties: { kind: { const: 'pretension' } }, required: ['kind'] },
        then: object({ ...loadCase, kind: text, force: expression }, ['force']),
      },
    ],
  },
};

/** Loads on physical members: line, point, temperature, pretension. */
export const memberLoad = memberRule({
  key: 'load',
  title: 'Load on members',
  initial: (design) => ({ load: { case: caseFor(design), direction: 'z', q: '-1 kN/m' } }),
  gives: 'loads',
  schema: memberLoadSchema,
  apply(rule, matched, context) {
    const load = rule.load!;
    checkCase(load.case, context);
    switch (load.kind) {
      case 'point': {
        applyPoint(load, rule.id, matched, context);
        return;
      }
      case 'temperature': {
        const uniform = numberOf(load.uniform, 'temperature', context, 'uniform');
        const y = numberOf(load.gradientY, 'temperatureGradient', context, 'gradientY');
        const z = numberOf(load.gradientZ, 'temperatureGradient', context, 'gradientZ');
        for (const one of matched) {
          const { thing } = one;
          context.assignment.addLoad(load.case, {
            kind: 'temperature',
            member: thing.id,
            uniform: uniform(one),
            gradientY: y(one),
            gradientZ: z(one),
          });
          context.assignment.creditAdded(thing.id, 'load', rule.id);
        }
        return;
      }
      case 'pretension': {
        const force = numberOf(load.force, 'force', context, 'force');
        for (const one of matched) {
          const { thing } = one;
          context.assignment.addLoad(load.case, { kind: 'pretension', member: thing.id, force: force(one) });
          context.assignment.creditAdded(thing.id, 'load', rule.id);
        }
        return;
      }
      case 'node':
      case 'settlement':
        return fail(
          'invalid-design',
          `Rule "${rule.title ?? rule.id}" puts a load of kind "${load.kind}" on members; select nodes for it.`,
          { rule: rule.id },
        );
      default: {
        applyLine(load, rule.id, matched, context);
        return;
      }
    }
  },
});

/** Forces, moments and settlements at nodes. */
export const nodeLoad = nodeRule({
  key: 'load',
  title: 'Load on nodes',
  initial: (design) => ({ load: { case: caseFor(design), kind: 'node', F: ['0 kN', '0 kN', '-1 kN'] } }),
  gives: 'loads',
  schema: {
    load: {
      type: 'object',
      required: ['case', 'kind'],
      properties: { kind: { enum: ['node', 'settlement'] } },
      allOf: [
        {
          if: { properties: { kind: { const: 'node' } }, required: ['kind'] },
          then: object({ ...loadCase, kind: text, F: vector, M: vector }),
        },
        {
          if: { properties: { kind: { const: 'settlement' } }, required: ['kind'] },
          then: object({ ...loadCase, kind: text, ...six(freedoms, expression) }),
        },
      ],
    },
  },
  apply(rule, matched, context) {
    const load = rule.load!;
    checkCase(load.case, context);
    if (load.kind === 'node') {
      const F = vectorOf(load.F, 'force', context, 'F');
      const M = vectorOf(load.M, 'moment', context, 'M');
      for (const one of matched) {
        const { thing } = one;
        context.assignment.addLoad(load.case, {
          kind: 'node',
          node: thing.id,
          ...(F ? { F: F(one) } : {}),
          ...(M ? { M: M(one) } : {}),
        });
        context.assignment.creditAdded(thing.id, 'load', rule.id);
      }
    } else if (load.kind === 'settlement') {
      const given = freedoms.filter((freedom) => load[freedom] !== undefined);
      const of = given.map((freedom) =>
        numberOf(load[freedom], freedom.startsWith('u') ? 'length' : 'angle', context, freedom),
      );
      for (const one of matched) {
        const { thing } = one;
        const moves: Partial<Record<Freedom, number>> = {};
        given.forEach((freedom, k) => (moves[freedom] = of[k]!(one)));
        context.assignment.addLoad(load.case, { kind: 'settlement', node: thing.id, ...moves });
        context.assignment.creditAdded(thing.id, 'load', rule.id);
      }
    }
  },
});
