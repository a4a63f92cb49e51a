import type { RemarkKind } from './warning.js';

const codes = ['case-in-no-combination', 'no-load'];

/** Load cases that no combination takes, and combinations that carry no load. */
export const loads: RemarkKind = {
  code: 'loads',
  find: ({ notes }) =>
    notes
      .filter(({ code }) => codes.includes(code))
      .map(({ code, message }) => ({ code, message, nodes: [], members: [] })),
};
