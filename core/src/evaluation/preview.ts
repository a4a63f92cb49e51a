import type { Alternative, Design } from '../document/types.js';
import { drawAlternative, fitView, standardViews, toSvg, type PictureSize } from '../drawing/index.js';
import { buildFrame } from '../build/build.js';
import type { AlternativeSummary, FigureSummary, SummaryStatus } from './summaries/summary.js';
import { metric } from '../units/units.js';

/** What is kept of a design beside its document, so that a list of designs stands at once: its reference's frame and first figures, and what each alternative comes to. */
export interface DesignPreview {
  /** SVG of the frame with its supports and hinges; absent where it could not be built. */
  readonly picture?: string;
  /** Title of the reference. */
  readonly reference: string;
  readonly figures: readonly FigureSummary[];
  /** Of each alternative, the reference first. */
  readonly statuses: readonly SummaryStatus[];
}

/** Figures of a design that are told in a list. */
const figuresTold = 3;
const size: PictureSize = { width: 132, height: 84 };
const edge = { left: 10, right: 10, top: 10, bottom: 12 };
/** Factors on symbols and on the width of lines of a small picture. */
const small = { marks: 0.6, thin: 0.6 };

/** The preview of a design that is worked out; undefined while something of it is still to come. */
export function designPreview(
  design: Design,
  summaries: ReadonlyMap<string, AlternativeSummary>,
): DesignPreview | undefined {
  const all = referenceFirst(design).map(({ id }) => summaries.get(id));
  if (all.some((one) => one?.stage !== 'complete' && one?.stage !== 'failed')) return undefined;
  const [reference] = all;
  const picture = designPicture(design);
  return {
    ...(picture === undefined ? {} : { picture }),
    reference: referenceFirst(design)[0]!.title,
    figures: reference!.figures.slice(0, figuresTold),
    statuses: all.map((one) => one!.status),
  };
}

/** The reference's frame with its supports and hinges, from the front or obliquely; undefined where it cannot be built. */
export function designPicture(design: Design): string | undefined {
  const outcome = buildFrame(design, referenceFirst(design)[0]!);
  if (!outcome.ok) return undefined;
  const { drawing, points, space } = drawAlternative(
    { built: outcome.value, units: metric },
    { result: '', diagram: 'none' },
  );
  const direction = space === 'plane' ? standardViews.front : standardViews.oblique;
  return toSvg(drawing, {
    view: fitView(points, direction, size, edge),
    size,
    layers: space === 'plane' ? ['members', 'supports', 'hinges'] : ['members', 'supports'],
    texts: false,
    ...small,
  });
}

const referenceFirst = ({ alternatives, reference }: Design): Alternative[] => [
  ...alternatives.filter(({ id }) => id === reference),
  ...alternatives.filter(({ id }) => id !== reference),
];
