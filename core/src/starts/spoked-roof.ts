import type { Rule } from '../document/types.js';
import {
  alphaCr,
  count,
  deflection,
  designOfParts,
  length,
  load,
  mass,
  option,
  own,
  profile,
  section,
  snow,
  utilisation,
  type StartingPoint,
} from './start.js';

const rules: readonly Rule[] = [
  section('ribs', 'Ribs', 'role == "rib"', 'rib_section'),
  section('rim', 'Rim and hoops', 'role == "rim" or role == "hoop"', 'rim_section'),
  {
    id: 'held',
    title: 'The roof holds the ribs sideways',
    members: 'role == "rib"',
    lengths: { Lcz: '1.5 m', LLT: '1.5 m' },
  },
  {
    id: 'rim-supports',
    title: 'Columns below the rim',
    nodes: 'place == "rim"',
    support: { uz: 'fixed' },
  },
  {
    id: 'rim-first',
    title: 'Held in plan where x is greatest',
    nodes: 'place == "rim" and x > radius - 0.01 m',
    support: { ux: 'fixed', uy: 'fixed', uz: 'fixed' },
  },
  {
    id: 'rim-last',
    title: 'Held sideways where x is least',
    nodes: 'place == "rim" and x < -radius + 0.01 m',
    support: { uy: 'fixed', uz: 'fixed' },
  },
  {
    id: 'roofing',
    title: 'Roofing',
    members: 'role == "rib"',
    load: { case: 'G', direction: 'z', q: '-roofing' },
  },
  {
    id: 'snow',
    title: 'Snow',
    members: 'role == "rib"',
    load: { case: 'S', direction: 'z', q: '-snow', per: 'projected' },
  },
];

export const spokedRoof: StartingPoint = {
  kind: 'spoked-roof',
  title: 'Spoked roof',
  about: 'A round roof of ribs from a rim to a centre: straight ribs, arched ribs, or arched with hoops.',
  design: () =>
    designOfParts({
      title: 'Spoked roof',
      secondOrder: true,
      space: 'solid',
      parameters: [
        length('radius', 'Radius', '9 m', '3 m', '25 m'),
        length('rise', 'Rise', '2.7 m', '0.3 m', '8 m'),
        count('ribs', 'Ribs', '12', '4', '36'),
        load('roofing', 'Roofing on a rib', 'lineLoad', '2 kN/m', '20 kN/m'),
        load('snow', 'Snow on a rib', 'lineLoad', '3.5 kN/m', '20 kN/m'),
        profile('rib_section', 'Ribs', 'HEA 240'),
        profile('rim_section', 'Rim and hoops', 'SHS 180x180x10'),
      ],
      steps: [
        {
          id: 'roof',
          make: 'ring',
          curve: { circle: 'radius' },
          count: 'ribs',
          rise: 'rise',
          spokes: false,
          rim: true,
          ribs: 'straight',
        },
      ],
      rules,
      loadCases: [own, snow],
      choice: {
        id: 'ribs',
        title: 'Ribs',
        options: [
          option('straight', 'straight ribs'),
          option('arched', 'arched ribs', { steps: [{ id: 'roof', ribs: 'arched' }] }),
          option('hoops', 'arched with two hoops', { steps: [{ id: 'roof', ribs: 'arched', hoops: 2 }] }),
        ],
      },
      figures: [
        utilisation,
        deflection('centre', 'Deflection of the centre', 'place == "centre"', 'uz', 'radius / 125'),
        { id: 'rim-force', title: 'Force in the rim', kind: 'axial', members: 'role == "rim"' },
        { id: 'rib-moment', title: 'Moment in the ribs', kind: 'moment', members: 'role == "rib"' },
        alphaCr,
        mass,
      ],
    }),
};
