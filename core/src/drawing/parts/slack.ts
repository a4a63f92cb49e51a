import { between } from '../../geometry/vector.js';
import { pointOn } from '../../results/index.js';
import type { FrameState } from '../../analysis/index.js';
import type { LegendLine, ShownContext } from '../shown/shown.js';

/** Names the members that do not act in a state, which are dashed. @returns its line of the legend; none where all act */
export function nameSlack({ pen, frame, namer, shown }: ShownContext, { slack }: FrameState): LegendLine[] {
  const members = frame.memberIds.map((id, m) => ({ id, m })).filter(({ m }) => slack[m] === 1);
  for (const { id, m } of members.filter(({ m }) => shown(m))) {
    const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
    pen.text({
      key: `slack ${id}`,
      text: 'slack',
      // Crossing braces cross in their middles
      at: between(a, b, 0.3),
      from: a,
      beyond: 10,
      tone: 'inkSoft',
      layer: 'members',
      priority: 2,
      title: `${namer.member(id)} is slack here: it carries nothing`,
    });
  }
  if (members.length === 0) return [];
  return [{ text: 'slack, carries nothing', sample: { colour: 'inkSoft', dash: [4, 3] } }];
}
