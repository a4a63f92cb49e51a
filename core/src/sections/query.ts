import { ownValue } from '../base/own-value.js';
import { lazily } from '../base/lazily.js';
import { fail } from '../base/problem.js';
import { catalogue, type CatalogueEntry } from './catalogue/index.js';
import { sectionDetails, type SectionDetails } from './details.js';
import { seriesOf } from './names.js';

/** A property that profiles can be asked for; `details` SI. */
export type Property = keyof SectionDetails | 'mass';

/** Bounds on one property, SI; a bound itself passes. */
export interface Condition {
  readonly property: Property;
  readonly min?: number;
  readonly max?: number;
}

export interface ProfileQuery {
  /** As in a name: "HEA", "IPE", "SHS" …; absent: every series of steel. */
  readonly series?: readonly string[];
  readonly conditions: readonly Condition[];
  /** What the answer is ordered by; absent: mass, least first. */
  readonly by?: Property;
  readonly descending?: boolean;
}

/** Mass per metre of a profile, kg/m: of its nominal shape at its material's density (7850, 2700, 420 kg/m³). */
export function massOf(entry: CatalogueEntry): number {
  const density = { steel: 7850, aluminium: 2700, timber: 420 }[entry.material ?? 'steel'];
  return sectionDetails(entry.nominalShape ?? entry.shape).A * density;
}

export function propertyOf(entry: CatalogueEntry, property: Property): number | undefined {
  return property === 'mass' ? massOf(entry) : sectionDetails(entry.shape)[property];
}

/** Profiles of the library that meet all conditions, ordered. */
export function queryProfiles(query: ProfileQuery): CatalogueEntry[] {
  const by = query.by ?? 'mass';
  const wanted = query.series && new Set(query.series.map((name) => seriesOf(name)));
  return catalogue
    .filter((entry) =>
      wanted ? wanted.has(seriesOf(entry.series)) : (entry.material ?? 'steel') === 'steel',
    )
    .filter((entry) =>
      query.conditions.every(({ property, min = -Infinity, max = Infinity }) => {
        const value = propertyOf(entry, property);
        // A millionth lets "depth up to 300 mm" take 300 mm
        return (
          value !== undefined && value >= min - 1e-6 * Math.abs(min) && value <= max + 1e-6 * Math.abs(max)
        );
      }),
    )
    .map((entry) => ({ entry, value: propertyOf(entry, by) ?? Infinity }))
    .sort((a, b) => (query.descending ? b.value - a.value : a.value - b.value))
    .map(({ entry }) => entry);
}

/** Words for properties, longest first where one begins another. */
const words: readonly [words: readonly string[], property: Property, dimension: number][] = [
  [['wpl,y', 'wply', 'wpl.y', 'wpl', 'zx', 'plastic modulus'], 'Wply', 3],
  [['wpl,z', 'wplz', 'zy'], 'Wplz', 3],
  [['wel,y', 'wely', 'wel', 'sx', 'elastic modulus', 'section modulus'], 'Wely', 3],
  [['wel,z', 'welz', 'sy'], 'Welz', 3],
  [['iy', 'ix', 'second moment', 'inertia'], 'Iy', 4],
  [['iz'], 'Iz', 4],
  [['it', 'j', 'torsion constant'], 'J', 4],
  [['iw', 'cw', 'warping constant'], 'Iw', 6],
  [['radius of gyration y', 'ry', 'iy radius'], 'iy', 1],
  [['radius of gyration z', 'rz'], 'iz', 1],
  [['imin', 'i min', 'iv', 'radius of gyration'], 'iv', 1],
  [['av,z', 'avz', 'shear area'], 'Avz', 2],
  [['av,y', 'avy'], 'Avy', 2],
  [['area', 'a'], 'A', 2],
  [['depth', 'height', 'h', 'd'], 'h', 1],
  [['width', 'breadth', 'b', 'bf'], 'b', 1],
  [['surface', 'paint'], 'perimeter', 1],
  [['mass', 'weight', 'g'], 'mass', 0],
];

const lengths: Readonly<Record<string, number>> = {
  mm: 1e-3,
  cm: 1e-2,
  m: 1,
  in: 0.0254,
  inch: 0.0254,
  '"': 0.0254,
};
const superlatives: Readonly<Record<string, [Property, boolean]>> = {
  lightest: ['mass', false],
  heaviest: ['mass', true],
  shallowest: ['h', false],
  lowest: ['h', false],
  deepest: ['h', true],
  narrowest: ['b', false],
  widest: ['b', true],
  stiffest: ['Iy', true],
  strongest: ['Wply', true],
};

/**
 * Reads a question such as "lightest HEA with Wpl,y above 1200 cm³ and depth up to 300 mm".
 *
 * Grammar: [lightest | heaviest | shallowest | deepest | …] [series [or series]] [with condition [and condition]]; a condition is a
 * property, then above / at least / over / ≥, below / up to / at most / under / ≤, or between … and …, a number and a unit.
 *
 * @throws ProblemError `unknown-query` with the words that were not understood
 */
