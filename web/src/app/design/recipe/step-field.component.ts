import {
  ChangeDetectionStrategy,
  Component,
  computed,
  forwardRef,
  input,
  output,
  signal,
} from '@angular/core';
import { clausesOf, isTagClause, readPoints, withShownUnit, type Field, type Fields } from '@hashira/core';
import { ExpressionDirective } from '../../ui/expression.directive';
import { ConditionChipsComponent } from '../rules/condition-chips.component';

/** One field of a step, by the form that its declaration gives; what is written stays as it was typed. */
@Component({
  selector: 'app-step-field',
  imports: [ConditionChipsComponent, ExpressionDirective, forwardRef(() => StepFieldComponent)],
  template: `
    <label [attr.for]="id()" [title]="field().about ?? ''">{{ field().title }}</label>
    @switch (field().form.kind) {
      @case ('option') {
        <select [id]="id()" (change)="choose($event)">
          @if (field().optional) {
            <option value="" [selected]="value() === undefined">–</option>
          }
          @for (option of options(); track option) {
            <option [value]="option" [selected]="option === shown()">{{ option }}</option>
          }
        </select>
      }
      @case ('flag') {
        <input
          type="checkbox"
          [id]="id()"
          [checked]="shown() === 'true'"
          (change)="changed.emit($any($event.target).checked)"
        />
      }
      @case ('record') {
        @if (field().optional) {
          <input
            type="checkbox"
            [id]="id()"
            [checked]="value() !== undefined"
            (change)="changed.emit($any($event.target).checked ? started() : undefined)"
          />
        } @else {
          <span></span>
        }
      }
      @case ('variants') {
        <select [id]="id()" (change)="vary($any($event.target).value)">
          @for (one of variants(); track one.name) {
            <option [value]="one.name" [selected]="one.chosen">{{ one.field.title.toLowerCase() }}</option>
          }
        </select>
      }
      @default {
        <input
          #text
          class="number"
          [appExpression]="quantity()"
          [readsTags]="field().form.kind === 'condition'"
          [single]="field().form.kind === 'quantity' || field().form.kind === 'condition'"
          autocomplete="off"
          spellcheck="false"
          [id]="id()"
          [attr.aria-invalid]="problem() !== ''"
          [attr.aria-describedby]="problem() ? id() + '-problem' : null"
          [placeholder]="placeholder()"
          [value]="shown()"
          [title]="field().about ?? ''"
          (change)="commit(text.value)"
        />
      }
    }
    @if (selects(); as of) {
      <app-condition-chips class="chips" [condition]="shown()" [of]="of" (changed)="commit($event)" />
    }
    @if (parts().length > 0) {
      <div class="parts" role="group" [attr.aria-label]="field().title + ', in parts'">
        @for (part of parts(); track part.name) {
          <app-step-field
            [name]="name() + '-' + part.name"
            [step]="step()"
            [field]="part.field"
            [value]="part.value"
            (changed)="setPart(part.name, $event)"
          />
        }
      </div>
    }
    @if (field().form.kind === 'points') {
      <input #file type="file" accept=".csv,.txt,text/csv" hidden (change)="readTable(file)" />
      <button type="button" class="plain table" (click)="file.click()">take points from a table (CSV)</button>
    }
    @if (unread()) {
      <p class="problem" role="alert">{{ unread() }}</p>
    }
    @if (problem()) {
      <p class="problem" role="alert" [id]="id() + '-problem'">{{ problem() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 8.4rem minmax(0, 1fr);
      align-items: center;
      column-gap: 8px;
      min-height: 28px;
    }
    input:not([type='checkbox']),
    select {
      font: inherit;
      min-width: 0;
      padding: 1px 6px;
      border: 1px solid var(--ink-faint);
      border-radius: 2px;
      background: var(--sheet);
    }
    input[type='checkbox'] {
      justify-self: start;
    }
    input[aria-invalid='true'] {
      border-color: var(--vermilion);
    }
    .parts {
      grid-column: 1 / -1;
      padding-left: 10px;
      border-left: 1px solid var(--ink-faint);
    }
    .chips {
      grid-column: 1 / -1;
      margin: 2px 0 4px;
    }
    .table {
      grid-column: 2;
      justify-self: start;
      color: var(--indigo);
      text-decoration: underline;
    }
    .problem {
      grid-column: 1 / -1;
      margin: 2px 0;
      font-size: 0.857rem;
      color: var(--vermilion-text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepFieldComponent {
  readonly name = input.required<string>();
  readonly step = input.required<string>();
  readonly field = input.required<Field<unknown>>();
  readonly value = input<unknown>();
  readonly problem = input('');

  /** The new value as it is to be written; undefined takes the field away. */
  readonly changed = output<unknown>();

  protected readonly id = computed(() => `f-${this.step()}-${this.name()}`);
  protected readonly shown = computed(() => this.textOf(this.value() ?? this.field().fallback));
  protected readonly placeholder = computed(() => this.textOf(this.field().initial));
  /** Kind of quantity of a single value. */
  protected readonly quantity = computed(() => {
    const { form } = this.field();
    return form.kind === 'quantity' ? form.quantity : '';
  });
  /** What a condition selects, where chips can say some of it. */
  protected readonly selects = computed(() => {
    const { form } = this.field();
    return form.kind === 'condition' && clausesOf(this.shown()).some(isTagClause) ? form.of : undefined;
  });
  private textOf(value: unknown): string {
    return this.field().form.kind === 'points' && Array.isArray(value)
      ? pointsText(value)
      : writtenText(value);
  }

  protected readonly options = computed(() => {
    const { form } = this.field();
    return form.kind === 'option' ? form.options.map(String) : [];
  });

  /** The fields within a record that is written, or the one that was chosen of several. */
  protected readonly parts = computed((): { name: string; field: Field<unknown>; value: unknown }[] => {
    const { form } = this.field();
    const own = (this.value() ?? (this.field().optional ? undefined : this.field().initial)) as
      Readonly<Record<string, unknown>> | undefined;
    if (form.kind === 'variants')
      return this.variants()
        .filter(({ chosen }) => chosen)
        .map(({ name, field }) => ({ name, field, value: own?.[name] }));
    if (form.kind !== 'record' || !own) return [];
    return Object.entries(form.fields).map(([name, field]) => ({
      name,
      field: field as Field<unknown>,
      value: own[name],
    }));
  });

  protected readonly variants = computed(() => {
    const { form } = this.field();
    if (form.kind !== 'variants') return [];
    const [chosen] = Object.keys(this.value() ?? this.field().initial ?? {});
    return Object.entries(form.variants).map(([name, field]) => ({
      name,
      field: field as Field<unknown>,
      chosen: name === chosen,
    }));
  });

  /** What a record begins with. */
  protected started(): unknown {
    const { form, initial } = this.field();
    return form.kind === 'record' ? (initial ?? startsOf(form.fields)) : initial;
  }

  /** Another one of several fields, with what it begins with. */
  protected vary(name: string): void {
    const one = this.variants().find((variant) => variant.name === name)!;
    this.changed.emit({ [name]: one.field.initial ?? one.field.fallback });
  }

  protected setPart(name: string, value: unknown): void {
    if (this.field().form.kind === 'variants') {
      if (value !== undefined) this.changed.emit({ [name]: value });
      return;
    }
    const own = (this.value() ?? this.field().initial ?? {}) as Readonly<Record<string, unknown>>;
    const next = Object.entries({ ...own, [name]: value }).filter(([, one]) => one !== undefined);
    this.changed.emit(Object.fromEntries(next));
  }

  /** Why a table could not be taken. */
  protected readonly unread = signal('');

  protected async readTable(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      const { points } = readPoints(await file.text());
      this.unread.set('');
      this.changed.emit(points);
    } catch (error) {
      this.unread.set(`"${file.name}": ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  protected choose(event: Event): void {
    const { value } = event.target as HTMLSelectElement;
    this.changed.emit(value === '' ? undefined : value);
  }

  protected commit(text: string): void {
    const typed = text.trim();
    if (typed === this.shown()) return;
    this.changed.emit(typed === '' ? undefined : readWritten(typed, this.field()));
  }
}

/** Points as they can be typed: coordinates with commas, points with semicolons between; names of places stand alone. */
const pointsText = (points: readonly unknown[]): string => points.map((item) => writtenText(item)).join('; ');

/** What the fields of a record begin with, those that must be written or have a beginning. */
function startsOf(fields: Fields): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([name, { initial, fallback, optional }]: [string, Field<unknown>]) =>
      optional || (initial ?? fallback) === undefined ? [] : [[name, initial ?? fallback]],
    ),
  );
}

