import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  grades,
  readRecordField,
  recordFieldText,
  type Design,
  type OwnSection,
  type RecordField,
} from '@hashira/core';
import { ExpressionDirective } from './expression.directive';
import { SectionPickerComponent } from './section-picker.component';

const steels = grades.filter(({ kind }) => kind === 'steel').map(({ id }) => id);

/** A value that was set within a record; undefined takes it away. */
export interface RecordChange {
  readonly field: RecordField;
  readonly value: unknown;
  /** Sections that were made for it and are not in the design yet. */
  readonly sections?: readonly OwnSection[];
}

/** The fields of a record, each by the form that the core says: a rule, a load case, a figure, the settings. */
@Component({
  selector: 'app-record-form',
  imports: [ExpressionDirective, SectionPickerComponent],
  template: `
    @for (field of fields(); track field.path) {
      <div class="field">
        <label [attr.for]="idOf(field)">{{ field.title }}</label>
        @switch (field.form.kind) {
          @case ('section') {
            @if (parameterOf(field); as parameter) {
              <span class="soft">as the parameter {{ parameter }}</span>
            } @else {
              <app-section-picker
                [inputId]="idOf(field)"
                [label]="field.title + ' of ' + title()"
                [value]="text(field)"
                [own]="design().sections"
                (changed)="set(field, $event)"
                (made)="changed.emit({ field, value: $event[0]!.name, sections: $event })"
              />
            }
          }
          @case ('choice') {
            <select
              [id]="idOf(field)"
              (change)="set(field, choicesOf(field)[+$any($event.target).value]?.value)"
            >
              @if (field.optional || chosen(field) < 0) {
                <option value="-1" [selected]="chosen(field) < 0">–</option>
              }
              @for (choice of choicesOf(field); track choice.label; let i = $index) {
                <option [value]="i" [selected]="i === chosen(field)">{{ choice.label }}</option>
              }
            </select>
          }
          @case ('case') {
            <select [id]="idOf(field)" (change)="set(field, $any($event.target).value)">
              @for (one of cases(); track one.id) {
                <option [value]="one.id" [selected]="one.id === field.value">
                  {{ one.id }} {{ one.title }}
                </option>
              }
            </select>
          }
          @case ('material') {
            @if (parameterOf(field); as parameter) {
              <span class="soft">as the parameter {{ parameter }}</span>
            } @else {
              <select [id]="idOf(field)" (change)="set(field, $any($event.target).value)">
                @if (field.value === undefined) {
                  <option value="" selected>as the section’s</option>
                }
                @for (one of materials(); track one) {
                  <option [value]="one" [selected]="one === field.value">{{ one }}</option>
                }
              </select>
            }
          }
          @case ('flag') {
            <input
              type="checkbox"
              [id]="idOf(field)"
              [checked]="field.value === true"
              (change)="set(field, $any($event.target).checked)"
            />
          }
          @case ('cases') {
            <span class="several" role="group" [attr.aria-label]="field.title">
              @for (one of cases(); track one.id) {
                <label
                  ><input
                    type="checkbox"
                    [checked]="has(field, one.id)"
                    (change)="include(field, one.id, $any($event.target).checked)"
                  />
                  {{ one.id }}</label
                >
              }
            </span>
          }
          @default {
            <input
              #input
              appExpression=""
              [readsTags]="field.form.kind === 'condition'"
              [single]="field.form.kind === 'condition' || field.form.kind === 'formula'"
              autocomplete="off"
              spellcheck="false"
              [id]="idOf(field)"
              [value]="text(field)"
              (change)="type(field, input)"
            />
          }
        }
      </div>
    }
  `,
  styles: `
    .field {
      display: grid;
      grid-template-columns: 6.5rem minmax(0, 1fr);
      align-items: center;
      column-gap: 8px;
      min-height: 28px;
    }
    input:not([type='checkbox']),
    select {
      font: inherit;
      min-width: 0;
      min-height: 24px;
      padding: 1px 6px;
      border: 1px solid var(--ink-faint);
      border-radius: 2px;
      background: var(--sheet);
    }
    input[type='checkbox'] {
      justify-self: start;
    }
    .several {
      display: flex;
      flex-wrap: wrap;
      gap: 0 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordFormComponent {
  readonly fields = input.required<readonly RecordField[]>();
  /** Tells this record from all others. */
  readonly key = input.required<string>();
  /** What it is called. */
  readonly title = input.required<string>();
  readonly design = input.required<Pick<Design, 'loadCases' | 'materials' | 'sections'>>();
  readonly changed = output<RecordChange>();

  protected readonly cases = computed(() => this.design().loadCases);
  protected readonly materials = computed(() => [...this.design().materials.map(({ id }) => id), ...steels]);

  protected idOf({ path }: RecordField): string {
    return `${this.key()}-${path}`;
  }

  protected text({ value }: RecordField): string {
    return recordFieldText(value);
  }

  /** Name of the parameter that a section or material follows. */
  protected parameterOf({ value }: RecordField): string | undefined {
    return (value as { parameter?: string } | undefined)?.parameter;
  }

  protected choicesOf({ form }: RecordField): readonly { label: string; value: unknown }[] {
    return form.kind === 'choice' ? form.choices : [];
  }

  protected chosen(field: RecordField): number {
    const own = JSON.stringify(field.value);
    return this.choicesOf(field).findIndex(({ value }) => JSON.stringify(value) === own);
  }

  protected has({ value }: RecordField, id: string): boolean {
    return Array.isArray(value) && value.includes(id);
  }

  protected include(field: RecordField, id: string, included: boolean): void {
    const known = Array.isArray(field.value) ? (field.value as string[]) : [];
    const ids = included ? [...known, id] : known.filter((one) => one !== id);
    this.set(field, ids.length > 0 ? ids : undefined);
  }

  protected type(field: RecordField, input: HTMLInputElement): void {
    const value = readRecordField(input.value, field.form);
    // What must be there stays as it was, and so does a number that is none
    const refused = value === undefined && (!field.optional || input.value.trim() !== '');
    if (refused) input.value = this.text(field);
    else this.set(field, value);
  }

  protected set(field: RecordField, value: unknown): void {
    this.changed.emit({ field, value });
  }
}
