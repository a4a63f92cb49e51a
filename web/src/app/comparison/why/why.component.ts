import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { type ShareRow } from '@hashira/core';
import { TableModule } from 'primeng/table';
import { Why } from './why.service';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** Rows that are shown at first. */
const few = 14;

/** Where the difference of a figure between two alternatives comes from: their shares side by side. */
@Component({
  selector: 'app-why',
  imports: [ActionDirective, TableModule],
  host: { '(document:keydown.escape)': 'closed.emit()' },
  templateUrl: './why.component.html',
  styleUrl: './why.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyComponent {
  private readonly units = readersUnits();
  protected readonly why = inject(Why);
  readonly closed = output();
  private readonly panel = viewChild<ElementRef<HTMLElement>>('panel');

  protected readonly all = signal(false);
  protected readonly rows = computed(() => [
    ...(this.why.found()?.rows.slice(0, this.all() ? undefined : few) ?? []),
  ]);
  protected readonly more = computed(() => (this.why.found()?.rows.length ?? 0) - this.rows().length);
  private readonly greatest = computed(() =>
    Math.max(
      ...(this.why.found()?.rows ?? []).flatMap(({ reference = 0, own = 0 }) => [
        Math.abs(reference),
        Math.abs(own),
      ]),
    ),
  );

  constructor() {
    afterNextRender(() => this.panel()?.nativeElement.focus({ preventScroll: true }));
  }

  protected value(value: number | undefined, { unit }: ShareRow): string {
    const quantity = unit === 'figure' ? this.why.of()!.quantity : unit;
    return value === undefined ? '–' : this.units().withUnit(value, quantity);
  }

  /** Length of a share's bar, per cent of its cell: the greatest leaves room for its value. */
  protected width(value = 0): number {
    return this.greatest() > 0 ? (60 * Math.abs(value)) / this.greatest() : 0;
  }
}
