import type { Problem } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import type { Namer } from '../../geometry/names.js';
import type { Warning } from './index.js';
import { proposeCondition } from '../../rules/propose.js';
import { freedoms, type FrameModel, type Support } from '../../model/types.js';
import { directionWords } from '../summaries/problem-words.js';

/** The freedom of a node whose restraint stops a mechanism. */
interface Restraint {
  readonly node: string;
  readonly direction: keyof typeof directionWords;
}

/**
 * What can move without resistance as warnings of the model check. The fix is a rule that holds a node beside what holds it already: one
 * that stands on a support, where a support that holds more stops the mechanism, else the one that moves the most.
 */
export function mechanismWarnings(
  problems: readonly Problem[],
  { geometry, model }: BuiltFrame,
  names: Namer,
): Warning[] {
  return problems
    .filter(({ code }) => code === 'mechanism')
    .map(({ message, where }) => {
      const restraint =
        atSupport(model, where['shape'] as Shape | undefined) ??
        (where['restraint'] as Restraint | undefined);
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

/** How nodes move in a mechanism: 6 displacements each, by node id, m and rad. */
type Shape = Readonly<Record<string, readonly number[]>>;

/** The freedom of a supported node that moves most in a mechanism, where one moves that its support leaves free. */
function atSupport({ nodes, supports = [] }: FrameModel, shape: Shape | undefined): Restraint | undefined {
  if (!shape) return undefined;
  // A turn counts by how far it carries a point at a tenth of the frame's size
  const size = Math.max(
    ...[0, 1, 2].map((k) => {
      const at = nodes.map((node) => [node.x, node.y ?? 0, node.z][k]!);
      return Math.max(...at) - Math.min(...at);
    }),
  );
  let found: Restraint | undefined;
  let most = leastMoved;
  for (const support of supports)
    (shape[support.node] ?? []).forEach((value, k) => {
      const direction = freedoms[k]!;
      const travel = Math.abs(value) * (k < 3 ? 1 : size / 10);
      if (support[direction] !== undefined || travel <= most * (1 + 1e-9)) return;
      [found, most] = [{ node: support.node, direction }, travel];
    });
  return found;
}

/** What moves less than this share of the farthest moved node is held well enough. */
const leastMoved = 1e-2;

const holdingWords = (direction: Restraint['direction']): string =>
  direction.startsWith('r') ? `against ${directionWords[direction]}` : directionWords[direction];

/** A support's restraints as rules write them, springs in SI units. */
function writtenSupport(support: Support | undefined): Record<string, string> {
  if (!support) return {};
  return Object.fromEntries(
    freedoms.flatMap((freedom) => {
      const value = support[freedom];
      if (value === undefined) return [];
      const unit = freedom.startsWith('r') ? 'N m/rad' : 'N/m';
      return [[freedom, value === 'fixed' ? 'fixed' : `${value} ${unit}`]];
    }),
  );
}
