import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { readPoints, type Field } from '@hashira/core';

/** One field of a step, by the form that its declaration gives; what is written stays as it was typed. */
@Component({
  selector: 'app-step-field',
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
      @default {
        <input
          #text
          class="number"
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
      grid-template-columns: 118px minmax(0, 1fr);
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
  protected readonly shown = computed(() => writtenText(this.value() ?? this.field().fallback));
  protected readonly placeholder = computed(() => writtenText(this.field().initial));
  protected readonly options = computed(() => {
    const { form } = this.field();
    return form.kind === 'option' ? form.options.map(String) : [];
  });

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

/** What is written, as text: lists with commas, other things as JSON. */
export function writtenText(value: unknown): string {
  if (value === undefined || value === null) return '';
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean')
    return String(value);
  if (Array.isArray(value) && value.every((item) => typeof item === 'string' || typeof item === 'number'))
    return value.join(', ');
  return JSON.stringify(value);
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
  const bare = /^[-+]?\d*[.,]?\d+$/.test(typed);
  const number = typed.replace(',', '.');
  if (form.kind === 'quantity') return bare ? `${number} ${form.quantity === 'angle' ? 'deg' : 'm'}` : typed;
  if (form.kind === 'count') return bare ? Number(number) : typed;
  if (form.kind === 'list')
    return typed
      .split(/\s*;\s*/)
      .join(', ')
      .replace(/(^|,)\s*([-+]?\d*\.?\d+)\s*(?=,|$)/g, '$1 $2 m')
      .trim();
  if (form.kind === 'point')
    return typed.split(/\s*[,;]\s*/).map((part) => (/^[-+]?\d*\.?\d+$/.test(part) ? `${part} m` : part));
  return typed;
}
