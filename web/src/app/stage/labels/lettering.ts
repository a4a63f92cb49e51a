import { Injectable, signal } from '@angular/core';

/** How large texts on the sheet are, px. */
export interface Lettering {
  /** Width of a label's text; of a dimension's, which is larger and bold. */
  label(text: string): number;
  dimension(text: string): number;
  /** Height of a line of labels. */
  readonly line: number;
}

/** Sizes by the count of characters, for where no page is. */
export const estimated: Lettering = {
  label: (text) => 6.1 * text.length,
  dimension: (text) => 7.2 * text.length,
  line: 15,
};

/** Sizes of the sheet's texts in rem, as the style sheets have them. */
const sizes = { label: 0.857, dimension: 1, line: 15 / 14 };
const family = "'IBM Plex Sans Condensed', 'DejaVu Sans Condensed', sans-serif";

/** Texts as the page draws them: with its font, in the size that the reader has set. Its value changes when the font has come. */
@Injectable({ providedIn: 'root' })
export class PageLettering {
  private readonly context = document.createElement('canvas').getContext('2d');
  readonly now = signal(this.measured());

  constructor() {
    void document.fonts.ready.then(() => this.now.set(this.measured()));
    addEventListener('resize', () => {
      if (rem() * sizes.line !== this.now().line) this.now.set(this.measured());
    });
  }

  private measured(): Lettering {
    const { context } = this;
    if (!context) return estimated;
    const unit = rem();
    const known = new Map<string, number>();
    const width = (text: string, font: string): number => {
      const key = `${font} ${text}`;
      let found = known.get(key);
      if (found === undefined) {
        context.font = font;
        known.set(key, (found = context.measureText(text).width));
      }
      return found;
    };
    return {
      label: (text) => width(text, `500 ${sizes.label * unit}px ${family}`),
      dimension: (text) => width(text, `600 ${sizes.dimension * unit}px ${family}`),
      line: sizes.line * unit,
    };
  }
}

/** The size of text that the page goes by, px. */
const rem = (): number => Number.parseFloat(getComputedStyle(document.documentElement).fontSize) || 14;
