import { freePlace } from './free-places.js';

describe('places of an empty sheet', () => {
  const axes = [
    { along: 'x', name: 'A', at: 0 },
    { along: 'x', name: 'B', at: 6.2 },
    { along: 'z', name: '1', at: 3.4 },
  ] as const;
  const plane = { space: 'plane', axes, spacing: 0.5, reach: 0.2 } as const;

  it('are crossings of grid lines where these are near', () => {
    const { at, coordinates, title } = freePlace([6.1, 0, 3.5], plane);
    expect(at).toEqual([6.2, 0, 3.4]);
    expect(coordinates).toEqual(['6.2 m', '3.4 m']);
    expect(title).toBe('on B and 1');
  });

  it('are on one grid line and a multiple of the spacing, or on multiples alone', () => {
    expect(freePlace([0.1, 0, 1.8], plane).title).toBe('on A, z 2 m');
    expect(freePlace([2.6, 0, -0.1], plane)).toEqual({
      at: [2.5, 0, 0],
      coordinates: ['2.5 m', '0 m'],
      title: 'x 2.5 m, z 0 m',
    });
  });

  it('have three coordinates in space', () => {
    expect(freePlace([2.6, 1.3, 0.1], { ...plane, space: 'solid', spacing: 0.1 }).coordinates).toEqual([
      '2.6 m',
      '1.3 m',
      '0.1 m',
    ]);
  });
});
