import type { BuiltFrame } from '../../build/build.js';
import { fail } from '../../base/problem.js';
import { catalogue, type CatalogueEntry } from '../../sections/catalogue/index.js';
import { sectionDetails } from '../../sections/details.js';
import { resolveMaterial } from '../../sections/materials.js';
import { seriesOf } from '../../sections/names.js';
import { lookUpProfile } from '../../sections/profiles.js';
import { massOf } from '../../sections/query.js';
import type { SectionGroup } from './groups.js';

/** All profiles of one series of the library, by mass per metre. */
export function familyOf(name: string): CatalogueEntry[] {
  const wanted = seriesOf(name);
  return catalogue
    .filter(({ series }) => seriesOf(series) === wanted)
    .sort((a, b) => massOf(a) - massOf(b) || (a.name < b.name ? -1 : 1));
}

/** Which sections may stand in a group. */
export interface PoolOptions {
  /** Series of the library; absent: that of the section which stands there. */
  readonly families?: readonly string[];
  /** Greatest depth h of a section, m. */
  readonly maxDepth?: number;
}

/**
 * The sections that may stand in a group, by mass per metre.
 *
 * @throws ProblemError `unknown-family`, `nothing-passes` where no section keeps the depth
 */
export function poolOf(built: BuiltFrame, group: SectionGroup, options: PoolOptions = {}): CatalogueEntry[] {
  const { families = [], maxDepth = Infinity } = options;
  const named = families.length > 0 ? families : [ownFamily(group)];
  const kind = materialKind(built, group);
  const entries = new Map<string, CatalogueEntry>();
  for (const family of named) {
    const found = familyOf(family);
    if (found.length === 0)
      fail('unknown-family', `The library has no series "${family}"; name one such as IPE, HEA, SHS or W.`, {
        family,
      });
    const material = found[0]!.material ?? 'steel';
    if (material !== kind)
      fail(
        'unknown-family',
        `The series "${family}" is of ${material}, and "${group.title}" is of ${kind}; name a series of ${kind}.`,
        { family, group: group.id },
      );
    for (const entry of found) entries.set(entry.name, entry);
  }
  const kept = [...entries.values()].filter(({ shape }) => sectionDetails(shape).h <= maxDepth * (1 + 1e-9));
  if (kept.length === 0)
    fail(
      'nothing-passes',
      `No section of ${named.join(', ')} for "${group.title}" is at most ${maxDepth} m deep; allow more depth or another series.`,
      { group: group.id },
    );
  return kept.sort((a, b) => massOf(a) - massOf(b) || (a.name < b.name ? -1 : 1));
}

/** The series of the section that stands in a group. @throws ProblemError `unknown-family` for an own section */
export function ownFamily({ id, title, section, isOwn }: SectionGroup): string {
  if (isOwn)
    fail(
      'unknown-family',
      `"${section}" of "${title}" is an own section and of no series; name the series to choose from.`,
      { group: id },
    );
  return lookUpProfile(section)!.series;
}

/** What a group's members are made of: "steel", "timber" … */
function materialKind({ model }: BuiltFrame, { pieces }: SectionGroup): string {
  const { section } = model.members.find(({ id }) => id === pieces[0])!;
  const { material } = model.sections.find(({ id }) => id === section)!;
  return resolveMaterial(
    model.materials.find(({ id }) => id === material)!,
    '/materials',
  ).kind;
}
