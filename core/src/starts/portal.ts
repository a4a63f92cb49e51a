import {
  alphaCr,
  angle,
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

export const portal: StartingPoint = {
  kind: 'portal',
  title: 'Portal',
  about: 'A pitched portal under snow and wind: pinned bases, fixed bases, or pinned with haunches.',
  design: () =>
    designOfParts({
      title: 'Portal',
      secondOrder: true,
      parameters: [
        length('span', 'Span', '18 m', '6 m', '40 m'),
        length('eaves', 'Eaves height', '5.4 m', '3 m', '12 m'),
        angle('pitch', 'Roof pitch', '8 deg', '2 deg', '35 deg'),
        ...roofParameters('5 m', '0.4 kN/m^2', '0.8 kN/m^2'),
        load('gust', 'Wind pressure', 'areaLoad', '0.6 kN/m^2', '2 kN/m^2'),
        profile('column_section', 'Columns', 'HEB 280'),
        profile('rafter_section', 'Rafters', 'IPE 450'),
      ],
      steps: [{ id: 'portal', make: 'portal', bays: ['span'], eaves: 'eaves', pitch: 'pitch' }],
      rules: [
        section('columns', 'Columns', 'role == "column"', 'column_section'),
        section('rafters', 'Rafters', 'role == "rafter"', 'rafter_section'),
        {
          id: 'held',
          title: 'Side rails and purlins hold the frame sideways',
          members: 'true',
          lengths: { Lcz: '1.6 m', LLT: '3.2 m' },
        },
        { id: 'bases', title: 'Bases', nodes: 'place == "base"', support: 'pinned' },
        ...roofRules('role == "rafter"'),
        {
          id: 'windward',
          title: 'Wind pressure on the left',
          members: 'role == "column" and side == "left"',
          load: { case: 'W', direction: 'x', q: '0.8 * gust * spacing' },
        },
        {
          id: 'leeward',
          title: 'Wind suction on the right',
          members: 'role == "column" and side == "right"',
          load: { case: 'W', direction: 'x', q: '0.4 * gust * spacing' },
        },
      ],
      loadCases: [own, snow, wind],
      choice: {
        id: 'frame',
        title: 'Bases and haunches',
        options: [
          option('pinned', 'pinned bases'),
          option('fixed', 'fixed bases', { rules: [{ id: 'bases', support: 'fixed' }] }),
          option('haunched', 'pinned with haunches', {
            steps: [
              {
                id: 'haunch',
                edit: 'haunch',
                members: 'role == "rafter"',
                end: 'eaves',
                length: 'span / 10',
                depth: '400 mm',
              },
            ],
          }),
        ],
      },
      figures: [
        utilisation,
        deflection('sway', 'Eaves sway', 'place == "eaves"', 'ux', 'eaves / 150'),
        deflection('apex', 'Apex deflection', 'place == "apex"', 'uz', 'span / 200'),
        {
          id: 'thrust',
          title: 'Horizontal reaction',
          kind: 'reaction',
          nodes: 'place == "base"',
          component: 'ux',
        },
        alphaCr,
        mass,
      ],
    }),
};
