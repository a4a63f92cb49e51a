import { searchProfiles, seriesFor } from './search.js';

const names = (text: string, series?: string) =>
  searchProfiles(text, series).profiles.map(({ name }) => name);

describe('searchProfiles', () => {
  it('takes names in any spelling, those that begin so first', () => {
    expect(names('ipe300')[0]).toBe('IPE 300');
    expect(names('heb 24')).toEqual(['HEB 240']);
    expect(names('W14x9')).toContain('W14X90');
  });

  it('gives all of steel where nothing was typed, and one series where one is chosen', () => {
    expect(names('').length).toBeGreaterThan(1500);
    expect(names('', 'HEA').every((name) => name.startsWith('HEA '))).toBeTrue();
  });

  it('has each series once, those of the region of the code first', () => {
    const european = seriesFor('EN1993');
    expect(new Set(european).size).toBe(european.length);
    expect(european.indexOf('IPE')).toBeLessThan(european.indexOf('W'));
    const american = seriesFor('AISC360');
    expect(american[0]).toBe('W');
    expect([...american].sort()).toEqual([...european].sort());
  });

  it('answers questions: HEA 320 has Wpl,y 1628 cm³, HEA 280 has 1112, HEA 300 1383 (EN 10365 producers’ tables)', () => {
    expect(names('lightest HEA with Wpl,y above 1200 cm3')[0]).toBe('HEA 300');
  });

  it('says what it did not understand, and that nothing meets a question', () => {
    expect(searchProfiles('reddest HEA').problem).toContain('reddest');
    expect(searchProfiles('HEA with depth above 9000 mm').problem).toBe(
      'No profile of the library meets that.',
    );
  });
});
