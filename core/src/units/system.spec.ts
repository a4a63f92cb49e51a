import { quantityOf } from '../language/evaluate.js';
import { formatExact, formatPlain, formatWithUnit, toExpression } from './format.js';
import { quantities, type QuantityName } from './quantities.js';
import { showUnits, shownUnit, unitSystems } from './system.js';

const names = Object.keys(quantities) as QuantityName[];
const place = { what: 'a spec', where: {} };
const plain = (text: string) => text.replace(/\u00a0/g, ' ');

describe('the reader’s units', () => {
  afterEach(() => showUnits('metric'));

  it('have factors that agree with the unit as formulas write it (mathjs has 1 lbf = 4.4482216 N)', () => {
    for (const system of unitSystems) {
      showUnits(system);
      for (const name of names) {
        const { expressionUnit, factor } = shownUnit(name);
        if (expressionUnit === '') continue;
        const one = quantityOf(`1 ${expressionUnit}`, { parameters: new Map() }, name, place);
        expect(one * factor)
          .withContext(`${system} ${name}`)
          .toBeCloseTo(1, 8);
      }
    }
  });

  it('US customary: values of NIST SP 811, appendix B', () => {
    showUnits('us');
    // 1 lbf = 4.4482216152605 N, 1 psi = 6894.757 Pa, 1 lbf/ft² = 47.88026 Pa, 1 lbf·ft = 1.355818 N·m
    expect(plain(formatWithUnit(4448.2216152605, 'force', 6))).toBe('1.00000 kip');
    expect(plain(formatWithUnit(6.894757e6, 'stress', 6))).toBe('1.00000 ksi');
    expect(plain(formatWithUnit(47.88026, 'areaLoad', 6))).toBe('1.00000 psf');
    expect(plain(formatWithUnit(1355.818, 'moment', 6))).toBe('1.00000 kip·ft');
    expect(plain(formatPlain(0.3048, 'length'))).toBe('1 ft');
    expect(plain(formatExact(0.0254, 'deflection'))).toBe('1 in');
    expect(toExpression(6.096, 'length')).toBe('20 ft');
  });

  it('are metric unless something else is chosen', () => {
    expect(toExpression(6.5, 'length')).toBe('6.5 m');
    showUnits('us');
    showUnits('metric');
    expect(plain(formatWithUnit(1e3, 'force'))).toBe('1.00 kN');
  });

  it('are named in what is wrong with a formula', () => {
    showUnits('us');
    expect(() => quantityOf('24', { parameters: new Map() }, 'length', place)).toThrowError(
      /a value in ft.*"24 ft"/,
    );
  });
});
