import type { Written } from '../../language/evaluate.js';
import { byTags, option } from '../../fields/index.js';
import { memberRule } from '../rule.js';

declare module '../../document/types.js' {
  interface Rule {
    action?: 'frame' | 'axial' | 'tension-only' | 'compression-only';
    roll?: Written;
  }
}

export const action = memberRule({
  key: 'action',
  title: 'Action',
  gives: 'sections',
  initial: () => ({ action: 'tension-only' }),
  words: ({ action: given }) => given!,
  fields: { action: option(['frame', 'axial', 'tension-only', 'compression-only'], { title: 'action' }) },
  apply({ action: given }, matched, { assignment, rule }) {
    for (const { thing } of matched) {
      assignment.action.set(thing.id, given);
      assignment.credit(thing.id, 'action', rule.id);
    }
  },
});

export const roll = memberRule({
  key: 'roll',
  title: 'Roll',
  gives: 'sections',
  initial: () => ({ roll: '90 deg' }),
  words: ({ roll: given }) => `rolled ${String(given)}`,
  fields: { roll: byTags('angle', { title: 'roll' }) },
  apply({ roll: angle }, matched, { assignment, rule }) {
    for (const one of matched) {
      assignment.roll.set(one.thing.id, angle(one));
      assignment.credit(one.thing.id, 'roll', rule.id);
    }
  },
});
