import type { Rule } from '../document/types.js';
import {
  alphaCr,
  angle,
  bracing,
  deflection,
  designOfParts,
  length,
  load,
  mass,
  option,
  own,
  profile,
  roofParameters,
  roofRules,
  section,
  snow,
  utilisation,
  wind,
  type StartingPoint,
} from './start.js';

const rules: readonly Rule[] = [
  section('columns', 'Columns', 'role == "column"', 'column_section'),
  section('rafters', 'Rafters', 'role == "rafter"', 'rafter_section'),
  section('purlins', 'Purlins', 'role == "purlin"', 'purlin_section'),
  bracing('axial'),
  {
    id: 'held',
    title: 'Rails and purlins hold the frames',
    members: 'role == "column" or role == "rafter"',
    lengths: { Lcz: '1.6 m', LLT: '3.2 m' },
  },
  {
    id: 'purlin-ends',
    title: 'Purlins are hinged',
    members: 'role == "purlin"',
    hinge: ['My', 'Mz'],
    at: 'both',
  },
  {
    id: 'bases',
    title: 'Bases',
    nodes: 'place == "base"',
    support: { ux: 'fixed', uy: 'fixed', uz: 'fixed', rz: 'fixed' },
  },
  ...roofRules('role == "rafter"'),
  {
    id: 'wind',
    title: 'Wind on the long side',
    members: 'role == "column" and x < 0.1 m',
    load: { case: 'W', direction: 'x', q: '1.2 * gust * spacing' },
  },
  {
    id: 'gable',
    title: 'Wind on the gable',
    nodes: '(place == "eaves" or place == "apex") and y < 0.1 m',
    load: { case: 'WY', kind: 'node', F: ['0 kN', '0.5 * gust * eaves * span / 2', '0 kN'] },
  },
];

export const hall: StartingPoint = {
  kind: 'hall',
  title: 'Hall of portals',
  about: 'Five portals in a row with purlins and bracing: bracing in both end bays, or in the middle.',
  design: () =>
    designOfParts({
      title: 'Hall of portals',
      secondOrder: true,
      space: 'solid',
      parameters: [
        length('span', 'Span', '15 m', '6 m', '40 m'),
        length('eaves', 'Eaves height', '5 m', '3 m', '12 m'),
        angle('pitch', 'Roof pitch', '8 deg', '2 deg', '35 deg'),
        ...roofParameters('5.5 m', '0.4 kN/m^2', '0.8 kN/m^2'),
        load('gust', 'Wind pressure', 'areaLoad', '0.6 kN/m^2', '2 kN/m^2'),
        profile('column_section', 'Columns', 'HEB 280'),
        profile('rafter_section', 'Rafters', 'IPE 450'),
        profile('purlin_section', 'Purlins', 'SHS 120x120x5'),
        profile('brace_section', 'Bracing', 'CHS 76.1x4'),
      ],
      steps: [
        { id: 'portal', make: 'portal', bays: ['span'], eaves: 'eaves', pitch: 'pitch' },
        { id: 'purlins', edit: 'divide', members: 'role == "rafter"', parts: 3 },
        {
          id: 'row',
          edit: 'copy',
          count: 4,
          by: ['0 m', 'spacing', '0 m'],
          join: 'place == "eaves" or place == "apex" or place == "division"',
          joinRole: 'purlin',
        },
        {
          id: 'bracing',
          edit: 'brace',
          panels:
            '(row == 1 or row == 4) and role == "purlin" or role == "rafter" or role == "column" and (x < 0.1 m or x > span - 0.1 m)',
          pattern: 'x',
        },
      ],
      rules,
      loadCases: [
        own,
        snow,
        { ...wind, title: 'Wind on the long side', excludes: ['WY'] },
        { ...wind, id: 'WY', title: 'Wind on the gable' },
      ],
      choice: {
        id: 'bracing',
        title: 'Braced bays',
        options: [
          option('ends', 'bracing at both ends'),
          option('middle', 'bracing in the middle', {
            steps: [
              {
                id: 'bracing',
                panels:
                  '(row == 2 or row == 3) and role == "purlin" or role == "rafter" or role == "column" and (x < 0.1 m or x > span - 0.1 m)',
              },
            ],
          }),
        ],
      },
      figures: [
        utilisation,
        deflection('sway', 'Eaves sway', 'place == "eaves"', 'ux', 'eaves / 150'),
        deflection('along', 'Shift along the hall', 'place == "eaves"', 'uy', 'eaves / 150'),
        { id: 'brace-force', title: 'Force in the bracing', kind: 'axial', members: 'role == "brace"' },
        alphaCr,
        mass,
      ],
    }),
};
