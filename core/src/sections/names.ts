import { ownValue } from '../base/own-value.js';

/**
 * The spelling of a profile's name without what people leave out or turn round: capitals, spaces, dashes, ×, the order of
 * letters and numbers, decimal commas, trailing zeros, "HE 240 B", inches as fractions. Two names with one key are one profile.
 */
export function profileKey(name: string): string {
  const plain = name
    .toUpperCase()
    .replace(/[×*]/g, 'X')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(
      /(\d+)[-\s](\d+)\/(\d+)/g,
      (_, w: string, n: string, d: string) => ` ${Number(w) + Number(n) / Number(d)} `,
    )
    .replace(/(\d+)\/(\d+)/g, (_, n: string, d: string) => ` ${Number(n) / Number(d)} `);
  const numbers = (plain.match(/\d*\.?\d+/g) ?? []).map((n) => Number(Number(n).toPrecision(6)));
  const letters = (plain.replace(/\d*\.?\d+/g, ' ').match(/[A-ZÀ-Þ]+/g) ?? []).filter((word) => word !== 'X');
  // "80x80x5SHS" and "W14X" leave an X at the letters' ends
  const words = letters.map((word) => word.replace(/^X(?=[A-Z])|(?<=[A-Z])X$/g, ''));
  return canonical(words, numbers);
}

/** Other names of a series in use. */
const seriesNames: Readonly<Record<string, string>> = {
  I: 'IPN',
  INP: 'IPN',
  U: 'UPN',
  UNP: 'UPN',
  UAP: 'UPE',
  UKB: 'UB',
  UKC: 'UC',
  UKPFC: 'PFC',
  UKA: 'L',
  RSA: 'L',
  EA: 'L',
  UA: 'L',
  RO: 'CHS',
  ROR: 'CHS',
  QRO: 'SHS',
  RRO: 'RHS',
  HFSHS: 'SHS',
  HFRHS: 'RHS',
  HFCHS: 'CHS',
  CFSHS: 'CF SHS',
  CFRHS: 'CF RHS',
  CFCHS: 'CF CHS',
  FLAT: 'FL',
  SQUARE: 'SQ',
  ROUND: 'RD',
  GLULAM: 'GL',
  LEQ: 'L',
};

function canonical(words: string[], numbers: number[]): string {
  let letters = words.join(' ');
  // HE 240 B, HE B 240, HE240B
  const he = /^HE\s?([ABM])$/.exec(letters);
  if (he) letters = `HE${he[1]}`;
  const parts = letters.split(' ');
  if (parts.includes('CF')) letters = `CF ${parts.filter((p) => p !== 'CF').join(' ')}`;
  else if (parts.includes('HF')) letters = parts.filter((p) => p !== 'HF').join(' ');
  letters = letters.replace(/^CF (SHS|RHS|CHS)$/, 'CF $1');
  letters = ownValue(seriesNames, letters) ?? letters;
  // One side of a square or of an equal angle stands for both
  const sides = letters.replace(/^(CF|ALU) /, '');
  let all = numbers;
  if ((sides === 'SHS' || sides === 'L') && numbers.length === 2) all = [numbers[0]!, ...numbers];
  if (sides === 'RHS' || sides === 'SHS') {
    letters = letters.replace(/RHS|SHS/, all[0] === all[1] ? 'SHS' : 'RHS');
    // The larger side stands first
    if (all.length === 3 && all[1]! > all[0]!) all = [all[1]!, all[0]!, all[2]!];
  }
  if (letters === 'L' && all.length === 3 && all[1]! > all[0]!) all = [all[1]!, all[0]!, all[2]!];
  return `${letters} ${all.join('x')}`;
}

/** The key of a series, however it is spelt: "HE A", "hea" and "HEA" are one. */
export function seriesOf(name: string): string {
  return (
    profileKey(`${name.replace(/\(US\)/i, 'US')} 1x2x3`)
      .replace(/ [\dx.]+$/, '')
      .replace('RHS', 'SHS') + (/RHS|RRO/i.test(name) ? ' rectangular' : '')
  );
}
