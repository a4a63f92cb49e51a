/** The sheet's colours; each means one thing. */
export const colours = {
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
} as const;

export type Colour = keyof typeof colours;

/** Red, green, blue from 0 to 1. */
export const tints = Object.fromEntries(
  Object.entries(colours).map(([name, hex]) => {
    const value = parseInt(hex.slice(1), 16);
    return [name, [(value >> 16) / 255, ((value >> 8) & 255) / 255, (value & 255) / 255]];
  }),
) as unknown as Record<Colour, readonly [number, number, number]>;
