/** A text on the stage and its box, as the browser laid it out. */
export interface StageText {
  readonly text: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Reads in the page what stands on the stage; each list is of sentences that say what is wrong. */
export interface StageReader extends TextReader {
  /** Labels with lines through more than a twentieth of their box. */
  crossed(): string[];
}

interface TextReader {
  texts(): StageText[];
  /** Pairs of texts that cover each other by more than rounding, and texts that leave the stage. */
  crowded(): string[];
  /** Values of diagrams that stand more than once. */
  repeated(): string[];
  /** Greatest values of members, with either sign where both are as great, that are not there. Equal ones are told once, with a count. */
  untold(governing: readonly (readonly string[])[]): string[];
}

/** Made in the page: what it reads is there when it is asked. */
export function textReader(): TextReader {
  const boxOf = (element: Element): StageText => {
    const { left, top, right, bottom } = element.getBoundingClientRect();
    return { text: element.textContent.trim(), left, top, right, bottom };
  };
  const stage = () => document.querySelector('app-stage')!;
  const texts = () => {
    const on = stage().querySelectorAll('.label, app-dimension-label > *');
    const over = document.querySelectorAll(
      '.caption > *, app-legend p, app-model-check button, .zoom button, .draw-switch, .tables-switch',
    );
    return [...Array.from(on), ...Array.from(over)].map(boxOf).filter(({ text }) => text !== '');
  };
  const leaves = (a: StageText, sheet: StageText) =>
    a.left < sheet.left - 1 ||
    a.right > sheet.right + 1 ||
    a.top < sheet.top - 1 ||
    a.bottom > sheet.bottom + 1;
  const covers = (a: StageText, b: StageText) =>
    Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1 &&
    Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1;
  return {
    texts,
    crowded() {
      const [all, sheet] = [texts(), boxOf(stage())];
      return all.flatMap((a, i) => [
        ...(leaves(a, sheet) ? [`"${a.text}" leaves the stage`] : []),
        ...all
          .slice(i + 1)
          .filter((b) => covers(a, b))
          .map((b) => `"${a.text}" covers "${b.text}"`),
      ]);
    },
    repeated: () =>
      Array.from(stage().querySelectorAll('.label'))
        .filter(
          ({ className, textContent }) =>
            /plum|teal|indigo|vermilion/.test(className) && /N|kip|lb/.test(textContent),
        )
        .map(({ textContent }) => textContent)
        .filter((text, i, all) => all.indexOf(text) < i)
        .map((text) => `"${text}" stands twice`),
    untold(governing) {
      const told = new Set(texts().map(({ text }) => text.replace(/ ×\d+$/, '')));
      const missing = governing.filter((signs) => !signs.some((value) => told.has(value)));
      return [
        ...new Set(missing.map(([value]) => `"${value!}" is the greatest of a member and is not there`)),
      ];
    },
  };
}

/** Reads the picture under the texts too, made in the page. */
export function inkReader(reader: TextReader): StageReader {
  return {
    ...reader,
    crossed() {
      const stage = document.querySelector('app-stage')!;
      const canvas = stage.querySelector('canvas')!;
      // A graphics card's picture cannot be read back
      const pen = canvas.getContext('2d');
      if (!pen) return [];
      const at = canvas.getBoundingClientRect();
      const ratio = canvas.width / at.width;
      // What passes under those that cover is hidden by their ground
      return Array.from(stage.querySelectorAll('.label:not(.covers)')).flatMap((label) => {
        const { left, top, width, height } = label.getBoundingClientRect();
        const { data } = pen.getImageData(
          (left - at.left) * ratio,
          (top - at.top) * ratio,
          width * ratio,
          height * ratio,
        );
        let ink = 0;
        // Tints of areas are no ink: lines are much darker than the sheet
        for (let i = 0; i < data.length; i += 4) if (data[i]! + data[i + 1]! + data[i + 2]! < 560) ink++;
        const part = (4 * ink) / data.length;
        return part > 0.05 ? [`"${label.textContent}" has ${(100 * part).toFixed(0)} % ink`] : [];
      });
    },
  };
}
