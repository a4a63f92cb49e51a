import type { Rule } from '../document/types.js';
import {
  alphaCr,
  bracing,
  designOfParts,
  heldByFloors,
  imposed,
  length,
  load,
  mass,
  option,
  own,
  profile,
  section,
  utilisation,
  wind,
  type StartingPoint,
} from './start.js';

const beams = 'role == "beam-x" or role == "beam-y"';

const rules: readonly Rule[] = [
  section('columns', 'Columns', 'role == "column"', 'column_section'),
  section('beams', 'Beams', beams, 'beam_section'),
  ...heldByFloors(beams),
  { id: 'bases', title: 'Bases', nodes: 'place == "base"', support: 'fixed' },
  {
    id: 'dead',
    title: 'Floors',
    members: beams,
    area: { case: 'G', direction: 'z', q: '-dead', share: 'two-way', per: 'length' },
  },
  {
    id: 'live',
    title: 'Imposed load',
    members: beams,
    area: { case: 'Q', direction: 'z', q: '-live', share: 'two-way', per: 'length' },
  },
  {
    id: 'wind-x',
    title: 'Wind on the short side',
    members: 'role == "column" and side == "left"',
    load: { case: 'W', direction: 'x', q: '1.2 * gust * bay_y' },
  },
  {
    id: 'wind-y',
    title: 'Wind on the long side',
    members: 'role == "column" and row == 1',
    load: { case: 'WY', direction: 'y', q: '1.2 * gust * bay_x' },
  },
];

export const storeyFrame: StartingPoint = {
  kind: 'storey-frame',
  title: 'Storey frame',
  about: 'Three storeys on three by two bays with rigid floors: rigid joints, or braced in the outer frames.',
  design: () =>
    designOfParts({
      title: 'Storey frame',
      space: 'solid',
      secondOrder: true,
      parameters: [
        length('bay_x', 'Bay along', '6 m', '3 m', '12 m'),
        length('bay_y', 'Bay across', '5 m', '3 m', '12 m'),
        length('storey_height', 'Storey height', '3.3 m', '2.5 m', '6 m'),
        load('dead', 'Floors', 'areaLoad', '3 kN/m^2', '10 kN/m^2'),
        load('live', 'Imposed load', 'areaLoad', '3 kN/m^2', '10 kN/m^2'),
        load('gust', 'Wind pressure', 'areaLoad', '0.8 kN/m^2', '2 kN/m^2'),
        profile('column_section', 'Columns', 'HEB 260'),
        profile('beam_section', 'Beams', 'IPE 360'),
        profile('brace_section', 'Bracing', 'SHS 100x100x5'),
      ],
      steps: [
        {
          id: 'frame',
          make: 'storey-frame',
          baysX: '3 * bay_x',
          baysY: '2 * bay_y',
          storeys: { count: 3, each: 'storey_height' },
        },
        { id: 'floors', edit: 'floor', nodes: 'place == "joint"', kind: 'plane' },
      ],
      rules,
      loadCases: [
        own,
        imposed,
        { ...wind, title: 'Wind on the short side', excludes: ['WY'] },
        { ...wind, id: 'WY', title: 'Wind on the long side' },
      ],
      choice: {
        id: 'stability',
        title: 'What holds it',
        options: [
          option('rigid', 'rigid joints'),
          option('braced', 'outer frames braced', {
            steps: [
              // Each way by itself, so that no floor is taken for a panel
              {
                id: 'bracing-x',
                edit: 'brace',
                panels: '(role == "column" or role == "beam-x") and (row == 1 or row == 3)',
                pattern: 'diagonal',
              },
              {
                id: 'bracing-y',
                edit: 'brace',
                panels: '(role == "column" or role == "beam-y") and (x < 0.1 m or x > 3 * bay_x - 0.1 m)',
                pattern: 'diagonal',
              },
            ],
            rules: [bracing('axial')],
          }),
        ],
      },
      figures: [
        utilisation,
        { id: 'drift', title: 'Drift of a storey', kind: 'drift', limit: '1 / 300' },
        { id: 'beam-moment', title: 'Moment in beams', kind: 'moment', members: beams },
        { id: 'column-force', title: 'Force in columns', kind: 'axial', members: 'role == "column"' },
        alphaCr,
        mass,
      ],
    }),
};
