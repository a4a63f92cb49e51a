const storeyHeight = {
  name: 'height',
  title: 'Storey height',
  kind: 'quantity',
  quantity: 'length',
  value: '3.3 m',
  min: '2.5 m',
  max: '5 m',
  step: '0.01 m',
};

/** What both designs begin with: a storey frame in first order, its storey height a parameter. */
function storeyFrame(title: string, fields: object): object {
  return {
    format: 'hashira-design',
    version: 2,
    title,
    space: 'solid',
    analysis: { order: 1, imperfections: false },
    code: { name: 'EN1993' },
    parameters: [storeyHeight],
    steps: [{ id: 'frame', make: 'storey-frame', ...fields }],
  };
}

/** A storey frame of 16 storeys on 4 × 4 bays: 1 040 members, four alternatives, twelve combinations. */
export function thousandMembers(): object {
  const imposed = ['Q1', 'Q2', 'Q3'];
  return {
    ...storeyFrame('Thousand members', {
      baysX: '4 * 6 m',
      baysY: '4 * 5 m',
      storeys: { count: 16, each: 'height' },
    }),
    rules: [
      { id: 'columns', members: 'role == "column"', section: 'HEB 400', material: 'S355' },
      { id: 'beams', members: 'role != "column"', section: 'IPE 400', material: 'S355' },
      { id: 'bases', nodes: 'place == "base"', support: 'fixed' },
      ...imposed.map((id, i) => ({
        id: `imposed ${id}`,
        members: 'role == "beam-x"',
        load: { case: id, kind: 'line', direction: 'z', axes: 'global', q: `${-5 - i} kN/m` },
      })),
      { id: 'wind-x', nodes: 'place == "joint"', load: { case: 'WX', kind: 'node', F: ['3 kN', 0, 0] } },
      { id: 'wind-y', nodes: 'place == "joint"', load: { case: 'WY', kind: 'node', F: [0, '3 kN', 0] } },
    ],
    loadCases: [
      { id: 'G', title: 'Self weight', category: 'permanent', selfWeight: 1 },
      ...imposed.map((id) => ({ id, title: id, category: 'imposed' })),
      ...['WX', 'WY'].map((id) => ({ id, title: id, category: 'wind' })),
    ],
    combinations: Array.from({ length: 12 }, (_, i) => ({
      id: `U${i + 1}`,
      title: `Combination ${i + 1}`,
      state: i < 10 ? 'strength' : 'service',
      factors: { G: 1.35, Q1: 1.5, Q2: 0.1 * (i + 1), Q3: 0.3, WX: 0.1 * (i % 5), WY: 0.1 * (i % 3) },
    })),
    choices: [
      {
        id: 'bases',
        title: 'Bases',
        options: [
          { id: 'fixed', title: 'fixed', changes: {} },
          { id: 'pinned', title: 'pinned', changes: { rules: [{ id: 'bases', support: 'pinned' }] } },
        ],
      },
      {
        id: 'columns',
        title: 'Columns',
        options: [
          { id: '400', title: 'HEB 400', changes: {} },
          { id: '450', title: 'HEB 450', changes: { rules: [{ id: 'columns', section: 'HEB 450' }] } },
        ],
      },
    ],
    alternatives: ['fixed 400', 'fixed 450', 'pinned 400', 'pinned 450'].map((title) => ({
      id: title.replace(' ', '-'),
      title,
      picks: { bases: title.split(' ')[0], columns: title.split(' ')[1] },
    })),
    figures: [
      { id: 'sway', title: 'Top sway', kind: 'displacement', nodes: 'place == "joint"', component: 'ux' },
      { id: 'worst', title: 'Worst utilisation', kind: 'utilisation' },
      { id: 'mass', title: 'Mass', kind: 'mass' },
    ],
  };
}

/** A storey frame of 15 storeys on 3 × 4 bays, each turned by 2° against the one below, with floors two-way: 765 members. */
export function twistedFrame(): object {
  return {
    ...storeyFrame('Twisted frame', {
      baysX: '3 * 6 m',
      baysY: '4 * 5 m',
      storeys: { count: 15, each: 'height' },
      twist: '2 deg',
    }),
    rules: [
      { id: 'columns', members: 'role == "column"', section: 'HEB 300', material: 'S355' },
      { id: 'beams', members: 'role != "column"', section: 'IPE 400', material: 'S355' },
      { id: 'bases', nodes: 'place == "base"', support: 'fixed' },
      {
        id: 'floors',
        members: 'role == "beam-x" or role == "beam-y"',
        area: { case: 'Q', direction: 'z', q: '-3 kN/m^2', share: 'two-way' },
      },
    ],
    loadCases: [
      { id: 'G', title: 'Permanent', category: 'permanent', selfWeight: 1 },
      { id: 'Q', title: 'Imposed', category: 'imposed' },
    ],
    combine: { by: 'EN1990-6.10', states: ['strength', 'service'] },
    figures: [
      { id: 'sag', title: 'Sag', kind: 'displacement', nodes: 'place == "joint"', component: 'uz' },
      { id: 'mass', title: 'Steel mass', kind: 'mass' },
    ],
    alternatives: [{ id: 'a', title: 'Twisted', picks: {} }],
  };
}