export function parseQuery(text: string): ProfileQuery {
  const plain = text.trim().replace(/\s+/g, ' ');
  const [head, ...rest] = plain.split(/\s+(?:with|where|whose|having)\s+/i);
  const headWords = head!
    .split(' ')
    .filter((word) => !/^(the|a|an|of|all|section|sections|profile|profiles|or|and)$/i.test(word));
  let by: Property = 'mass';
  let descending = false;
  const series: string[] = [];
  for (const word of joinPrefixes(headWords)) {
    const best = ownValue(superlatives, word.toLowerCase());
    if (best) [by, descending] = best;
    else if (knownSeries().has(seriesOf(word.replace(/,$/, '')))) series.push(word.replace(/,$/, ''));
    else notUnderstood(word, `a series is one of ${[...new Set(catalogue.map((e) => e.series))].join(', ')}`);
  }
  const conditions = splitConditions(rest.join(' and ')).map(condition);
  return { ...(series.length > 0 ? { series } : {}), conditions, by, descending };
}

const knownSeries = lazily(
  () => new Set([...new Set(catalogue.map(({ series }) => series))].map((series) => seriesOf(series))),
);

/** "CF SHS" and "ALU L" are one series, as is "HSS round". */
function joinPrefixes(parts: readonly string[]): string[] {
  const out: string[] = [];
  for (const part of parts)
    if (out.length > 0 && (/^(cf|hf|alu)$/i.test(out[out.length - 1]!) || /^(round|\(us\))$/i.test(part)))
      out[out.length - 1] = `${out[out.length - 1]!} ${part}`;
    else out.push(part);
  return out;
}

/** Splits at "and" and commas between conditions, but not inside "between 1 and 2" or "Wpl,y". */
function splitConditions(text: string): string[] {
  return text
    .split(/\s+and\s+(?!\d)|;\s*|,\s+/i)
    .map((part) => part.trim())
    .filter((part) => part !== '');
}

const number = '([+-]?\\d+(?:[.,]\\d+)?(?:e[+-]?\\d+)?)';
const unit = '\\s*([a-zA-Z"]+(?:[²³⁴⁶]|\\^?[2346])?(?:/(?:m|ft))?)?';
const above = /^(?:is |of )?(above|over|more than|greater than|at least|from|min|≥|>=|>)\s*/i;
const below = /^(?:is |of )?(below|under|less than|at most|up to|max|≤|<=|<)\s*/i;

function condition(text: string): Condition {
  const lower = text.toLowerCase();
  const found = words
    .flatMap(([names, property, dimension]) => names.map((name) => ({ name, property, dimension })))
    .filter(({ name }) => lower.startsWith(name) && !/^[a-z,.]/.test(lower.slice(name.length)))
    .sort((a, b) => b.name.length - a.name.length)[0];
  if (!found)
    return notUnderstood(text, 'a condition begins with a property such as Wpl,y, Iy, A, depth or mass');
  // I and i differ only in case: Iy is a second moment, iy a radius
  const gyration = /^i[yz](?![a-z])/.test(text);
  const property = gyration ? (text.startsWith('iy') ? 'iy' : 'iz') : found.property;
  const dimension = gyration ? 1 : found.dimension;
  const rest = text.slice(found.name.length).trim();
  const between = new RegExp(`^(?:is )?between\\s+${number}${unit}\\s+and\\s+${number}${unit}$`, 'i').exec(
    rest,
  );
  if (between) {
    const last = between[4] ?? between[2];
    return {
      property,
      min: inSI(between[1]!, between[2] ?? last, dimension, text),
      max: inSI(between[3]!, last, dimension, text),
    };
  }
  const side = above.test(rest) ? 'min' : below.test(rest) ? 'max' : undefined;
  const value = new RegExp(`^${number}${unit}$`, 'i').exec(rest.replace(above, '').replace(below, ''));
  if (!side || !value)
    return notUnderstood(text, 'after the property comes "above", "up to" or "between", a number and a unit');
  return { property, [side]: inSI(value[1]!, value[2], dimension, text) };
}

function inSI(value: string, unitText: string | undefined, dimension: number, text: string): number {
  const amount = Number(value.replace(',', '.'));
  if (dimension === 0) {
    if (unitText === undefined || /^kg(\/m)?$/i.test(unitText)) return amount;
    if (/^(lb\/ft|plf)$/i.test(unitText)) return (amount * 0.45359237) / 0.3048;
    return notUnderstood(text, 'mass is in kg/m or lb/ft');
  }
  const match = /^([a-z"]+?)(?:([²³⁴⁶])|\^?([2346]))?$/i.exec(unitText ?? '');
  const size = match && ownValue(lengths, match[1]!.toLowerCase());
  const power = match ? Number(match[3] ?? { '²': 2, '³': 3, '⁴': 4, '⁶': 6 }[match[2] ?? ''] ?? 1) : 0;
  if (!size || power !== dimension)
    return notUnderstood(
      text,
      `the unit here is a length${dimension > 1 ? ` to the power ${dimension}` : ''}, such as ${dimension === 1 ? 'mm' : `cm${dimension}`}`,
    );
  return amount * size ** dimension;
}

function notUnderstood(what: string, hint: string): never {
  return fail('unknown-query', `"${what}" is not understood: ${hint}.`, { text: what });
}