/** What is written, as text: lists with commas, other things as JSON. */
export function writtenText(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean')
    return String(value);
  if (Array.isArray(value) && value.every((item) => typeof item === 'string' || typeof item === 'number'))
    return value.join(', ');
  return JSON.stringify(value);
}

const coordinate = (part: string): string => withShownUnit(part, 'length');

/** A point of a list: coordinates with commas between, or the name of a place. */
function pointOf(item: string): string | string[] {
  return item.includes(',') ? item.split(/\s*,\s*/).map(coordinate) : item;
}

/** Typed text as the field is written; a bare number of a field with a unit has that unit. */
export function readWritten(typed: string, field: Field<unknown>): unknown {
  if (/^[[{]/.test(typed))
    try {
      return JSON.parse(typed) as unknown;
    } catch (error) {
      // Not JSON: it is kept as text, and the calculation says what is wrong with it
      if (!(error instanceof SyntaxError)) throw error;
      return typed;
    }
  const { form } = field;
  if (form.kind === 'quantity') return withShownUnit(typed, form.quantity);
  if (form.kind === 'count')
    return /^[-+]?\d*[.,]?\d+$/.test(typed) ? Number(typed.replace(',', '.')) : typed;
  if (form.kind === 'list')
    return typed
      .split(/[;,]/)
      .map((part) => withShownUnit(part, form.quantity))
      .join(', ');
  if (form.kind === 'points')
    return typed
      .split(/\s*;\s*/)
      .filter((item) => item !== '')
      .map(pointOf);
  if (form.kind === 'point') return typed.split(/\s*[,;]\s*/).map(coordinate);
  return typed;
}
