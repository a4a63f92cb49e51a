import {
  byTags,
  custom,
  optional,
  readFields,
  recordWay,
  ways,
  type Evaluated,
  type Field,
} from '../../fields/index.js';
import { vector } from '../../fields/schemas.js';
import { quantityProgram, type WithTags, type Written } from '../../language/evaluate.js';
import type { Vector } from '../../model/types.js';

/** Three numbers, each by the tags of what it is for. */
export type VectorOf = (one: WithTags) => Vector;

const sizedFields = {
  size: byTags('force', { title: 'size', initial: '10 kN' }),
  angle: byTags('angle', { title: 'angle from x upwards', initial: '-90 deg' }),
  turn: optional(byTags('angle', { title: 'turned from x towards y', onlySolid: true })),
};

/** A force by its components, or by its size and the angle at which it acts; N, global or along the axes of a member. */
export const forceField: Field<VectorOf> = ways<VectorOf>(
  [
    {
      label: 'along x, y, z',
      start: ['0 kN', '0 kN', '-1 kN'],
      is: Array.isArray,
      schema: vector,
      field: custom({ title: '' }, vector, (written) => written, { kind: 'list', quantity: '', as: 'list' }),
    },
    recordWay(sizedFields, { size: '10 kN', angle: '-90 deg' }, 'by size and angle'),
  ],
  { title: 'force', initial: ['0 kN', '0 kN', '-1 kN'] },
  (written, context, place) => {
    if (!Array.isArray(written))
      return componentsOf(readFields(sizedFields, written as Record<string, unknown>, context, place));
    const parts = (written as Written[]).map((item) =>
      quantityProgram(item, { ...context, tags: true }, 'force', place),
    );
    return (one) => parts.map((part) => part(one)) as Vector;
  },
);

/** F·(cos α·cos τ, cos α·sin τ, sin α): α rises from the horizontal, τ turns it from x towards y. */
const componentsOf =
  ({ size, angle, turn }: Evaluated<typeof sizedFields>): VectorOf =>
  (one) => {
    const [F, rise, about] = [size(one), angle(one), turn?.(one) ?? 0];
    const flat = F * Math.cos(rise);
    return [flat * Math.cos(about), flat * Math.sin(about), F * Math.sin(rise)];
  };

/** A force in words: its components, or "12 kN at −30 deg". */
export function forceWords(given: { size?: Written; angle?: Written; turn?: Written }): string {
  const turned = given.turn === undefined ? '' : `, turned ${String(given.turn)}`;
  return `${String(given.size)} at ${String(given.angle)}${turned}`;
}
