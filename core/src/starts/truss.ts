import {
  count,
  deflection,
  designOfParts,
  length,
  mass,
  option,
  own,
  profile,
  roofParameters,
  roofRules,
  section,
  snow,
  utilisation,
  type StartingPoint,
} from './start.js';

export const truss: StartingPoint = {
  kind: 'truss',
  title: 'Truss',
  about: 'A parallel-chord roof truss: Pratt, Warren with verticals, or Howe webs.',
  design: () =>
    designOfParts({
      title: 'Truss',
      secondOrder: true,
      parameters: [
        length('span', 'Span', '24 m', '6 m', '60 m'),
        length('depth', 'Depth', '2 m', '0.5 m', '6 m'),
        count('panels', 'Panels', '8', '2', '30'),
        ...roofParameters('6 m', '0.5 kN/m^2', '1 kN/m^2'),
        profile('chord_section', 'Chords', 'SHS 120x120x8'),
        profile('web_section', 'Webs', 'SHS 80x80x5'),
      ],
      steps: [
        {
          id: 'truss',
          make: 'truss',
          span: 'span',
          depth: 'depth',
          panels: 'panels',
          pattern: 'pratt',
          bearing: 'bottom',
        },
      ],
      rules: [
        section('chords', 'Chords', 'role == "top-chord" or role == "bottom-chord"', 'chord_section'),
        section('webs', 'Webs', 'role == "post" or role == "diagonal"', 'web_section'),
        {
          id: 'axial',
          title: 'Webs carry axial force alone',
          members: 'role == "post" or role == "diagonal"',
          action: 'axial',
        },
        {
          id: 'chord-lengths',
          title: 'Chords buckle between nodes',
          members: 'role == "top-chord" or role == "bottom-chord"',
          lengths: { Lcy: 'span / panels', Lcz: 'span / panels' },
        },
        {
          id: 'left',
          title: 'Left bearing',
          nodes: 'place == "bearing" and side == "left"',
          support: 'pinned',
        },
        {
          id: 'right',
          title: 'Right bearing',
          nodes: 'place == "bearing" and side == "right"',
          support: 'roller',
        },
        ...roofRules('role == "top-chord"'),
      ],
      loadCases: [own, snow],
      choice: {
        id: 'webs',
        title: 'Webs',
        options: [
          option('pratt', 'Pratt'),
          option('warren', 'Warren with verticals', {
            steps: [{ id: 'truss', pattern: 'warren-verticals' }],
          }),
          option('howe', 'Howe', { steps: [{ id: 'truss', pattern: 'howe' }] }),
        ],
      },
      figures: [
        utilisation,
        deflection('deflection', 'Deflection at mid-span', 'place == "bottom"', 'uz', 'span / 250'),
        {
          id: 'chord-force',
          title: 'Force in the chords',
          kind: 'axial',
          members: 'role == "top-chord" or role == "bottom-chord"',
        },
        { id: 'web-force', title: 'Force in the diagonals', kind: 'axial', members: 'role == "diagonal"' },
        mass,
      ],
    }),
};
