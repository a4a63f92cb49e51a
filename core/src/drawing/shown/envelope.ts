import type { Analysed } from '../../evaluation/stages/index.js';
import { combinationOf } from '../../results/index.js';
import { drawAlongMembers, type NamedState } from '../parts/along-members.js';
import type { ShownKind } from './shown.js';

const prefix = 'envelope.';
const words = { strength: 'Strength, all combinations', service: 'Service, all combinations' };

/** The greatest and the least of every combination of strength, or of service, at every place. */
export const envelope: ShownKind = {
  kind: 'envelope',
  group: 'Envelope',
  prefix,
  list: ({ built }) =>
    (['strength', 'service'] as const)
      .filter((state) => built.combinations.filter((one) => one.state === state).length > 1)
      .map((state) => ({ id: `${prefix}${state}`, title: words[state], kind: 'envelope', state })),
  draw(id, context) {
    if (!id.startsWith(prefix)) return undefined;
    const states = envelopeStates(context.forces, id);
    if (states.length === 0) return undefined;
    const drawn = drawAlongMembers(context, states);
    return { greatest: { diagram: drawn.greatest }, legend: drawn.legend };
  },
};

/** The combinations of an envelope with their states; none where the id is not one of an envelope. */
export function envelopeStates(
  { selections, states }: Pick<Analysed, 'selections' | 'states'>,
  id: string,
): NamedState[] {
  if (!id.startsWith(prefix)) return [];
  return selections
    .filter((one) => one.kind === 'combination' && one.state === id.slice(prefix.length))
    .map((one) => ({ id: one.id, combination: combinationOf(one), state: states.get(one.id)! }));
}
