import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { projected, type View } from '@hashira/core';
import type { SheetSize, StageArrow } from '../types';

/** Length of an arrow, and of its head, px. */
const length = 40;
const head = 7;

/** Forces over a sheet, each an arrow with its size. */
@Component({
  selector: 'app-arrows',
  template: `
    <svg>
      @for (arrow of drawn(); track $index) {
        <path class="arrow" [attr.d]="arrow.d" />
        <text [attr.x]="arrow.tail[0]" [attr.y]="arrow.tail[1] - 4">{{ arrow.text }}</text>
      }
    </svg>
  `,
  styleUrl: './marks.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ArrowsComponent {
  readonly arrows = input.required<readonly StageArrow[]>();
  readonly view = input.required<View>();
  readonly size = input.required<SheetSize>();

  protected readonly drawn = computed(() => {
    const [view, size] = [this.view(), this.size()];
    return this.arrows().map(({ at, direction, text }) => {
      const tip = projected(view, size, at);
      const ahead = projected(view, size, [at[0] + direction[0], at[1] + direction[1], at[2] + direction[2]]);
      const [dx, dy] = [ahead[0] - tip[0], ahead[1] - tip[1]];
      const long = Math.hypot(dx, dy) || 1;
      const [ux, uy] = [dx / long, dy / long];
      const tail = [tip[0] - length * ux, tip[1] - length * uy] as const;
      const side = (turn: 1 | -1) =>
        `${tip[0] - head * (ux + 0.5 * turn * uy)} ${tip[1] - head * (uy - 0.5 * turn * ux)}`;
      const d = `M${tail[0]} ${tail[1]}L${tip[0]} ${tip[1]}M${side(1)}L${tip[0]} ${tip[1]}L${side(-1)}`;
      return { d, tail, text };
    });
  });
}
