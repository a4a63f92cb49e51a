import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { outlinePath, type Section } from '@hashira/core';

/** A section's outline to scale, over another where there is one to compare with. */
@Component({
  selector: 'app-section-outline',
  template: `
    <svg [attr.viewBox]="box()" [attr.width]="size()" [attr.height]="size()" aria-hidden="true">
      @if (under(); as before) {
        <path class="before" [attr.d]="before.path" [attr.transform]="moved(before)" fill-rule="evenodd" />
      }
      @if (drawn(); as now) {
        <path [attr.d]="now.path" [attr.transform]="moved(now)" fill-rule="evenodd" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
    }
    path {
      fill: rgb(34 37 43 / 18%);
      stroke: var(--ink);
      stroke-width: 1px;
      vector-effect: non-scaling-stroke;
    }
    .before {
      fill: none;
      stroke: var(--ochre);
      stroke-dasharray: 3 2;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionOutlineComponent {
  readonly shape = input.required<Section['shape'] | undefined>();
  /** Drawn dashed behind it, to the same scale. */
  readonly before = input<Section['shape'] | undefined>(undefined);
  /** px. */
  readonly size = input(26);
  /** Side of the box that is drawn, mm; absent: as large as the section needs. */
  readonly reach = input<number | undefined>(undefined);

  protected readonly drawn = computed(() => {
    const shape = this.shape();
    return shape && outlinePath(shape);
  });
  protected readonly under = computed(() => {
    const shape = this.before();
    return shape && outlinePath(shape);
  });
  private readonly side = computed(
    () =>
      1.06 *
      (this.reach() ??
        Math.max(1, ...[this.drawn(), this.under()].flatMap((one) => (one ? [one.width, one.height] : [])))),
  );
  protected readonly box = computed(() => {
    const side = this.side();
    return `${-side / 2} ${-side / 2} ${side} ${side}`;
  });

  protected moved({ width, height }: { width: number; height: number }): string {
    return `translate(${-width / 2} ${-height / 2})`;
  }
}
