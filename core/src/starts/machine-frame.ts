import type { Rule } from '../document/types.js';
import {
  bracing,
  deflection,
  designOfParts,
  length,
  load,
  mass,
  option,
  own,
  profile,
  section,
  utilisation,
  type StartingPoint,
} from './start.js';

const top = 'z > bed_height - 10 mm and place == "corner"';

const rules: readonly Rule[] = [
  section('rails', 'Rails and cross members', 'role == "rail" or role == "cross"', 'rail_section'),
  section('legs', 'Legs', 'role == "leg"', 'leg_section'),
  { id: 'feet', title: 'Feet are bolted down', nodes: 'place == "foot"', support: 'pinned' },
  {
    id: 'weight',
    title: 'Weight of the machine',
    nodes: top,
    load: { case: 'Q', kind: 'node', F: ['0 kN', '0 kN', '-weight'] },
  },
  { id: 'machine', title: 'Mass of the machine', nodes: top, mass: 'weight / (9.81 m/s^2)' },
  {
    id: 'push',
    title: 'Push along',
    nodes: top,
    load: { case: 'P', kind: 'node', F: ['push', '0 kN', '0 kN'] },
  },
  {
    id: 'aside',
    title: 'Push aside',
    nodes: top,
    load: { case: 'PA', kind: 'node', F: ['0 kN', 'push', '0 kN'] },
  },
];

export const machineFrame: StartingPoint = {
  kind: 'machine-frame',
  title: 'Machine frame',
  about:
    'A table of hollow sections under a machine that pushes sideways: open, one diagonal a side, or crossed.',
  design: () =>
    designOfParts({
      title: 'Machine frame',
      space: 'solid',
      parameters: [
        length('bed_length', 'Length', '2.4 m', '0.6 m', '8 m'),
        length('bed_width', 'Width', '1.2 m', '0.4 m', '4 m'),
        length('bed_height', 'Height', '0.9 m', '0.3 m', '3 m'),
        load('weight', 'Weight on a corner', 'force', '10 kN', '80 kN'),
        load('push', 'Push at a corner', 'force', '3 kN', '30 kN'),
        profile('rail_section', 'Rails and cross members', 'RHS 80x40x4'),
        profile('leg_section', 'Legs', 'SHS 50x50x4'),
        profile('brace_section', 'Bracing', 'SHS 40x40x4'),
      ],
      steps: [
        {
          id: 'frame',
          make: 'machine-frame',
          length: 'bed_length',
          width: 'bed_width',
          levels: ['150 mm', 'bed_height'],
          legs: ['0 m', 'bed_length'],
        },
        {
          id: 'corners',
          edit: 'trim',
          members: 'role == "rail" and z > bed_height - 10 mm',
          by: 'role == "cross"',
          corner: 'mitre',
        },
      ],
      rules,
      loadCases: [
        own,
        { id: 'Q', title: 'Machine', category: 'permanent' },
        { id: 'P', title: 'Push along', category: 'crane', excludes: ['PA'] },
        { id: 'PA', title: 'Push aside', category: 'crane' },
      ],
      choice: {
        id: 'bracing',
        title: 'Bracing',
        options: [
          option('open', 'open'),
          ...(['diagonal', 'cross'] as const).map((kind) =>
            option(kind, kind === 'cross' ? 'crossed' : 'one diagonal', {
              steps: [{ id: 'frame', bracing: { long: kind, short: kind, top: 'open' } }],
              rules: [bracing('axial')],
            }),
          ),
        ],
      },
      figures: [
        utilisation,
        { id: 'frequency', title: 'First frequency', kind: 'frequency', limit: '12 Hz' },
        deflection('along', 'Shift along', top, 'ux', '1 mm'),
        deflection('aside', 'Shift aside', top, 'uy', '1 mm'),
        mass,
      ],
    }),
};
