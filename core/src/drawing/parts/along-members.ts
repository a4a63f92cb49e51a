import type { FrameState } from '../../analysis/index.js';
import { forceExtremesInto, type ForceName, type NamedField } from '../../results/index.js';
import { drawDiagram, forceQuantity } from './diagram.js';
import type { LegendLine, ShownContext } from '../shown/shown.js';
import { drawStress } from './stress.js';
import { drawUtilisation, utilisationSamples } from './utilisation.js';

/** A state with the id of its load case or combination. */
export interface NamedState {
  readonly id: string;
  /** Of which it is a state; absent where it is all of it. */
  readonly combination?: string;
  readonly state: FrameState;
}

/**
 * Draws what is asked for along the members: utilisation, stress, or an internal force; of several states its greatest and its least at
 * every place.
 *
 * @returns the greatest magnitude, for the common scale, and what is drawn in words
 */
export function drawAlongMembers(
  context: ShownContext,
  states: readonly NamedState[],
): { greatest: number; legend: LegendLine[] } {
  const { pen, frame, source, options, namer, shown, units } = context;
  const { diagram } = options;
  const nameOf = (m: number) => namer.member(frame.memberIds[m]!);
  if (diagram === 'utilisation') {
    const own = source.checksUnder?.(options.result);
    // What is slack in the one state that is shown has no utilisation there
    const slack = own ? states[0]?.state.slack : undefined;
    drawUtilisation(pen, frame, own ?? source.checks ?? [], (m) => shown(m) && slack?.[m] !== 1, nameOf);
    const of = own
      ? `utilisation under ${options.result}`
      : 'utilisation, the worst of all strength combinations';
    return { greatest: 0, legend: source.checks ? [{ text: of }, ...utilisationSamples] : [] };
  }
  if (diagram === 'stress') return { greatest: 0, legend: drawStress(context, states) };
  if (diagram === 'none') return { greatest: 0, legend: [] };
  const range = rangeOf(context, states, diagram);
  const greatest = Math.max(Math.abs(range.most.value), Math.abs(range.least.value));
  const peaks = { ofMember: range.peaks, most: greatest };
  drawDiagram(context, range.fieldsOf, diagram, peaks);
  const quantity = forceQuantity(diagram);
  const line = (word: string, { value, m, id }: Extreme): LegendLine => ({
    text: `${word} ${units.withUnit(value, quantity)}${states.length > 1 ? `, ${id}` : ''}`,
    title: `${units.exact(value, quantity)}, ${nameOf(m)}, ${id}`,
  });
  // What is nothing but rounding is not told
  const told = 1e-9 * greatest;
  if (greatest === 0) return { greatest, legend: [{ text: `no ${diagram} anywhere` }] };
  return {
    greatest,
    legend: [
      ...(states.length > 1
        ? [{ text: `greatest and least of ${new Set(states.map(combinationOfState)).size} combinations` }]
        : []),
      ...(range.most.value > told ? [line('greatest', range.most)] : []),
      ...(range.least.value < -told ? [line('least', range.least)] : []),
    ],
  };
}

const combinationOfState = ({ id, combination }: NamedState): string => combination ?? id;

interface Extreme {
  readonly value: number;
  readonly m: number;
  readonly id: string;
}

/** How far a force reaches: its greatest and its least value over all members and states, and every member's greatest magnitude. */
interface Range {
  readonly most: Extreme;
  readonly least: Extreme;
  readonly peaks: Float64Array;
  readonly fieldsOf: (member: number) => readonly NamedField[];
}

function rangeOf({ frame }: ShownContext, states: readonly NamedState[], name: ForceName): Range {
  let most: Extreme = { value: 0, m: 0, id: '' };
  let least = most;
  const extremes = new Float64Array(4);
  const peaks = new Float64Array(frame.memberIds.length);
  const fieldsOf = (m: number) => states.map(({ id, state }) => ({ id, field: state.field(m) }));
  // The fields of one state are kept for the drawing; those of many would fill the memory
  const kept: (readonly NamedField[])[] | undefined = states.length === 1 ? [] : undefined;
  for (let m = 0; m < frame.memberIds.length; m++) {
    const fields = fieldsOf(m);
    kept?.push(fields);
    for (const { id, field } of fields) {
      forceExtremesInto(field, name, extremes);
      peaks[m] = Math.max(peaks[m]!, extremes[3]!, -extremes[1]!);
      if (extremes[3]! > most.value) most = { value: extremes[3]!, m, id };
      if (extremes[1]! < least.value) least = { value: extremes[1]!, m, id };
    }
  }
  return { most, least, peaks, fieldsOf: kept ? (m) => kept[m]! : fieldsOf };
}
