import { nearPairs } from '../../geometry/weld/crossings.js';
import { Draft, joined } from '../../geometry/draft.js';
import { cross, dot, minus, size, unit } from '../../geometry/vector.js';
import { listed, type RemarkKind } from './warning.js';

/** Members that lie on each other over a length. */
export const overlaps: RemarkKind = {
  code: 'overlap',
  find({ geometry }, names) {
    const draft = new Draft(geometry, 'check');
    const pairs = nearPairs(draft, [...geometry.members.keys()]).filter(([p, q]) => {
      const [a, b] = [geometry.members.get(p)!, geometry.members.get(q)!];
      const [a0, a1, b0, b1] = [a.start, a.end, b.start, b.end].map((node) => geometry.nodes.get(node)!.at);
      const along = unit(minus(a1!, a0!));
      if (size(cross(along, minus(b0!, a0!))) > joined || size(cross(along, minus(b1!, a0!))) > joined)
        return false;
      const [s, t] = [dot(along, minus(b0!, a0!)), dot(along, minus(b1!, a0!))];
      const [low, high] = [Math.max(0, Math.min(s, t)), Math.min(size(minus(a1!, a0!)), Math.max(s, t))];
      return high - low > 2 * joined;
    });
    if (pairs.length === 0) return [];
    return [
      {
        code: 'overlap',
        message: `Members lie on each other: ${listed(pairs.map(([a, b]) => `${names.member(a)} and ${names.member(b)}`))}; remove one of them.`,
        nodes: [],
        members: [...new Set(pairs.flat())],
      },
    ];
  },
};
