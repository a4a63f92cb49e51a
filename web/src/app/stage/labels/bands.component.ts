import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DrawnScene, View } from '@hashira/core';
import { bandLines } from '../view/laid-under';
import type { SheetSize, StageBand } from '../types';

/** Bands along members of a sheet, with their values. */
@Component({
  selector: 'app-bands',
  template: `
    <svg class="bands">
      @for (band of lines(); track band.member) {
        <path class="band" [class.against]="band.against" [attr.d]="band.d" [attr.stroke-width]="band.width">
          <title>{{ band.title }}</title>
        </path>
        @if (band.against) {
          <path class="core" [attr.d]="band.d" [attr.stroke-width]="band.width - 3" />
        }
      }
      @for (band of lines(); track band.member) {
        @if (band.text) {
          <text [attr.x]="band.at[0]" [attr.y]="band.at[1]">{{ band.text }}</text>
        }
      }
    </svg>
  `,
  styleUrl: './marks.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BandsComponent {
  readonly bands = input.required<readonly StageBand[]>();
  readonly scene = input.required<DrawnScene>();
  readonly view = input.required<View>();
  readonly size = input.required<SheetSize>();

  protected readonly lines = computed(() => bandLines(this.bands(), this.scene(), this.view(), this.size()));
}
