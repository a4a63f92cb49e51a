import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  grades,
  kindsOf,
  readRuleField,
  ruleFields,
  ruleFieldText,
  setRule,
  setRuleField,
  type Rule,
  type RuleField,
} from '@hashira/core';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { SectionPickerComponent } from './section-picker.component';

const steels = grades.filter(({ kind }) => kind === 'steel').map(({ id }) => id);

/** What a rule gives, field by field; the fields are those of its kinds' schemas. */
@Component({
  selector: 'app-rule-form',
  imports: [SectionPickerComponent],
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
                (changed)="set(field, $event)"
              />
            }
          }
          @case ('choice') {
            <select [id]="idOf(field)" (change)="choose(field, $any($event.target).value)">
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
          @default {
            <input
              #input
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
    input,
    select {
      font: inherit;
      min-width: 0;
      min-height: 24px;
      padding: 1px 6px;
      border: 1px solid var(--ink-faint);
      border-radius: 2px;
      background: var(--sheet);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RuleFormComponent {
  private readonly workspace = inject(DesignWorkspace);
  readonly rule = input.required<Rule>();

  private readonly design = computed(() => this.workspace.state()!.design);
  protected readonly title = computed(() => this.rule().title ?? this.rule().id);
  protected readonly cases = computed(() => this.design().loadCases);
  protected readonly materials = computed(() => [...this.design().materials.map(({ id }) => id), ...steels]);
  protected readonly fields = computed(() => {
    const rule = this.rule();
    return kindsOf(rule).flatMap((kind) => ruleFields(rule, kind));
  });

  protected idOf({ path }: RuleField): string {
    return `r-${this.rule().id}-${path}`;
  }

  protected text({ value }: RuleField): string {
    return ruleFieldText(value);
  }

  /** Name of the parameter that a section or material follows. */
  protected parameterOf({ value }: RuleField): string | undefined {
    return (value as { parameter?: string } | undefined)?.parameter;
  }

  protected choicesOf({ form }: RuleField): readonly { label: string; value: unknown }[] {
    return form.kind === 'choice' ? form.choices : [];
  }

  protected chosen(field: RuleField): number {
    const own = JSON.stringify(field.value);
    return this.choicesOf(field).findIndex(({ value }) => JSON.stringify(value) === own);
  }

  protected choose(field: RuleField, index: string): void {
    const value = this.choicesOf(field)[Number(index)]?.value;
    // Another kind of load keeps its case; what else it had belongs to the old kind
    if (field.path === 'load/kind') this.becomeLoad(String(value));
    else this.set(field, value);
  }

  private becomeLoad(kind: string): void {
    const { id, load } = this.rule();
    const starts: Record<string, object> = {
      line: { direction: 'z', q: '-1 kN/m' },
      point: { at: '1/2', F: ['0 kN', '0 kN', '-1 kN'] },
      temperature: { uniform: '20 K' },
      pretension: { force: '10 kN' },
      node: { F: ['0 kN', '0 kN', '-1 kN'] },
      settlement: { uz: '-10 mm' },
    };
    this.workspace.apply((design) =>
      setRule(design, id, { load: { case: load?.case, kind, ...starts[kind] } }),
    );
  }

  protected type(field: RuleField, input: HTMLInputElement): void {
    const value = readRuleField(input.value, field.form);
    // What must be there stays as it was
    if (value === undefined && !field.optional) input.value = this.text(field);
    else this.set(field, value);
  }

  protected set({ path }: RuleField, value: unknown): void {
    const { id } = this.rule();
    this.workspace.apply((design) => setRuleField(design, id, path, value));
  }
}
