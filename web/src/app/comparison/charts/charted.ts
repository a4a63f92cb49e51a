import { colourValues as colours, significant, type FigureSummary, type Units } from '@hashira/core';

/** A figure over the alternatives; undefined where it could not be found. */
export interface Charted {
  readonly title: string;
  readonly figures: readonly (FigureSummary | undefined)[];
  /** In which it is told. */
  readonly units: Units;
}

/** An alternative as charts name it. */
export interface ChartedAlternative {
  readonly title: string;
  readonly isReference: boolean;
  readonly isDecided: boolean;
}

export const text = { color: colours.ink, fontFamily: 'IBM Plex Sans Condensed', fontSize: 12 };

export const tooltipStyle = {
  backgroundColor: colours.sheet,
  borderColor: colours.inkSoft,
  textStyle: text,
};

/** Magnitude of a figure in the reader's units. */
export function sizeOf(figure: FigureSummary | undefined, units: Units): number | undefined {
  return figure?.value === undefined ? undefined : Math.abs(figure.value) * units.of(figure.quantity).factor;
}

/** Limit of a charted figure in the reader's units: the first that an alternative has. */
export function limitOf({ figures, units }: Charted): number | undefined {
  const one = figures.find((figure) => figure?.limit !== undefined);
  return one && Math.abs(one.limit!) * units.of(one.quantity).factor;
}

/** What an axis of a figure is called, with its unit. */
export function axisName({ title, figures, units }: Charted): string {
  const known = figures.find((figure) => figure !== undefined);
  const unit = known ? units.of(known.quantity).unit : '';
  return unit ? `${title}, ${unit}` : title;
}

/** A figure as charts tell it. */
export const told = (figure: FigureSummary | undefined, units: Units): string =>
  figure?.value === undefined ? 'unknown' : units.withUnit(figure.value, figure.quantity);

export const short = (value: number): string => significant(value, 3);

/** Colour by which an alternative stands out: the reference in ink, what was decided in moss, others in indigo. */
export const toneOf = ({ isReference, isDecided }: ChartedAlternative): string =>
  isDecided ? colours.moss : isReference ? colours.ink : colours.indigo;

/** A chart in words, for those who hear it. */
export const inWords = (charted: readonly Charted[], alternatives: readonly ChartedAlternative[]): string =>
  charted
    .map(
      ({ title, figures, units }) =>
        `${title}: ${alternatives.map((one, i) => `${one.title} ${told(figures[i], units)}`).join(', ')}`,
    )
    .join('. ');

/** A user's own words within HTML. */
export const escaped = (words: string): string => words.replace(/&/g, '&amp;').replace(/</g, '&lt;');
