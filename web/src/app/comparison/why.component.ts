import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  besideEachOther,
  formatWithUnit,
  type QuantityName,
  type ShareRow,
  type SharesBeside,
} from '@hashira/core';
import { Calculation } from '../state/calculation/calculation.service';
import { DesignWorkspace } from '../state/design-workspace.service';

/** A difference of which it is asked where it comes from. */
export interface Difference {
  readonly figure: string;
  readonly title: string;
  readonly quantity: QuantityName;
  readonly alternative: string;
  readonly reference: string;
  /** One load case or combination alone. */
  readonly result?: string;
}

/** Rows that are shown at first. */
const few = 14;

/** Where the difference of a figure between two alternatives comes from: their shares side by side. */
@Component({
  selector: 'app-why',
  host: { '(document:keydown.escape)': 'closed.emit()' },
  templateUrl: './why.component.html',
  styleUrl: './why.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyComponent {
  readonly of = input.required<Difference>();
  readonly closed = output();
  private readonly calculation = inject(Calculation);
  private readonly workspace = inject(DesignWorkspace);
  private readonly panel = viewChild<ElementRef<HTMLElement>>('panel');

  protected readonly found = signal<SharesBeside | undefined>(undefined);
  protected readonly problem = signal('');
  protected readonly all = signal(false);
  private turn = 0;

  protected readonly names = computed(() => {
    const { alternatives } = this.workspace.state()!.design;
    const { reference, alternative } = this.of();
    const titleOf = (id: string) => alternatives.find((one) => one.id === id)?.title ?? id;
    return [titleOf(reference), titleOf(alternative)] as const;
  });
  protected readonly rows = computed(() => this.found()?.rows.slice(0, this.all() ? undefined : few) ?? []);
  protected readonly more = computed(() => (this.found()?.rows.length ?? 0) - this.rows().length);
  private readonly greatest = computed(() =>
    Math.max(
      ...(this.found()?.rows ?? []).flatMap(({ reference = 0, own = 0 }) => [
        Math.abs(reference),
        Math.abs(own),
      ]),
    ),
  );

  constructor() {
    effect(() => {
      this.workspace.results();
      const of = this.of();
      void untracked(() => this.ask(of));
    });
    afterRenderEffect({ write: () => this.panel()?.nativeElement.focus({ preventScroll: true }) });
  }

  private async ask({ figure, alternative, reference, result }: Difference): Promise<void> {
    const turn = ++this.turn;
    const asked = { figure, ...(result === undefined ? {} : { result }) };
    const [before, after] = await Promise.all(
      [reference, alternative].map((id) => this.calculation.ask(id, 'contributions', asked)),
    );
    if (turn !== this.turn || !before || !after) return;
    const wrong = [before, after].find((one) => 'problem' in one);
    this.problem.set(wrong && 'problem' in wrong ? wrong.problem : '');
    this.found.set(
      'contributions' in before && 'contributions' in after
        ? besideEachOther(before.contributions, after.contributions, this.names())
        : undefined,
    );
  }

  protected value(value: number | undefined, { unit }: ShareRow): string {
    return value === undefined ? '–' : formatWithUnit(value, unit === 'figure' ? this.of().quantity : unit);
  }

  /** Length of a share's bar, per cent of the greatest. */
  protected width(value = 0): number {
    return this.greatest() > 0 ? (100 * Math.abs(value)) / this.greatest() : 0;
  }
}
