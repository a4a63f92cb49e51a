import type { Step } from '../../document/types.js';

/** Small frames on which edits show what they do; only drawn, never calculated. */
export const portal = (): Step => ({
  id: 'portal',
  make: 'portal',
  bays: ['22 m'],
  eaves: '6.4 m',
  roof: 'duo',
  pitch: '15 deg',
});

/** The left half of a portal. */
export const half = (): Step => ({
  id: 'half',
  make: 'line',
  points: [
    ['0 m', '0 m'],
    ['0 m', '6.4 m'],
    ['11 m', '9.4 m'],
  ],
});

export const bay = (fields: { bays: string[]; storeys: string[] }): Step => ({
  id: 'bay',
  make: 'braced-bay',
  bracing: 'none',
  ...fields,
});

export const storeys = (): Step => ({
  id: 'frame',
  make: 'storey-frame',
  baysX: ['5 m', '5 m'],
  baysY: ['4 m'],
  storeys: ['3.5 m', '3.5 m'],
});

/** A short post that hangs free. */
export const point = (id: string, [x, z]: [string, string]): Step => ({
  id,
  make: 'line',
  points: [
    [x, z],
    [x, `${z} - 1 m`],
  ],
});

/** Two lines that cross without being joined. */
export const lines = (): Step => ({
  id: 'lines',
  make: 'line',
  points: [
    ['0 m', '0 m'],
    ['8 m', '5 m'],
    ['0 m', '5 m'],
    ['8 m', '0 m'],
  ],
  pairs: [
    [0, 1],
    [2, 3],
  ],
});

export const machine = (): Step => ({
  id: 'bed',
  make: 'machine-frame',
  length: '2.8 m',
  width: '1.1 m',
  levels: ['0.75 m'],
});
