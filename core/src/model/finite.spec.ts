import { findNotFinite } from './finite.js';

describe('numbers of a built model', () => {
  it('that are not finite are told, each with its path', () => {
    const found = findNotFinite({
      nodes: [{ x: 0 }, { x: Infinity }],
      loads: [{ q: [1, NaN] }],
      id: 'a',
      none: null,
    });
    expect(found.map(({ where }) => where['path'])).toEqual(['/nodes/1/x', '/loads/0/q/1']);
    expect(found[0]!.message).toContain('not finite');
  });

  it('that are finite are nothing to tell', () => {
    expect(findNotFinite({ nodes: [{ x: -1e300 }, { x: 0 }], text: 'Infinity' })).toEqual([]);
  });
});
