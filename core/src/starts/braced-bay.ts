import {
  alphaCr,
  bracing,
  deflection,
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

export const bracedBay: StartingPoint = {
  kind: 'braced-bay',
  title: 'Braced bay',
  about:
    'Two bays of three storeys under floor loads and wind: rigid joints, X bracing in tension only, or chevrons.',
  design: () =>
    designOfParts({
      title: 'Braced bay',
      secondOrder: true,
      parameters: [
        length('bay_width', 'Bay', '6 m', '3 m', '12 m'),
        length('storey_height', 'Storey height', '3.4 m', '2.5 m', '6 m'),
        load('dead', 'Floors', 'lineLoad', '12 kN/m', '60 kN/m'),
        load('live', 'Imposed load', 'lineLoad', '15 kN/m', '60 kN/m'),
        load('push', 'Wind on a floor', 'force', '18 kN', '100 kN'),
        profile('column_section', 'Columns', 'HEB 220'),
        profile('beam_section', 'Beams', 'IPE 360'),
        profile('brace_section', 'Bracing', 'SHS 90x90x5'),
      ],
      steps: [
        {
          id: 'bay',
          make: 'braced-bay',
          bays: ['bay_width', 'bay_width'],
          storeys: { count: 3, each: 'storey_height' },
          bracing: 'none',
        },
      ],
      rules: [
        section('columns', 'Columns', 'role == "column"', 'column_section'),
        section('beams', 'Beams', 'role == "beam"', 'beam_section'),
        ...heldByFloors('role == "beam"'),
        { id: 'bases', title: 'Bases', nodes: 'place == "base"', support: 'fixed' },
        {
          id: 'dead',
          title: 'Floors',
          members: 'role == "beam"',
          load: { case: 'G', direction: 'z', q: '-dead' },
        },
        {
          id: 'live',
          title: 'Imposed load',
          members: 'role == "beam"',
          load: { case: 'Q', direction: 'z', q: '-live' },
        },
        {
          id: 'wind',
          title: 'Wind',
          nodes: 'place == "joint" and side == "left"',
          load: { case: 'W', kind: 'node', F: ['push', '0 kN', '0 kN'] },
        },
      ],
      loadCases: [own, imposed, wind],
      choice: {
        id: 'bracing',
        title: 'Bracing',
        options: [
          option('rigid', 'rigid joints'),
          option('x', 'X in tension only', {
            steps: [{ id: 'bay', bracing: 'x', panels: 'bay == 1' }],
            rules: [{ id: 'bases', support: 'pinned' }, bracing('tension-only')],
          }),
          option('chevron', 'chevrons', {
            steps: [{ id: 'bay', bracing: 'chevron', panels: 'bay == 1' }],
            rules: [{ id: 'bases', support: 'pinned' }, bracing('axial')],
          }),
        ],
      },
      figures: [
        utilisation,
        { id: 'drift', title: 'Drift of a storey', kind: 'drift', limit: '1 / 300' },
        deflection(
          'sway',
          'Sway of the top',
          'place == "joint" and storey == 3',
          'ux',
          '3 * storey_height / 400',
        ),
        alphaCr,
        mass,
      ],
    }),
};
