import { quantityOf } from '../language/evaluate.js';
import { quantities, type QuantityName } from './quantities.js';
import { metric, unitsOf, unitSystems } from './units.js';

const names = Object.keys(quantities) as QuantityName[];
const place = { what: 'a spec', where: {} };
const plain = (text: string) => text.replace(/\u00a0/g, ' ');

describe('a typed number', () => {
  it('gets the unit that is shown where it is bare, and stays as it is where it is not', () => {
    expect(['24', ' 6,4 ', '-.5'].map((text) => metric.typed(text, 'length'))).toEqual([
      '24 m',
      '6.4 m',
      '-.5 m',
    ]);
    expect(metric.typed('9', 'angle')).toBe('9 deg');
    expect(metric.typed('3', 'number')).toBe('3');
    expect(['24 ft', 'span', '2 * 3', ''].map((text) => metric.typed(text, 'length'))).toEqual([
      '24 ft',
      'span',
      '2 * 3',
      '',
    ]);
  });
});

describe('a value in SI', () => {
  it('goes from SI to the display unit', () => {
    expect(metric.number(12345, 'force')).toBe('12.3');
    expect(metric.withUnit(2.55e-2, 'deflection')).toBe('25.5\u00a0mm');
    expect(metric.withUnit(Math.PI / 20, 'angle')).toBe('9.00°');
    expect(metric.plain(0.45e3, 'areaLoad')).toBe('0.45\u00a0kN/m²');
    expect(metric.exact(0.1 + 0.2, 'length')).toBe('0.3 m');
  });

  it('writes expressions that mean the same value', () => {
    expect(metric.expression(22, 'length')).toBe('22 m');
    expect(metric.expression(Math.PI / 20, 'angle')).toBe('9 deg');
    expect(metric.expression(450, 'areaLoad')).toBe('0.45 kN/m^2');
    expect(metric.expression(0.7, 'number')).toBe('0.7');
  });
});

describe('the reader’s units', () => {
  it('have factors that agree with the unit as formulas write it (mathjs has 1 lbf = 4.4482216 N)', () => {
    for (const system of unitSystems)
      for (const name of names) {
        const units = unitsOf(system);
        const { expressionUnit, factor } = units.of(name);
        if (expressionUnit === '') continue;
        const one = quantityOf(`1 ${expressionUnit}`, { parameters: new Map(), units }, name, place);
        expect(one * factor)
          .withContext(`${system} ${name}`)
          .toBeCloseTo(1, 8);
      }
  });

  it('US customary: values of NIST SP 811, appendix B', () => {
    const us = unitsOf('us');
    // 1 lbf = 4.4482216152605 N, 1 psi = 6894.757 Pa, 1 lbf/ft² = 47.88026 Pa, 1 lbf·ft = 1.355818 N·m
    expect(plain(us.withUnit(4448.2216152605, 'force', 6))).toBe('1.00000 kip');
    expect(plain(us.withUnit(6.894757e6, 'stress', 6))).toBe('1.00000 ksi');
    expect(plain(us.withUnit(47.88026, 'areaLoad', 6))).toBe('1.00000 psf');
    expect(plain(us.withUnit(1355.818, 'moment', 6))).toBe('1.00000 kip·ft');
    expect(plain(us.plain(0.3048, 'length'))).toBe('1 ft');
    expect(plain(us.exact(0.0254, 'deflection'))).toBe('1 in');
    expect(us.expression(6.096, 'length')).toBe('20 ft');
    expect(us.typed('24', 'length')).toBe('24 ft');
  });

  it('are named in what is wrong with a formula', () => {
    const inFeet = () => quantityOf('24', { parameters: new Map(), units: unitsOf('us') }, 'length', place);
    expect(inFeet).toThrowError(/a value in ft.*"24 ft"/);
    const inMetres = () => quantityOf('24', { parameters: new Map(), units: metric }, 'length', place);
    expect(inMetres).toThrowError(/a value in m,.*"24 m"/);
  });
});
