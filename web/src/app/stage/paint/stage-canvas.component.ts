import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { PlacedDimension } from '../view/dimension-lines';
import { placeLabels, type Box } from '../labels/labels';
import { PageLettering } from '../labels/lettering';
import { sameSheet } from './same-sheet';
import { SheetRenderer } from './sheet-renderer.service';
import { surroundingsOf } from '../labels/surroundings';
import { textsOn } from '../labels/texts';
import type { Sheet } from '../types';

/** One sheet: the drawing of a scene, what is laid over it, and its texts. */
@Component({
  selector: 'app-stage-canvas',
  template: `
    <canvas #canvas [style.width.px]="sheet().size.width" [style.height.px]="sheet().size.height"></canvas>
    <ng-content />
    @if (leaders(); as path) {
      <svg class="leaders" aria-hidden="true"><path [attr.d]="path" /></svg>
    }
    @for (label of labels(); track label.key) {
      <span
        class="label number {{ label.tone }}"
        [class.covers]="label.covers"
        [style.transform]="'translate(' + label.left + 'px,' + label.top + 'px)'"
        [title]="label.title"
        >{{ label.text }}</span
      >
    }
  `,
  styleUrl: './stage-canvas.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StageCanvasComponent {
  private readonly renderer = inject(SheetRenderer);
  private readonly lettering = inject(PageLettering);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');

  readonly sheet = input.required<Sheet>();
  /** The drawing's texts are written, too. */
  readonly texts = input(true);
  /** Dimensions on the sheet, which texts keep clear of. */
  readonly dimensions = input<readonly PlacedDimension[]>([]);
  /** What the screen lays over the sheet, which texts keep clear of too. */
  readonly over = input<readonly Box[]>([]);

  private readonly shown = computed(() => this.sheet(), { equal: sameSheet });

  protected readonly labels = computed(() => {
    const sheet = this.shown();
    if (sheet.thumbnail || !this.texts()) return [];
    const surroundings = surroundingsOf(sheet, this.dimensions(), this.over());
    return placeLabels(textsOn(sheet), sheet.size, surroundings, this.lettering.now());
  });

  /** Thin lines from values to where they are read, where there was no room. */
  protected readonly leaders = computed(() =>
    this.labels()
      .flatMap(({ leader }) => (leader ? [`M${leader.map((p) => p.join(' ')).join('L')}`] : []))
      .join(''),
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.renderer.release(this.canvas().nativeElement));
    // Before the texts are placed: a painter in the background works meanwhile
    effect(() => this.renderer.paint(this.shown(), this.canvas().nativeElement));
  }
}
