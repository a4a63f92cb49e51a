import { DestroyRef, Injectable, computed, effect, inject } from '@angular/core';
import { pairShapes, type PairedShape } from '@hashira/core';
import { answersOfAll } from '../../state/answers/answers-of-all';
import { ComparedDesign } from '../compared-design.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ComparisonView } from '../../state/comparison-view.service';
import { ViewState } from '../../state/view-state.service';

/** Shapes of an alternative that are listed, and those of the reference that they are paired with. */
const listed = 6;
const ofReference = 12;

/** A shape of an alternative beside the reference's that is most like it. */
export interface ListedShape {
  /** Number by which it is shown. */
  readonly number: number;
  /** Hz, or a critical factor. */
  readonly value: number;
  readonly words: string;
  readonly pair: PairedShape['pair'];
}

/** What an alternative's stage shows of a shape. */
export interface ShownShape {
  readonly shape: ListedShape | undefined;
  /** Factor on its displacements, so that it moves as the reference's does. */
  readonly sign: 1 | -1;
}

/** Modes and buckling shapes of all alternatives, paired with the reference's by likeness and not by number. */
@Injectable()
export class PairedShapes {
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly comparison = inject(ComparisonView);

  private readonly compared = inject(ComparedDesign).now;
  private readonly reference = computed(() => this.compared().reference);

  /** Which shapes are looked at: modes while their list is open or one is shown, else those in which a combination buckles. */
  readonly kind = computed(
    () => {
      const buckling = /^buckling\.(\d+)\.(.+)$/.exec(this.view.resultId());
      if (buckling) return { combination: buckling[2]!, number: Number(buckling[1]) };
      const mode = /^mode\.(\d+)$/.exec(this.view.resultId());
      if (mode) return { number: Number(mode[1]) };
      return this.comparison.leaf() === 'shapes' ? { number: 0 } : undefined;
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );

  private readonly answers = answersOfAll('shapes', (id) => {
    const kind = this.kind();
    if (!kind) return undefined;
    const count = id === this.reference() && kind.combination === undefined ? ofReference : listed;
    return { count, ...(kind.combination === undefined ? {} : { combination: kind.combination }) };
  });

  /** By alternative its shapes; those of the reference are paired with themselves. */
  readonly lists = computed((): ReadonlyMap<string, readonly ListedShape[]> => {
    const base = this.answers().get(this.reference());
    return new Map(
      [...this.answers()].map(([id, { placed, words }]) => {
        const pairs = base && id !== this.reference() ? pairShapes(placed, base.placed) : [];
        return [
          id,
          placed.shapes.slice(0, listed).map(({ number, value }, i): ListedShape => ({
            number,
            value,
            words: words[i]!,
            pair:
              id === this.reference()
                ? { mode: i + 1, mac: 1, ratio: 1, turned: false }
                : (pairs[i]?.pair ?? null),
          })),
        ];
      }),
    );
  });

  /** What of an alternative stands beside the reference's shape that is shown; undefined while that is not known. */
  shownOf(alternative: string): ShownShape | undefined {
    const kind = this.kind();
    const [base, own] = [this.reference(), alternative].map((id) => this.lists().get(id));
    if (!kind || kind.number === 0 || !base || !own) return undefined;
    const index = base.findIndex(({ number }) => number === kind.number);
    const shape = own.find(({ pair }) => pair?.mode === index + 1);
    return { shape, sign: shape?.pair?.turned ? -1 : 1 };
  }

  constructor() {
    effect(() => {
      const kind = this.kind();
      const { alternatives = [] } = this.workspace.state()?.design ?? {};
      const shown = alternatives.flatMap(({ id }): [string, string][] => {
        const own = this.shownOf(id);
        if (!kind || !own || id === this.reference()) return [];
        // A shape that none is like is not drawn
        const number = own.shape?.number ?? 0;
        return [
          [id, kind.combination === undefined ? `mode.${number}` : `buckling.${number}.${kind.combination}`],
        ];
      });
      const next = Object.fromEntries(shown);
      if (JSON.stringify(next) !== JSON.stringify(this.view.resultOf())) this.view.resultOf.set(next);
    });
    inject(DestroyRef).onDestroy(() => this.view.resultOf.set({}));
  }
}
