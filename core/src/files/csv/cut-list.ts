import type { CutList } from '../../evaluation/cut-list/cut-list.js';
import { writeTable } from './table.js';

const head = [
  'mark',
  'section',
  'material',
  'count',
  'length mm',
  'axis mm',
  'start cut deg',
  'start turn deg',
  'end cut deg',
  'end turn deg',
  'mass kg',
  'total kg',
  'members',
];

/** The cut list as CSV (RFC 4180): lengths in mm, angles in degrees, masses in kg. */
export function cutListCsv({ rows }: CutList): string {
  const degrees = (angle: number) => ((angle * 180) / Math.PI).toFixed(2);
  const lines = rows.map((row) => [
    row.mark,
    row.endSection === undefined ? row.section : `${row.section} to ${row.endSection}`,
    row.material,
    String(row.count),
    (row.length * 1e3).toFixed(1),
    (row.axisLength * 1e3).toFixed(1),
    degrees(row.start.angle),
    degrees(row.start.turn),
    degrees(row.end.angle),
    degrees(row.end.turn),
    row.mass.toFixed(2),
    row.totalMass.toFixed(2),
    row.titles.join('; '),
  ]);
  return writeTable([head, ...lines]);
}
