import { custom, type Way } from '../fields/index.js';
import { expression } from '../fields/schemas.js';

/** Springs that a form begins with, soft beside what steel frames are. */
const beginnings = { spring: '1 MN/m', rotationalSpring: '1 MN m/rad' } as const;

/** A spring as a way to write how something is held: its stiffness. */
export const springWay = (quantity: 'spring' | 'rotationalSpring'): Way & { readonly schema: object } => ({
  label: 'spring',
  start: beginnings[quantity],
  is: (written) =>
    (typeof written === 'string' && written !== 'fixed' && written !== 'free') || typeof written === 'number',
  schema: expression,
  field: custom({ title: '' }, expression, (written) => written, { kind: 'quantity', quantity }),
});
