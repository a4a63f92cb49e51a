import type { Freedom, Support } from '../../model/types.js';
import { fail } from '../../base/problem.js';
import { quantityOf, quantityProgram, type Written } from '../../language/evaluate.js';
import type { SupportKind } from '../../document/types.js';
import { fieldOf, nodeRule, type RuleContext } from '../rule.js';
import { expression, freedoms, object, six } from '../../fields/schemas.js';

/** Freedoms that the usual supports hold. */
const usual: Readonly<Record<'fixed' | 'pinned' | 'roller', readonly Freedom[]>> = {
  fixed: freedoms,
  pinned: ['ux', 'uy', 'uz'],
  roller: ['uz'],
};

function restraintsOf(kind: SupportKind, context: RuleContext): Omit<Support, 'node'> {
  const out: Omit<Support, 'node'> = {};
  if (typeof kind === 'string') for (const freedom of usual[kind]) out[freedom] = 'fixed';
  else
    for (const [freedom, value] of Object.entries(kind) as [Freedom, Written][]) {
      if (value === 'free') continue;
      const place = fieldOf(context, freedom);
      if (value === 'fixed') out[freedom] = 'fixed';
      else {
        const spring = quantityOf(
          value,
          context.names,
          freedom.startsWith('u') ? 'spring' : 'rotationalSpring',
          place,
        );
        if (spring <= 0)
          fail(
            'out-of-range',
            `In ${place.what} the spring must be above zero; leave it out where nothing holds.`,
            place.where,
          );
        out[freedom] = spring;
      }
    }
  return out;
}

type Axis = [number, number, number];

export const support = nodeRule({
  key: 'support',
  initial: () => ({ support: 'pinned' }),
  title: 'Support',
  gives: 'supports',
  schema: {
    support: { anyOf: [{ enum: ['fixed', 'pinned', 'roller'] }, object(six(freedoms, expression))] },
    axes: object(
      {
        x: { type: 'array', items: expression, minItems: 3, maxItems: 3 },
        y: { type: 'array', items: expression, minItems: 3, maxItems: 3 },
      },
      ['x'],
    ),
  },
  apply(rule, matched, context) {
    const held = restraintsOf(rule.support!, context);
    const place = fieldOf(context, 'axes');
    const axis = (written: readonly Written[]) =>
      written.map((item) => quantityOf(item, context.names, 'number', place)) as Axis;
    const x = rule.axes && axis(rule.axes.x);
    const y = rule.axes?.y
      ? axis(rule.axes.y)
      : x && (Math.hypot(x[0], x[2]) > 1e-6 ? ([0, 1, 0] as Axis) : ([0, 0, 1] as Axis));
    for (const { thing } of matched) {
      context.assignment.supports.set(thing.id, {
        node: thing.id,
        ...(x && y ? { axes: { x, y } } : {}),
        ...held,
      });
      context.assignment.credit(thing.id, 'support', rule.id);
    }
  },
});

export const mass = nodeRule({
  key: 'mass',
  initial: () => ({ mass: '100 kg' }),
  title: 'Mass',
  gives: 'masses',
  schema: { mass: expression },
  apply(rule, matched, context) {
    const place = fieldOf(context, 'mass');
    const of = quantityProgram(rule.mass!, { ...context.names, tags: true }, 'mass', place);
    for (const one of matched) {
      const { thing } = one;
      const value = of(one);
      if (value <= 0) fail('out-of-range', `In ${place.what} the mass must be above zero.`, place.where);
      context.assignment.masses.set(thing.id, (context.assignment.masses.get(thing.id) ?? 0) + value);
      context.assignment.creditAdded(thing.id, 'mass', rule.id);
    }
  },
});
