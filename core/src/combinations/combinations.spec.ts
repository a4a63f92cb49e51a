import type { Combine, DesignLoadCase } from '../document/types.js';
import { allCombinations } from './index.js';

const G: DesignLoadCase = { id: 'G', title: 'Own weight', category: 'permanent' };
const S: DesignLoadCase = { id: 'S', title: 'Snow', category: 'snow', altitude: 'low' };
const W1: DesignLoadCase = { id: 'W1', title: 'Wind from the left', category: 'wind', excludes: ['W2'] };
const W2: DesignLoadCase = { id: 'W2', title: 'Wind from the right', category: 'wind' };

const made = (loadCases: DesignLoadCase[], by: string, states: Combine['states'] = ['strength']) =>
  allCombinations({ loadCases, combinations: [], combine: { by, states } });
const factors = (loadCases: DesignLoadCase[], by: string, states?: Combine['states']) =>
  made(loadCases, by, states).map((one) =>
    Object.entries(one.factors)
      .map(([id, f]) => `${id}${Number(f.toFixed(4))}`)
      .join(' '),
  );

describe('combinations by EN 1990 (Table A1.1, A1.2(B))', () => {
  it('6.10: each variable case leads in turn, the others accompany by ψ0 or not, G at 1.35 or 1.0', () => {
    const all = factors([G, S, W1], 'EN1990-6.10');
    // Snow below 1000 m ψ0 = 0.5, wind ψ0 = 0.6
    for (const one of ['G1.35', 'G1.35 S1.5', 'G1.35 S1.5 W10.9', 'G1.35 W11.5 S0.75', 'G1 W11.5'])
      expect(all).withContext(all.join('; ')).toContain(one);
    expect(new Set(all).size).toBe(all.length);
  });

  it('6.10a and b: ξ = 0.85 on permanent loads in b, all by ψ0 in a', () => {
    const all = factors([G, S], 'EN1990-6.10ab');
    expect(all).toContain('G1.1475 S1.5');
    expect(all).toContain('G1.35 S0.75');
  });

  it('never join what excludes each other, whichever says so', () => {
    for (const one of made([G, S, W1, W2], 'EN1990-6.10'))
      expect('W1' in one.factors && 'W2' in one.factors).toBeFalse();
  });

  it('service: characteristic and quasi-permanent', () => {
    const service = made([G, S, W1], 'EN1990-6.10', ['service']).map(({ factors: f }) => f);
    expect(service).toContain({ G: 1, S: 1, W1: 0.6 });
    expect(service).toContain({ G: 1, S: 0.5, W1: 1 });
    // ψ2 of snow below 1000 m and of wind is zero
    expect(service).toContain({ G: 1 });
  });

  it('service: what relieves may be absent, and frequent ones by ψ1 and ψ2 (eq. 6.15b)', () => {
    const service = made([G, S, W1], 'EN1990-6.10', ['service']).map(({ factors: f }) => f);
    expect(service).toContain({ G: 1, S: 1 });
    const frequent = made([G, S, W1], 'EN1990-6.10', ['frequent']).map(({ factors: f }) => f);
    // ψ1 of wind and of snow below 1000 m is 0.2, their ψ2 zero
    expect(frequent).toContain({ G: 1, W1: 0.2 });
    expect(frequent).toContain({ G: 1, S: 0.2 });
  });

  it('cranes by 1.35 and ψ0 = 1.0 (EN 1991-3), prestress by 1.0, imposed loads of roofs not with snow or wind', () => {
    const crane: DesignLoadCase = { id: 'T', title: 'Crane', category: 'crane' };
    const prestress: DesignLoadCase = { id: 'P', title: 'Prestress', category: 'prestress' };
    const roof: DesignLoadCase = { id: 'Q', title: 'Roof', category: 'imposed', use: 'H' };
    const all = factors([G, S, crane, prestress, roof], 'EN1990-6.10');
    for (const one of ['G1.35 P1 T1.35', 'G1.35 P1 S1.5 T1.35', 'G1.35 P1 Q1.5'])
      expect(all).withContext(all.join('; ')).toContain(one);
    expect(all.filter((one) => one.includes('Q') && one.includes('S'))).toEqual([]);
  });

  it('accidental and seismic situations by 6.11b and 6.12b, each hit by itself', () => {
    const hit: DesignLoadCase = { id: 'A', title: 'Impact', category: 'accidental' };
    const quake: DesignLoadCase = { id: 'E', title: 'Earthquake', category: 'seismic' };
    const all = factors([G, W1, hit, quake], 'EN1990-6.10', ['accidental', 'seismic']);
    // ψ1 = 0.2 of wind with the accident; ψ2 = 0 of wind with the earthquake
    for (const one of ['G1 A1', 'G1 A1 W10.2', 'G1 E1'])
      expect(all).withContext(all.join('; ')).toContain(one);
    expect(all.filter((one) => one.includes('A1') && one.includes('E1'))).toEqual([]);
  });

  it('are numbered, and say in words what leads', () => {
    const all = made([G, S, W1], 'EN1990-6.10', ['strength', 'service']);
    expect(all.map(({ id }) => id)).toContain('U1');
    expect(all.map(({ id }) => id)).toContain('C1');
    expect(all.some(({ title }) => /snow leading/i.test(title!))).toBeTrue();
  });
});

describe('combinations by ASCE 7-22 (2.3.1)', () => {
  it('1.4 D, 1.2 D + 1.0 W + 0.3 S and 0.9 D + 1.0 W', () => {
    const all = factors([G, S, W1], 'ASCE7-LRFD');
    for (const one of ['G1.4', 'G0.9 W11']) expect(all).withContext(all.join('; ')).toContain(one);
    expect(
      all.some((one) => one.startsWith('G1.2 S1 ') || one === 'G1.2 S1' || one.startsWith('G1.2 S0.3')),
    ).toBeTrue();
  });
});

describe('temperature by ASCE 7-22 (2.3.4)', () => {
  it('is in a strength combination with dead and live loads', () => {
    const T: DesignLoadCase = { id: 'T', title: 'Temperature', category: 'temperature' };
    const L: DesignLoadCase = { id: 'L', title: 'Live', category: 'imposed', use: 'B' };
    const all = made([G, L, T], 'ASCE7-LRFD').filter(({ factors: f }) => 'T' in f);
    expect(all.length).toBeGreaterThan(0);
    expect(all.some(({ factors: f }) => 'L' in f && 'G' in f)).toBeTrue();
  });
});

describe('a rule for combinations', () => {
  it('that is not known, or would make too many, is told', () => {
    expect(() => made([G], 'BS')).toThrowError(/not known/);
    const many = Array.from({ length: 12 }, (_, i): DesignLoadCase => ({
      id: `Q${i}`,
      title: 'Q',
      category: 'imposed',
    }));
    expect(() => made([G, ...many], 'EN1990-6.10')).toThrowError(/too many/);
  });
});
