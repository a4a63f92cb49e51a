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
import { drawStage } from './draw-stage';
import { placeLabels } from './labels';
import type { Pen } from './pen';
import type { StageScene } from './scene';
import { SheetRenderer } from './sheet-renderer.service';

/** One sheet: the drawing of a scene with its texts. */
@Component({
  selector: 'app-stage-canvas',
  template: `
    <canvas #canvas [style.width.px]="scene().size.width" [style.height.px]="scene().size.height"></canvas>
    @for (label of labels(); track label.key) {
      <span
        class="label number {{ label.tone }}"
        [style.transform]="'translate(' + label.left + 'px,' + label.top + 'px)'"
        [title]="label.title ?? ''"
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

  readonly scene = input.required<StageScene>();
  /** Further lines over the scene: dimensions. */
  readonly overlay = input<Pen | undefined>(undefined);

  private readonly drawing = computed(() => drawStage(this.scene()));
  protected readonly labels = computed(() => placeLabels(this.drawing().labels, this.scene().size));

  constructor() {
    inject(DestroyRef).onDestroy(() => this.renderer.release(this.canvas().nativeElement));
    afterRenderEffect({
      write: () => {
        const overlay = this.overlay();
        const pens = overlay ? [overlay, this.drawing().pen] : [this.drawing().pen];
        this.renderer.paint(pens, this.canvas().nativeElement, this.scene().size);
      },
    });
  }
}
