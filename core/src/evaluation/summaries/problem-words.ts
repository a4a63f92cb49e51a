import type { Problem } from '../../base/problem.js';
import type { Geometry } from '../../geometry/geometry.js';
import type { Namer } from '../../geometry/names.js';

/** What a freedom is called. */
export const directionWords = {
  ux: 'along X',
  uy: 'along Y',
  uz: 'along Z',
  rx: 'turning about X',
  ry: 'turning about Y',
  rz: 'turning about Z',
} as const;

/** A problem of the analysis for people: nodes and members by their names in words, directions spelled out. */
export function inWords(problem: Problem, geometry: Geometry, names: Namer): Problem {
  const { nodes, members, lines } = geometry;
  const message = problem.message
    .replace(/"([^"]+)"/g, (quoted, id: string) =>
      nodes.has(id)
        ? `"${names.node(id)}"`
        : members.has(id) || lines.has(id)
          ? `"${names.member(id)}"`
          : quoted,
    )
    .replace(/\b[ur][xyz]\b/g, (name) => directionWords[name as keyof typeof directionWords])
    .replace(/\bin (along|turning)\b/g, '$1');
  return { ...problem, message };
}
