import { fail } from '../../base/problem.js';
import {
  byTags,
  custom,
  optional,
  readFields,
  record,
  recordWay,
  ways,
  wordWay,
  type Field,
  type FieldContext,
} from '../../fields/index.js';
import { freedoms, vector } from '../../fields/schemas.js';
import { quantityOf, type Written } from '../../language/evaluate.js';
import type { Place } from '../../language/tree.js';
import type { Freedom, Support } from '../../model/types.js';
import { springWay } from '../spring-way.js';
import { fieldOf, nodeRule } from '../rule.js';
import { listWords } from '../words.js';

declare module '../../document/types.js' {
  interface Rule {
    support?: SupportKind;
    axes?: { x: Written[]; y?: Written[] };
    mass?: Written;
  }
}

/** Freedoms that the usual supports hold. */
const usual: Readonly<Record<'fixed' | 'pinned' | 'roller', readonly Freedom[]>> = {
  fixed: freedoms,
  pinned: ['ux', 'uy', 'uz'],
  roller: ['uz'],
};

const freedomWords: Readonly<Record<Freedom, string>> = {
  ux: 'along x',
  uy: 'along y',
  uz: 'up and down',
  rx: 'turning about x',
  ry: 'turning about y',
  rz: 'turning about z',
};

/** Freedoms that only solid frames have. */
const ofSolids: readonly Freedom[] = ['uy', 'rx', 'rz'];

/** A freedom that is held, or free, or has a spring. @throws ProblemError for a spring that is not above zero */
const freedom = (name: Freedom): Field<number | 'fixed' | 'free' | undefined> =>
  optional(
    ways<number | 'fixed' | 'free'>(
      [
        wordWay('fixed', 'held'),
        { ...wordWay('free'), rare: true },
        springWay(name.startsWith('u') ? 'spring' : 'rotationalSpring'),
      ],
      {
        title: freedomWords[name],
        absent: 'free',
        ...(ofSolids.includes(name) ? { onlySolid: true } : {}),
      },
      (written, context, place) => {
        if (written === 'fixed' || written === 'free') return written;
        const quantity = name.startsWith('u') ? 'spring' : 'rotationalSpring';
        const spring = quantityOf(written as Written, context, quantity, place);
        return spring > 0
          ? spring
          : fail(
              'out-of-range',
              `In ${place.what} the spring must be above zero; leave it out where nothing holds.`,
              place.where,
            );
      },
    ),
  );

type Held = Omit<Support, 'node'>;

const heldFields = Object.fromEntries(freedoms.map((name) => [name, freedom(name)]));

function readHeld(written: unknown, context: FieldContext, place: Place): Held {
  if (typeof written === 'string')
    return Object.fromEntries(usual[written as keyof typeof usual].map((name) => [name, 'fixed']));
  const read = readFields(heldFields, written as Record<string, unknown>, context, place);
  return Object.fromEntries(Object.entries(read).filter(([, held]) => held !== undefined && held !== 'free'));
}

/** A usual support by what it holds in each direction that the space has. */
const eachOf = (written: unknown, space: 'plane' | 'solid'): unknown =>
  typeof written === 'string' && written in usual
    ? Object.fromEntries(
        usual[written as keyof typeof usual]
          .filter((name) => space === 'solid' || !ofSolids.includes(name))
          .map((name) => [name, 'fixed']),
      )
    : { ux: 'fixed' };

/** A support in words: "pinned", "held along x, spring of 2 MN/m up and down". */
function heldWords(given: unknown): string {
  if (typeof given !== 'object' || given === null) return listWords(given);
  const parts = Object.entries(given as Readonly<Record<Freedom, Written>>).filter(
    ([, held]) => held !== 'free',
  );
  if (parts.length === 0) return 'holds nothing';
  return parts
    .map(([name, held]) => {
      const words = freedomWords[name as Freedom];
      return held === 'fixed' ? `held ${words}` : `spring of ${String(held)} ${words}`;
    })
    .join(', ');
}

const axisOf = (title: string): Field<Axis> =>
  custom(
    { title },
    vector,
    (written, context, place) =>
      (written as Written[]).map((item) => quantityOf(item, context, 'number', place)) as Axis,
    { kind: 'list', quantity: '', as: 'list' },
  );

type Axis = [number, number, number];

export const support = nodeRule({
  key: 'support',
  title: 'Support',
  gives: 'supports',
  initial: () => ({ support: 'pinned' }),
  words: ({ support: given }) => heldWords(given),
  fields: {
    support: ways<Held>(
      [
        ...(['fixed', 'pinned', 'roller'] as const).map((word) => wordWay(word)),
        { ...recordWay(heldFields, { ux: 'fixed' }, 'each by itself'), from: eachOf },
      ],
      { title: 'support' },
      readHeld,
    ),
    axes: optional(record({ x: axisOf('x'), y: optional(axisOf('y')) }, { title: 'own axes' })),
  },
  apply({ support: held, axes }, matched, { assignment, rule }) {
    const x = axes?.x;
    const y = axes?.y ?? (x && (Math.hypot(x[0], x[2]) > 1e-6 ? ([0, 1, 0] as Axis) : ([0, 0, 1] as Axis)));
    for (const { thing } of matched) {
      assignment.supports.set(thing.id, {
        node: thing.id,
        ...(x && y ? { axes: { x, y } } : {}),
        ...held,
      });
      assignment.credit(thing.id, 'support', rule.id);
    }
  },
});

export const mass = nodeRule({
  key: 'mass',
  title: 'Mass',
  gives: 'masses',
  initial: () => ({ mass: '100 kg' }),
  words: ({ mass: given }) => `mass ${String(given)}`,
  fields: { mass: byTags('mass', { title: 'mass', of: 'nodes' }) },
  apply({ mass: of }, matched, context) {
    const { assignment, rule } = context;
    for (const one of matched) {
      const { thing } = one;
      const value = of(one);
      const place = fieldOf(context, 'mass');
      if (value <= 0) fail('out-of-range', `In ${place.what} the mass must be above zero.`, place.where);
      assignment.masses.set(thing.id, (assignment.masses.get(thing.id) ?? 0) + value);
      assignment.creditAdded(thing.id, 'mass', rule.id);
    }
  },
});
