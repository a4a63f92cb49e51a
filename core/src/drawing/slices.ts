import type { Tags } from '../language/types.js';
import type { Frame } from '../analysis/index.js';
import { forceExtremesInto, forceNames } from '../results/index.js';
import type { DrawingOptions, Slice } from './options.js';
import type { DrawnSource } from './shown/shown.js';

/** Tags by whose values a solid frame is looked at slice by slice, the one that is looked at first in front. */
export const sliceTags = ['row', 'side', 'storey', 'bay'] as const;

/** The slice that is drawn of a frame: the chosen one, or that in which the force that is drawn is greatest. */
export function drawnSlice(
  source: DrawnSource,
  frame: Frame,
  options: DrawingOptions,
  tagsOf: (member: number) => Tags,
): Slice | undefined {
  const { slice } = options;
  if (slice !== 'governing') return slice;
  const m = governingMember(source, frame, options);
  if (m === undefined) return undefined;
  const tags = tagsOf(m);
  for (const tag of sliceTags) {
    const value = tags[tag];
    if (value !== undefined && isPart(frame, tagsOf, { tag, value })) return { tag, value };
  }
  return undefined;
}

/** Whether some members belong to a slice and others do not. */
function isPart(frame: Frame, tagsOf: (member: number) => Tags, { tag, value }: Slice): boolean {
  return frame.memberIds.some((_, m) => tagsOf(m)[tag] !== undefined && tagsOf(m)[tag] !== value);
}

/** The member in which the force that is drawn is greatest in the one state that is shown. */
function governingMember(
  { forces }: DrawnSource,
  frame: Frame,
  { diagram, result }: DrawingOptions,
): number | undefined {
  const name = forceNames.find((one) => one === diagram);
  const state = forces?.states.get(result);
  if (!name || !state) return undefined;
  let greatest = 0;
  let member: number | undefined;
  const extremes = new Float64Array(4);
  for (let m = 0; m < frame.memberIds.length; m++) {
    forceExtremesInto(state.field(m), name, extremes);
    const peak = Math.max(extremes[3]!, -extremes[1]!);
    // Of members that are alike the first one, also where rounding makes another a little greater
    if (peak > greatest * (1 + 1e-6)) [greatest, member] = [peak, m];
  }
  return member;
}

/** What a slice is called: "row 3". */
export const sliceWords = ({ tag, value }: Slice): string => `${tag} ${value}`;
