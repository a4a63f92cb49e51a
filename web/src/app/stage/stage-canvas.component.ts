import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { placeLabels, type Box } from './labels';
import { SheetRenderer } from './sheet-renderer.service';
import { textsOn } from './texts';
import type { Sheet } from './types';

/** One sheet: the drawing of a scene with its texts. */
@Component({
  selector: 'app-stage-canvas',
  template: `
    <canvas #canvas [style.width.px]="sheet().size.width" [style.height.px]="sheet().size.height"></canvas>
    @for (label of labels(); track label.key) {
      <span
        class="label number {{ label.tone }}"
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
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');

  readonly sheet = input.required<Sheet>();
  /** Boxes that texts keep clear of. */
  readonly obstacles = input<readonly Box[]>([]);

  protected readonly labels = computed(() => {
    const sheet = this.sheet();
    return sheet.thumbnail ? [] : placeLabels(textsOn(sheet), sheet.size, this.obstacles());
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.renderer.release(this.canvas().nativeElement));
    afterRenderEffect({ write: () => this.renderer.paint(this.sheet(), this.canvas().nativeElement) });
  }
}
