import {
  alphaCr,
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

export const arch: StartingPoint = {
  kind: 'arch',
  title: 'Arch',
  about: 'A parabolic roof arch under full and one-sided snow: fixed, with two hinges, or with three.',
  design: () =>
    designOfParts({
      title: 'Arch',
      parameters: [
        length('span', 'Span', '24 m', '6 m', '60 m'),
        length('rise', 'Rise', '5 m', '1 m', '20 m'),
        count('parts', 'Members', '12', '4', '40'),
        ...roofParameters('6 m', '0.4 kN/m^2', '0.8 kN/m^2'),
        profile('arch_section', 'Arch', 'IPE 450'),
      ],
      steps: [{ id: 'arch', make: 'arch', span: 'span', rise: 'rise', curve: 'parabolic', members: 'parts' }],
      rules: [
        section('arch', 'Arch', 'role == "arch"', 'arch_section'),
        {
          id: 'lengths',
          title: 'Purlins hold the arch sideways',
          members: 'role == "arch"',
          lengths: 'buckling-analysis',
          restraints: 'true',
        },
        { id: 'springings', title: 'Springings', nodes: 'place == "springing"', support: 'fixed' },
        ...roofRules('role == "arch"'),
        {
          id: 'left',
          title: 'Snow on the left half',
          members: 'role == "arch" and x < span / 2',
          load: { case: 'SL', direction: 'z', q: '-snow * spacing', per: 'projected' },
        },
      ],
      loadCases: [own, { ...snow, excludes: ['SL'] }, { ...snow, id: 'SL', title: 'Snow on one side' }],
      choice: {
        id: 'hinges',
        title: 'Hinges',
        options: [
          option('two', 'two hinges', { rules: [{ id: 'springings', support: 'pinned' }] }),
          option('fixed', 'fixed'),
          option('three', 'three hinges', {
            rules: [
              { id: 'springings', support: 'pinned' },
              { id: 'crown', title: 'Crown', nodes: 'place == "crown"', hinge: ['My'] },
            ],
          }),
        ],
      },
      figures: [
        utilisation,
        deflection(
          'deflection',
          'Greatest deflection',
          'place == "arch" or place == "crown"',
          'uz',
          'span / 250',
        ),
        { id: 'moment', title: 'Moment in the arch', kind: 'moment' },
        { id: 'thrust', title: 'Thrust', kind: 'reaction', nodes: 'place == "springing"', component: 'ux' },
        alphaCr,
        mass,
      ],
    }),
};
