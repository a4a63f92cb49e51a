import { american } from './american.js';
import { european } from './european.js';
import type { PublishedProfile } from './profile.js';

/** Columns of the tables: property of the details, and the unit that a printed value has (cm or in to a power). */
export const publishedProperties: Readonly<Record<string, readonly [key: string, dimension: number]>> = {
  A: ['A', 2],
  Iy: ['Iy', 4],
  Wely: ['Wely', 3],
  Wply: ['Wply', 3],
  Iz: ['Iz', 4],
  Welz: ['Welz', 3],
  Wplz: ['Wplz', 3],
  It: ['J', 4],
  Iw: ['Iw', 6],
  Avz: ['Avz', 2],
  Iu: ['Iu', 4],
  Iv: ['Iv', 4],
  iv: ['iv', 1],
  cy: ['left', 1],
  cz: ['bottom', 1],
};

export const published: readonly (PublishedProfile & { readonly unit: number })[] = [
  ...european.map((one) => ({ ...one, unit: 0.01 })),
  ...american.map((one) => ({ ...one, unit: 0.0254 })),
];
