import type { Design } from '../document/types.js';
import { designOf } from './designs.js';

/** Plastic moduli and areas by hand: an I section of plates without fillets. */
export const plates = { h: 0.3, b: 0.15, tw: 0.0071, tf: 0.0107 };
export const platesWpl =
  plates.b * plates.tf * (plates.h - plates.tf) + (plates.tw * (plates.h - 2 * plates.tf) ** 2) / 4;
export const platesA = 2 * plates.b * plates.tf + (plates.h - 2 * plates.tf) * plates.tw;
export const platesI =
  (plates.b * plates.h ** 3 - (plates.b - plates.tw) * (plates.h - 2 * plates.tf) ** 3) / 12;
export const fy = 235e6;

const steel = {
  id: 'steel',
  kind: 'steel',
  E: 2.1e11,
  G: 8.1e10,
  density: 7850,
  expansion: 1.2e-5,
  fy,
  fu: 5e8,
};
const section = { id: 'plates', material: 'steel', shape: { type: 'i', ...plates }, shearDeformation: false };

const head = { format: 'hashira-design', version: 2, title: 'Spec', space: 'plane' };
const frame = { materials: [steel], sections: [section] };
const cases = [
  { id: 'G', title: 'Permanent', category: 'permanent' },
  { id: 'Q', title: 'Imposed', category: 'imposed', use: 'B' },
];

/** A beam on two supports, 6 m, held sideways throughout, under an even load Q of 20 kN/m. */
export function simpleBeam(more: Partial<Record<keyof Design, unknown>> = {}): Design {
  return designOf({
    ...head,
    ...frame,
    steps: [
      {
        id: 'b',
        make: 'line',
        points: [
          ['0 m', '0 m'],
          ['6 m', '0 m'],
        ],
        role: 'beam',
      },
    ],
    rules: [
      {
        id: 'beams',
        title: 'Beams',
        members: 'true',
        section: 'plates',
        material: 'steel',
        lengths: { LLT: '0 m' },
      },
      { id: 'left', nodes: 'x == 0 m', support: 'pinned' },
      { id: 'right', nodes: 'x == 6 m', support: 'roller' },
      { id: 'load', members: 'true', load: { case: 'Q', kind: 'line', direction: 'z', q: '-20 kN/m' } },
    ],
    loadCases: cases,
    combinations: [
      { id: 'U1', state: 'strength', factors: { Q: 1.5 } },
      { id: 'C1', state: 'service', factors: { Q: 1 } },
    ],
    figures: [],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
    ...more,
  });
}

/** A portal with fixed bases, flat, of given sections; a force down on the beam's middle (G) and one across (Q). */
export function flatPortal({
  column = 'plates',
  beam = 'plates',
  height = '4 m',
  rules = [],
  ...more
}: {
  readonly column?: string;
  readonly beam?: string;
  readonly height?: string;
  readonly rules?: readonly object[];
} & Partial<Record<'analysis' | 'combinations' | 'figures' | 'code', unknown>> = {}): Design {
  const held = { Lcz: '0 m', LLT: '0 m' };
  return designOf({
    ...head,
    ...frame,
    steps: [{ id: 'p', make: 'portal', bays: ['6 m'], eaves: [height], roof: 'flat' }],
    rules: [
      { id: 'columns', members: 'role == "column"', section: column, material: 'steel', lengths: held },
      { id: 'beams', members: 'role == "beam"', section: beam, material: 'steel', lengths: held },
      { id: 'bases', nodes: 'place == "base"', support: 'fixed' },
      {
        id: 'down',
        members: 'role == "beam"',
        load: { case: 'G', kind: 'point', at: '0.5', F: ['0 kN', '0 kN', '-60 kN'] },
      },
      {
        id: 'push',
        nodes: 'place == "eaves" and side == "left"',
        load: { case: 'Q', kind: 'node', F: ['50 kN', '0 kN', '0 kN'] },
      },
      ...rules,
    ],
    loadCases: cases,
    combinations: [{ id: 'U1', state: 'strength', factors: { G: 1.35, Q: 1.5 } }],
    figures: [],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
    ...more,
  });
}

/** A small hall of two parameters, columns and rafters, with a limit of its sway. */
export function smallHall(more: Partial<Record<keyof Design, unknown>> = {}): Design {
  return designOf({
    ...head,
    parameters: [
      { name: 'column_section', title: 'Column section', kind: 'section', value: 'HEA 200' },
      { name: 'rafter_section', title: 'Rafter section', kind: 'section', value: 'IPE 240' },
    ],
    steps: [{ id: 'hall', make: 'portal', bays: ['12 m'], eaves: '4 m', roof: 'duo', pitch: '8 deg' }],
    rules: [
      {
        id: 'columns',
        members: 'role == "column"',
        section: { parameter: 'column_section' },
        material: 'S355',
        lengths: { Lcz: '2 m', LLT: '2 m' },
      },
      {
        id: 'rafters',
        members: 'role == "rafter"',
        section: { parameter: 'rafter_section' },
        material: 'S355',
        lengths: { Lcz: '2 m', LLT: '2 m' },
      },
      { id: 'bases', nodes: 'place == "base"', support: 'pinned' },
      {
        id: 'roof',
        members: 'role == "rafter"',
        load: { case: 'G', kind: 'line', direction: 'z', q: '-4 kN/m' },
      },
      {
        id: 'wind',
        members: 'role == "column" and side == "left"',
        load: { case: 'Q', kind: 'line', direction: 'x', q: '3 kN/m' },
      },
    ],
    loadCases: cases,
    combinations: [
      { id: 'U1', state: 'strength', factors: { G: 1.35, Q: 1.5 } },
      { id: 'C1', state: 'service', factors: { G: 1, Q: 1 } },
    ],
    figures: [
      {
        id: 'sway',
        title: 'Sway',
        kind: 'displacement',
        nodes: 'place == "eaves"',
        component: 'ux',
        limit: '4 m / 150',
      },
    ],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
    ...more,
  });
}
