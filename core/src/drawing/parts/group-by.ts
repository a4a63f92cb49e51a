import type { Frame } from '../../analysis/index.js';
import type { BuiltFrame } from '../../build/build.js';
import { distance, between } from '../../geometry/vector.js';
import { pointOn } from '../../results/index.js';
import type { Colour, Draughtsman } from '../drawing.js';
import type { LegendLine } from '../shown/shown.js';

/** By what members can be grouped. */
export const groupByNames = ['section', 'material', 'rule', 'step'] as const;
export type GroupBy = (typeof groupByNames)[number];

/** Tones of ink and patterns, a pair each, as the other colours have a meaning of their own; what comes after the last is drawn faint. */
const looks: readonly { colour: Colour; dash?: readonly [number, number] }[] = [
  { colour: 'ink' },
  { colour: 'inkSoft', dash: [9, 4] },
  { colour: 'ink', dash: [3, 3] },
  { colour: 'inkSoft' },
  { colour: 'ink', dash: [16, 6] },
  { colour: 'inkSoft', dash: [2, 5] },
  { colour: 'ink', dash: [8, 9] },
];

/** The group of each member, in words. */
function wordsOf(built: BuiltFrame, by: GroupBy): (id: string) => string {
  const { model, design, assignment, geometry } = built;
  const sections = new Map(model.members.map(({ id, section }) => [id, section]));
  const titles = new Map([...design.rules, ...design.steps].map((one) => [one.id, one.title ?? one.id]));
  const materials = new Map(model.sections.map(({ id, material }) => [id, material]));
  switch (by) {
    case 'section':
      return (id) => assignment.section.get(id) ?? sections.get(id)!;
    case 'material':
      return (id) => materials.get(sections.get(id)!) ?? '';
    case 'rule':
      return (id) => titles.get(assignment.givenTo(id).get('section') ?? '') ?? 'no rule';
    case 'step':
      return (id) => titles.get(String(geometry.members.get(id)?.tags['step'])) ?? '';
  }
}

/**
 * Draws each group of members in a tone and a pattern; the most frequent in ink.
 *
 * @returns the legend
 */
export function drawGrouped(
  pen: Draughtsman,
  frame: Frame,
  built: BuiltFrame,
  by: GroupBy,
  shown: (member: number) => boolean,
): LegendLine[] {
  const word = wordsOf(built, by);
  const members = new Map<string, number[]>();
  frame.memberIds.forEach((id, m) => {
    if (!shown(m)) return;
    const text = word(id);
    const list = members.get(text);
    if (list) list.push(m);
    else members.set(text, [m]);
  });
  const groups = [...members].sort((a, b) => b[1].length - a[1].length);
  const unit = sizeOf(frame) / 700;
  const legend = groups.map(([text, list], k): LegendLine => {
    const look = looks[k];
    for (const m of list) drawOne(pen, frame, m, look ?? { colour: 'inkFaint' }, unit);
    const count = `${list.length} ${list.length === 1 ? 'member' : 'members'}`;
    return { text: `${text}, ${count}`, ...(look ? { sample: look } : {}) };
  });
  const told = legend.slice(0, looks.length);
  return legend.length > looks.length
    ? [...told, { text: `and ${legend.length - looks.length} more, faint`, sample: { colour: 'inkFaint' } }]
    : told;
}

function drawOne(
  pen: Draughtsman,
  frame: Frame,
  m: number,
  { colour, dash }: { colour: Colour; dash?: readonly [number, number] },
  unit: number,
): void {
  const [a, b] = [pointOn(frame, m, 0), pointOn(frame, m, frame.length[m]!)];
  const style = { colour, width: 3.4 };
  if (!dash) {
    pen.on('members').line(a, b, style);
    return;
  }
  const period = unit * (dash[0] + dash[1]);
  const count = Math.max(1, Math.min(60, Math.round(distance(a, b) / period)));
  const filled = dash[0] / (dash[0] + dash[1]);
  for (let i = 0; i < count; i++)
    pen.on('members').line(between(a, b, i / count), between(a, b, (i + filled) / count), style);
}

/** Greatest extent of the frame along an axis, m. */
function sizeOf({ xyz }: Frame): number {
  let most = 1;
  for (let k = 0; k < 3; k++) {
    let [low, high] = [Infinity, -Infinity];
    for (let i = k; i < xyz.length; i += 3) [low, high] = [Math.min(low, xyz[i]!), Math.max(high, xyz[i]!)];
    most = Math.max(most, high - low);
  }
  return most;
}
