import { sectionsBetween } from './between.js';

describe('sections along a taper', () => {
  const shallow = { type: 'i', h: 0.3, b: 0.15, tw: 0.007, tf: 0.011 } as const;
  const deep = { ...shallow, h: 0.5 };

  it('have the dimensions that lie between those of the ends', () => {
    const { shape, properties } = sectionsBetween(shallow, deep)(0.25);
    expect(shape).toEqual(jasmine.objectContaining({ ...shallow, h: 0.35 }));
    // 2·b·tf + (h − 2·tf)·tw
    expect(properties.A).toBeCloseTo(2 * 0.15 * 0.011 + (0.35 - 0.022) * 0.007, 12);
  });

  it('are the same objects for the same ends and share, and others for others', () => {
    const one = sectionsBetween(shallow, deep)(0.5);
    expect(sectionsBetween({ ...shallow }, { ...deep })(0.5)).toBe(one);
    expect(sectionsBetween(deep, shallow)(0.5)).not.toBe(one);
  });

  it('stay right when more pairs came than are kept', () => {
    for (let i = 0; i < 100; i++) sectionsBetween(shallow, { ...deep, h: 0.5 + i / 1000 })(1);
    expect(sectionsBetween(shallow, deep)(1).shape).toEqual(jasmine.objectContaining(deep));
  });
});
