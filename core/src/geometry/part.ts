import type { Draft } from './draft.js';

/** Tag of the members that make a roof. */
export const roof = { part: 'roof' } as const;

/** What a member between nodes is part of: of the roof where roof members meet at all of them, else of the frame. */
export function partAt(draft: Draft, nodes: readonly string[]): 'roof' | 'frame' {
  const meetsRoof = (node: string) =>
    [...draft.meetingAt(node)].some((id) => draft.members.get(id)?.tags['part'] === roof.part);
  return nodes.every(meetsRoof) ? 'roof' : 'frame';
}
