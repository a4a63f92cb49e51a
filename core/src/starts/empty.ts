import type { Design } from '../document/types.js';

/** A design in which nothing was made yet: members are drawn into it, or made by steps. */
export const emptyDesign = (space: 'plane' | 'solid'): Design => ({
  format: 'hashira-design',
  version: 2,
  title: space === 'plane' ? 'Plane frame' : 'Solid frame',
  space,
  analysis: { order: 1, imperfections: false },
  code: { name: 'EN1993' },
  sections: [],
  materials: [],
  axes: [],
  parameters: [],
  steps: [],
  rules: [],
  loadCases: [],
  combinations: [],
  choices: [],
  alternatives: [{ id: 'first', title: 'First', picks: {} }],
  reference: 'first',
  figures: [
    { id: 'utilisation', title: 'Utilisation', kind: 'utilisation' },
    { id: 'mass', title: 'Steel mass', kind: 'mass' },
  ],
});
