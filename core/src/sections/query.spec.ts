import { ProblemError } from '../base/problem.js';
import { massOf, parseQuery, propertyOf, queryProfiles, type Condition } from './query.js';

const conditionsOf = (text: string): readonly Condition[] => parseQuery(`IPE with ${text}`).conditions;
const names = (text: string): string[] => queryProfiles(parseQuery(text)).map(({ name }) => name);

describe('a question to the library', () => {
  it('takes every word for above and below, and signs', () => {
    for (const word of [
      'above',
      'over',
      'more than',
      'greater than',
      'at least',
      'from',
      'min',
      '>=',
      '>',
      '≥',
    ])
      expect(conditionsOf(`depth ${word} 200 mm`))
        .withContext(word)
        .toEqual([{ property: 'h', min: 0.2 }]);
    for (const word of ['below', 'under', 'less than', 'at most', 'up to', 'max', '<=', '<', '≤'])
      expect(conditionsOf(`depth ${word} 200 mm`))
        .withContext(word)
        .toEqual([{ property: 'h', max: 0.2 }]);
    expect(conditionsOf('depth is above 200 mm')).toEqual([{ property: 'h', min: 0.2 }]);
  });

  it('converts units by their dimension: lengths, areas, moduli, second moments, warping, mass', () => {
    const cases: [text: string, property: string, value: number][] = [
      ['h above 8 in', 'h', 0.2032],
      ['A above 53.8 cm2', 'A', 53.8e-4],
      ['area above 5380 mm²', 'A', 5380e-6],
      ['Wpl,y above 628 cm^3', 'Wply', 628e-6],
      ['Zx above 38.3 in3', 'Wply', 38.3 * 0.0254 ** 3],
      ['Iy above 8356 cm⁴', 'Iy', 8356e-8],
      ['iy above 12.46 cm', 'iy', 0.1246],
      ['iz above 33.5 mm', 'iz', 0.0335],
      ['Iw above 125.9e3 cm6', 'Iw', 125.9e-9],
      ['It above 20.1 cm4', 'J', 20.1e-8],
      ['shear area above 25.7 cm²', 'Avz', 25.7e-4],
      ['mass above 42.2 kg/m', 'mass', 42.2],
      ['weight above 30 lb/ft', 'mass', 44.645],
      ['g above 42', 'mass', 42],
    ];
    for (const [text, property, value] of cases) {
      const [found] = conditionsOf(text);
      expect(found!.property as string)
        .withContext(text)
        .toBe(property);
      expect(found!.min! / value)
        .withContext(text)
        .toBeCloseTo(1, 4);
    }
  });

  it('reads a decimal comma, several conditions and a range whose unit stands once', () => {
    expect(conditionsOf('h over 200,5 mm and b up to 150 mm; mass below 40 kg/m')).toEqual([
      { property: 'h', min: 0.2005 },
      { property: 'b', max: 0.15 },
      { property: 'mass', max: 40 },
    ]);
    const [range] = conditionsOf('depth between 200 and 300 mm');
    expect(range!.min).toBeCloseTo(0.2, 12);
    expect(range!.max).toBeCloseTo(0.3, 12);
    const [mixed] = conditionsOf('depth between 20 cm and 300 mm');
    expect(mixed!.min).toBeCloseTo(0.2, 12);
  });

  it('orders by mass, or by what the first word says', () => {
    expect(parseQuery('IPE').by).toBe('mass');
    const cases: [string, string, boolean][] = [
      ['lightest', 'mass', false],
      ['heaviest', 'mass', true],
      ['shallowest', 'h', false],
      ['deepest', 'h', true],
      ['narrowest', 'b', false],
      ['widest', 'b', true],
      ['stiffest', 'Iy', true],
      ['strongest', 'Wply', true],
    ];
    for (const [word, by, descending] of cases) {
      const query = parseQuery(`${word} IPE`);
      expect([query.by as string, query.descending])
        .withContext(word)
        .toEqual([by, descending]);
      const values = queryProfiles(query).map((entry) => propertyOf(entry, query.by!)!);
      for (let i = 1; i < values.length; i++)
        expect(descending ? values[i]! <= values[i - 1]! : values[i]! >= values[i - 1]!).toBeTrue();
    }
  });

  it('asks one series, several, or all of steel', () => {
    expect(names('IPE').length).toBe(18);
    expect(names('HEA or HEB').every((name) => /^HE[AB]/.test(name))).toBeTrue();
    expect(names('HEA or HEB').length).toBe(names('HEA').length + names('HEB').length);
    expect(names('CF SHS').every((name) => name.startsWith('CF SHS'))).toBeTrue();
    const all = queryProfiles(parseQuery('lightest section with Iy above 1 cm4'));
    expect(all.every(({ material }) => (material ?? 'steel') === 'steel')).toBeTrue();
  });

  // EN 10365: HEA 300 is 88.3 kg/m and 290 mm deep; of 300 mm and less the next with Wpl,y ≥ 1400 cm³ is HEB 260 … 280
  it('takes a profile whose value is the bound itself, and none beyond', () => {
    expect(names('HEA with depth up to 290 mm')).toContain('HEA 300');
    expect(names('HEA with depth up to 289 mm')).not.toContain('HEA 300');
    expect(names('HEA with depth at least 290 mm')).toContain('HEA 300');
    expect(names('HEB with Wpl,y above 1400 cm3 and depth up to 300 mm')[0]).toBe('HEB 280');
  });

  it('knows the mass of an aluminium tube and a glulam beam by their own densities', () => {
    const [tube] = queryProfiles(parseQuery('ALU SHS'));
    expect(massOf(tube!)).toBeCloseTo(propertyOf(tube!, 'A')! * 2700, 6);
    // GL 80x120: 0.0096 m² of 420 kg/m³
    const [beam] = queryProfiles(parseQuery('GL'));
    expect(massOf(beam!)).toBeCloseTo(0.0096 * 420, 6);
  });

  it('says which words it does not understand, and what it would', () => {
    const cases: [text: string, words: string[]][] = [
      ['lightest FOO', ['"FOO"', 'a series is one of']],
      ['IPE with colour above 3 mm', ['colour', 'begins with a property']],
      ['IPE with depth around 300 mm', ['above']],
      ['IPE with depth above', ['number']],
      ['IPE with depth above 3 cm2', ['length', 'mm']],
      ['IPE with Wpl,y above 1200 mm', ['power 3', 'cm3']],
      ['IPE with A above 12 miles2', ['power 2']],
      ['IPE with mass above 12 mm', ['kg/m']],
    ];
    for (const [text, words] of cases) {
      let message = '';
      try {
        parseQuery(text);
      } catch (error) {
        expect(error).toBeInstanceOf(ProblemError);
        expect((error as ProblemError).problems[0]!.code).toBe('unknown-query');
        message = (error as ProblemError).problems[0]!.message;
      }
      for (const word of words) expect(message).withContext(text).toContain(word);
    }
  });
});
