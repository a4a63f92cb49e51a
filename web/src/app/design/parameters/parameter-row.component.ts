import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type QuantityParameter } from '@hashira/core';
import { Slider } from 'primeng/slider';
import { ExpressionDirective } from '../../ui/formulas/expression.directive';
import { formulaText } from '../../ui/fields/values';
import { OverrideBadgeComponent } from './override-badge.component';
import { readersUnits } from '../../ui/units.service';

/** One number of the design: a slider for its range, and a field for a value or a formula. */
@Component({
  selector: 'app-parameter-row',
  imports: [FormsModule, Slider, ExpressionDirective, OverrideBadgeComponent],
  templateUrl: './parameter-row.component.html',
  styleUrl: './parameter-row.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    '[class.wrong]': 'problem() !== undefined',
    '[class.own]': 'own()',
    '[class.long]': 'shown().length > shortText',
  },
})
export class ParameterRowComponent {
  private readonly units = readersUnits();
  readonly parameter = input.required<QuantityParameter>();
  /** SI; undefined while it cannot be evaluated. */
  readonly value = input<number | undefined>();
  readonly range = input<{ min?: number; max?: number; step?: number } | undefined>();
  /** The value comes from other parameters. */
  readonly formula = input(false);
  protected readonly formulaText = formulaText;
  /** The selected alternative has a value of its own. */
  readonly own = input(false);
  /** Why what was typed or is written cannot be, in a sentence. */
  readonly problem = input<string | undefined>();
  /** What else became of what was typed. */
  readonly note = input('');

  /** A new expression; `gesture` while a slider or a key repeats. */
  readonly changed = output<{ text: string; gesture: boolean }>();
  readonly gestureEnd = output();
  /** The alternative follows the design again. */
  readonly followed = output();

  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  private readonly typing = signal(false);
  /** Where the last press of an arrow key led to. */
  private stepped: { readonly text: string; readonly value: number } | undefined;

  private readonly factor = computed(() => this.units().of(this.parameter().quantity).factor);
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === undefined
      ? this.parameter().value
      : this.units().plain(value, this.parameter().quantity);
  });
  /** So many letters have room beside a whole slider. */
  protected readonly shortText = 11;
  protected readonly exact = computed(() => {
    const value = this.value();
    const source = this.formula()
      ? `${this.parameter().name} = ${this.parameter().value}`
      : this.parameter().name;
    return value === undefined
      ? source
      : `${source}; ${this.units().exact(value, this.parameter().quantity)}`;
  });
  protected readonly slider = computed(
    () => {
      const range = this.range();
      const value = this.value();
      if (value === undefined || range?.min === undefined || range.max === undefined) return undefined;
      const round = (x: number) => Number((x * this.factor()).toPrecision(10));
      return {
        min: round(range.min),
        max: round(range.max),
        step: round(range.step ?? (range.max - range.min) / 100),
        value: round(value),
      };
    },
    // A slider whose numbers did not change is not rendered anew
    {
      equal: (a, b) =>
        a === b || (a?.value === b?.value && a?.min === b?.min && a?.max === b?.max && a?.step === b?.step),
    },
  );

  protected slide(shown: number | undefined): void {
    if (shown === undefined) return;
    this.changed.emit({ text: this.expression(shown), gesture: true });
  }

  constructor() {
    // The field belongs to the user while it has the focus: nothing that arrives meanwhile overwrites what is typed
    afterRenderEffect({
      write: () => {
        const text = this.shown();
        if (!this.typing()) this.field().nativeElement.value = text;
      },
    });
  }

  protected focus(): void {
    this.typing.set(true);
    const field = this.field().nativeElement;
    field.value = this.parameter().value;
    field.select();
  }

  protected commit(text: string): void {
    if (!this.typing()) return;
    this.typing.set(false);
    const typed = text.trim();
    if (typed !== '' && typed !== this.parameter().value)
      this.changed.emit({ text: this.units().typed(typed, this.parameter().quantity), gesture: false });
  }

  protected giveUp(): void {
    this.typing.set(false);
    this.field().nativeElement.blur();
  }

  /** Up and down step the value, as on a slider. */
  protected step(event: Event, direction: 1 | -1): void {
    const slider = this.slider();
    if (!slider || this.formula()) return;
    event.preventDefault();
    const field = this.field().nativeElement;
    // Presses come faster than answers: the next one goes on from the last
    const from = this.stepped?.text === field.value ? this.stepped.value : slider.value;
    const next = Math.min(slider.max, Math.max(slider.min, from + direction * slider.step));
    const value = Number(next.toPrecision(10));
    const text = this.expression(value);
    field.value = text;
    this.stepped = { text, value };
    this.changed.emit({ text, gesture: true });
    // Separate presses undo apart; held down, they are one
    if (event instanceof KeyboardEvent && !event.repeat) this.gestureEnd.emit();
  }

  private expression(shown: number): string {
    return this.units().expression(shown / this.factor(), this.parameter().quantity);
  }
}
