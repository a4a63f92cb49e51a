import { quantityProgram } from '../../language/evaluate.js';
import { fieldOf, memberRule } from '../rule.js';
import { expression } from '../../fields/schemas.js';

export const action = memberRule({
  key: 'action',
  initial: () => ({ action: 'tension-only' }),
  title: 'Action',
  gives: 'sections',
  schema: { action: { enum: ['frame', 'axial', 'tension-only', 'compression-only'] } },
  apply(rule, matched, { assignment }) {
    for (const { thing } of matched) {
      assignment.action.set(thing.id, rule.action!);
      assignment.credit(thing.id, 'action', rule.id);
    }
  },
});

export const roll = memberRule({
  key: 'roll',
  initial: () => ({ roll: '90 deg' }),
  title: 'Roll',
  gives: 'sections',
  schema: { roll: expression },
  apply(rule, matched, context) {
    const angle = quantityProgram(
      rule.roll!,
      { ...context.names, tags: true },
      'angle',
      fieldOf(context, 'roll'),
    );
    for (const one of matched) {
      const { thing } = one;
      context.assignment.roll.set(thing.id, angle(one));
      context.assignment.credit(thing.id, 'roll', rule.id);
    }
  },
});
