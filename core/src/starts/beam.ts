import {
  designOfParts,
  imposed,
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

export const beam: StartingPoint = {
  kind: 'beam',
  title: 'Beam',
  about: 'One beam under a line load: simply supported, clamped at one end, or clamped at both.',
  design: () =>
    designOfParts({
      title: 'Beam',
      parameters: [
        length('span', 'Span', '7.2 m', '1 m', '20 m'),
        load('dead', 'Finishes and slab', 'lineLoad', '6 kN/m', '40 kN/m'),
        load('live', 'Imposed load', 'lineLoad', '9 kN/m', '60 kN/m'),
        profile('beam_section', 'Beam', 'IPE 330'),
      ],
      steps: [
        {
          id: 'beam',
          make: 'line',
          points: [
            ['0 m', '0 m'],
            ['span', '0 m'],
          ],
          role: 'beam',
        },
      ],
      rules: [
        section('beam', 'Beam', 'role == "beam"', 'beam_section'),
        {
          id: 'held',
          title: 'The slab holds the top flange',
          members: 'role == "beam"',
          lengths: { LLT: '0 m', Lcz: '0.5 m' },
        },
        { id: 'left', title: 'Left end', nodes: 'x == 0 m', support: 'pinned' },
        { id: 'right', title: 'Right end', nodes: 'x > 0 m', support: 'roller' },
        {
          id: 'dead',
          title: 'Finishes and slab',
          members: 'true',
          load: { case: 'G', direction: 'z', q: '-dead' },
        },
        {
          id: 'live',
          title: 'Imposed load',
          members: 'true',
          load: { case: 'Q', direction: 'z', q: '-live' },
        },
      ],
      loadCases: [own, imposed],
      choice: {
        id: 'ends',
        title: 'Ends',
        options: [
          option('simple', 'simply supported'),
          option('one', 'one end clamped', { rules: [{ id: 'left', support: 'fixed' }] }),
          option('both', 'both ends clamped', {
            rules: [
              { id: 'left', support: 'fixed' },
              { id: 'right', support: { uz: 'fixed', ry: 'fixed' } },
            ],
          }),
        ],
      },
      figures: [
        utilisation,
        { id: 'deflection', title: 'Deflection', kind: 'deflection', limit: 'span / 250' },
        { id: 'moment', title: 'Greatest moment', kind: 'moment' },
        { id: 'shear', title: 'Greatest shear', kind: 'shear' },
        mass,
      ],
    }),
};
