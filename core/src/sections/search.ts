import { attempt } from '../base/problem.js';
import { american } from './catalogue/american/us.js';
import { catalogue, type CatalogueEntry } from './catalogue/index.js';
import { profileKey, seriesOf } from './names.js';
import { keyedProfiles } from './profiles.js';
import { parseQuery, queryProfiles } from './query.js';

/** Profiles found by what was typed; `problem` where it was a question that is not understood. */
export interface FoundProfiles {
  readonly profiles: readonly CatalogueEntry[];
  readonly problem?: string;
}

/** Series of the library, in its order, each once. */
export const seriesNames: readonly string[] = [...new Set(catalogue.map(({ series }) => series))];

const americanSeries: ReadonlySet<string> = new Set(american.map(({ series }) => series));

/** Series of the library, those of the region of a design code first. */
export const seriesFor = (code: 'EN1993' | 'AISC360' | undefined): readonly string[] => {
  const isOwn = (series: string) => americanSeries.has(series) === (code === 'AISC360');
  return [...seriesNames.filter(isOwn), ...seriesNames.filter((series) => !isOwn(series))];
};

/**
 * Finds profiles as they are typed: a part of a name in any usual spelling, or a question such as
 * "lightest HEA with Wpl,y above 1200 cm3". Names that begin with the text come first.
 *
 * @param series only this one; all of steel where it is left out
 */
export function searchProfiles(text: string, series?: string): FoundProfiles {
  const wanted = series === undefined ? undefined : seriesOf(series);
  const within = ({ entry }: { entry: CatalogueEntry }) =>
    wanted === undefined ? (entry.material ?? 'steel') === 'steel' : seriesOf(entry.series) === wanted;
  const plain = text.trim();
  if (plain === '')
    return {
      profiles: keyedProfiles()
        .filter(within)
        .map(({ entry }) => entry),
    };
  const key = profileKey(plain);
  const named = keyedProfiles().filter((one) => within(one) && one.key.includes(key));
  if (named.length > 0) {
    const first = named.filter(({ key: own }) => own.startsWith(key));
    const others = named.filter(({ key: own }) => !own.startsWith(key));
    return { profiles: [...first, ...others].map(({ entry }) => entry) };
  }
  const question = attempt(() => queryProfiles(parseQuery(plain)));
  if (!question.ok) return { profiles: [], problem: question.problems[0]!.message };
  const profiles = question.value.filter((entry) => within({ entry }));
  return profiles.length > 0 ? { profiles } : { profiles, problem: 'No profile of the library meets that.' };
}
