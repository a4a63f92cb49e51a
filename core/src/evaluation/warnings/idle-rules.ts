import type { RemarkKind } from './warning.js';

/** Rules that match nothing, and rules of which later ones leave nothing. */
export const idleRules: RemarkKind = {
  code: 'idle-rule',
  find({ notes }) {
    return notes
      .filter(({ code }) => ['matches-nothing', 'load-reaches-nothing', 'overridden'].includes(code))
      .map(({ code, message, where }) => ({
        code,
        message,
        nodes: [],
        members: [],
        rule: String(where['rule']),
        fix: { title: 'Remove the rule', removeRule: String(where['rule']) },
      }));
  },
};
