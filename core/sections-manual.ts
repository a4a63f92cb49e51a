// Writes docs/sections.md: computed properties against published ones; with --check compares instead of writing.
import { readFileSync, writeFileSync } from 'node:fs';
import { catalogue } from './src/sections/catalogue/index.js';
import { sectionDetails } from './src/sections/details.js';
import { findProfile } from './src/sections/profiles.js';
import { massDeviation } from './src/sections/published/mass.js';
import { published, publishedProperties } from './src/sections/published/index.js';

const target = new URL('../docs/sections.md', import.meta.url);

const percent = (value: number): string => `${value >= 0 ? '+' : '−'}${(100 * Math.abs(value)).toFixed(2)} %`;

const worst = <T>(items: readonly T[], size: (item: T) => number): T | undefined =>
  items.reduce<T | undefined>(
    (a, b) => (a === undefined || Math.abs(size(b)) > Math.abs(size(a)) ? b : a),
    undefined,
  );

const seriesNames = [...new Set(catalogue.map(({ series }) => series))];
const comparisons = published.flatMap(({ name, source, values, unit }) => {
  const entry = findProfile(name);
  const details = sectionDetails(entry.shape) as unknown as Record<string, number>;
  return Object.entries(values).map(([symbol, value]) => {
    const [key, dimension] = publishedProperties[symbol]!;
    const computed = details[key]! / unit ** dimension;
    return { entry, name, source, symbol, value, computed, error: computed / value - 1, unit };
  });
});

const lines = [
  '# Sections: computed against published values',
  '',
  `The library stores the dimensions of ${catalogue.length} profiles and computes every property from the shape with its fillets,`,
  'slopes and corner radii. Written by `npm run manual` from `core/src/sections`; `npm test` computes all of it and checks that this',
  'page is current. Published values are printed with three or four digits.',
  '',
  'What to know when comparing with a table:',
  '',
  '- The torsion constant follows El Darwish and Johnston; Iw and the shear centre of channels, thin walls. Tables of Iw for',
  '  channels differ among themselves by 5 %; finite elements on the true outline (the routine for outlines of points) lie between them.',
  '- American C shapes: the tables take the flanges as of mean thickness; here A, I and It count their slope of 1/6, Iw does not.',
  '- American angles: the tables leave fillets and toes out of the area, and so does the library.',
  '- American hollow sections have the design wall of 0.93 of the nominal one (ASTM A500); their mass is that of the nominal wall.',
  '- Names of hollow sections, bars, aluminium and glulam give their own dimensions, so no mass has to be compared.',
  '',
  '## Series',
  '',
  '| series | profiles | dimensions by | mass: worst against the published or the designation | other properties: worst |',
  '|---|---:|---|---|---|',
];
for (const series of seriesNames) {
  const entries = catalogue.filter((entry) => entry.series === series);
  const weighed = entries.filter(({ publishedMass }) => publishedMass !== undefined);
  const heaviest = worst(weighed, massDeviation);
  const compared = comparisons.filter(({ entry }) => entry.series === series);
  const other = worst(compared, ({ error }) => error);
  lines.push(
    `| ${series} | ${entries.length} | ${entries[0]!.standard} | ${
      heaviest ? `${percent(massDeviation(heaviest))} (${heaviest.name})` : 'by name'
    } | ${other ? `${percent(other.error)} (${other.name}, ${other.symbol})` : '–'} |`,
  );
}
lines.push(
  '',
  '## Properties',
  '',
  '| profile | property | unit | published | computed | deviation | source |',
  '|---|---|---|---:|---:|---:|---|',
);
const powers = ['', '', '²', '³', '⁴', '', '⁶'];
for (const { name, symbol, value, computed, error, source, unit } of comparisons) {
  const dimension = publishedProperties[symbol]![1];
  const length = unit === 0.01 ? 'cm' : 'in';
  lines.push(
    `| ${name} | ${symbol} | ${length}${powers[dimension]} | ${value} | ${Number(computed.toPrecision(4))} | ${percent(error)} | ${source} |`,
  );
}
const text = `${lines.join('\n')}\n`;
if (process.argv.includes('--check')) {
  const same = readFileSync(target, 'utf8') === text;
  console.log(
    same ? 'The page of sections is current.' : 'The page of sections is not current: npm run manual',
  );
  process.exit(same ? 0 : 1);
}
writeFileSync(target, text);
console.log(`${comparisons.length} properties compared`);
