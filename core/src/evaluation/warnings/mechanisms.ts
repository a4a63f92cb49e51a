import type { Problem } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import type { Namer } from '../../geometry/names.js';
import type { Warning } from './index.js';
import { proposeCondition } from '../../rules/propose.js';
import type { Support } from '../../model/types.js';
import { directionWords } from '../summaries/problem-words.js';

/** The freedom of a node whose restraint stops a mechanism. */
interface Restraint {
  readonly node: string;
  readonly direction: keyof typeof directionWords;
}

/**
 * What can move without resistance as warnings of the model check. Where a condition selects just the node that moves the most, the fix is a
 * rule that holds it there, beside what holds it already.
 */
export function mechanismWarnings(
  problems: readonly Problem[],
  { geometry, model }: BuiltFrame,
  names: Namer,
): Warning[] {
  return problems
    .filter(({ code }) => code === 'mechanism')
    .map(({ message, where }) => {
      const restraint = where['restraint'] as Restraint | undefined;
      const warning: Warning = {
        code: 'mechanism',
        message,
        nodes: restraint ? [restraint.node] : [],
        members: [],
      };
      const condition = restraint && proposeCondition(geometry, 'nodes', new Set([restraint.node]));
      if (!restraint || condition === undefined) return warning;
      const { node, direction } = restraint;
      const held = (model.supports ?? []).find((one) => one.node === node);
      const support = { ...writtenSupport(held), [direction]: 'fixed' };
      const title = `hold ${names.node(node)} ${holdingWords(direction)}`;
      return { ...warning, fix: { title, rule: { title, nodes: condition, support } } };
    });
}

const holdingWords = (direction: Restraint['direction']): string =>
  direction.startsWith('r') ? `against ${directionWords[direction]}` : directionWords[direction];

/** A support's restraints as rules write them, springs in SI units. */
function writtenSupport(support: Support | undefined): Record<string, string> {
  if (!support) return {};
  const freedoms = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'] as const;
  return Object.fromEntries(
    freedoms.flatMap((freedom) => {
      const value = support[freedom];
      if (value === undefined) return [];
      const unit = freedom.startsWith('r') ? 'N m/rad' : 'N/m';
      return [[freedom, value === 'fixed' ? 'fixed' : `${value} ${unit}`]];
    }),
  );
}
