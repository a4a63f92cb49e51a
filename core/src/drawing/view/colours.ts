import type { Colour } from '../drawing.js';

/** Hex values of the sheet's colours. */
export const colourValues: Readonly<Record<Colour, string>> = {
  paper: '#F7F4EC',
  sheet: '#FFFDF8',
  ink: '#22252B',
  inkSoft: '#5C6069',
  inkFaint: '#C9C5B9',
  indigo: '#2B4C8C',
  vermilion: '#C8452D',
  moss: '#5E7A3A',
  plum: '#7B3F6E',
  teal: '#1F7A78',
  ochre: '#B7791F',
};
