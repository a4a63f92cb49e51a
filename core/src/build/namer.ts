import type { Design } from '../document/types.js';
import type { Geometry } from '../geometry/geometry.js';
import { Namer, type MakerNames } from '../geometry/names.js';
import { kindOf } from '../steps/index.js';

/** Names in words for the members and nodes of a design's frame. */
export const namerOf = ({ geometry, design }: { geometry: Geometry; design: Design }): Namer =>
  new Namer(geometry, makersOf(design));

/** What the generators of a design are called; those of one title are numbered. */
function makersOf({ steps }: Design): MakerNames {
  const makers = steps.filter(({ make }) => make !== undefined);
  const titleOf = (step: Design['steps'][number]) => step.title ?? kindOf(step)?.title ?? step.id;
  const counts = new Map<string, number>();
  for (const step of makers) counts.set(titleOf(step), (counts.get(titleOf(step)) ?? 0) + 1);
  const seen = new Map<string, number>();
  return new Map(
    makers.map((step) => {
      const title = titleOf(step);
      const number = (seen.get(title) ?? 0) + 1;
      seen.set(title, number);
      return [
        step.id,
        { title: counts.get(title)! > 1 ? `${title} ${number}` : title, isDrawn: step.make === 'line' },
      ];
    }),
  );
}
