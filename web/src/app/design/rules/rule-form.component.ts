import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addSections, kindsOf, setRule, setRuleField, type Fields, type Rule } from '@hashira/core';
import { ConditionChipsComponent } from '../../ui/fields/condition-chips.component';
import { EditableTextComponent } from '../../ui/editable-text.component';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';

/** A rule open to be changed: for what it is, by chips or as it is written, and what it gives, by the fields that its kinds declare. */
@Component({
  selector: 'app-rule-form',
  imports: [ConditionChipsComponent, EditableTextComponent, FieldsComponent],
  template: `
    <app-condition-chips [condition]="condition()" [of]="of()" (changed)="setCondition($event)" />
    <p class="written soft">
      as written
      <app-editable-text
        [text]="condition()"
        [label]="'Condition of ' + (rule().title ?? rule().id)"
        (changed)="setCondition($event)"
      />
    </p>
    <app-fields [fields]="fields()" [record]="rule()" [key]="'r-' + rule().id" (changed)="set($event)" />
  `,
  styles: `
    .written {
      margin: 2px 0 6px;
      font-size: var(--size-small);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RuleFormComponent {
  private readonly workspace = inject(DesignWorkspace);
  readonly rule = input.required<Rule>();

  protected readonly of = computed(() => (this.rule().members === undefined ? 'nodes' : 'members'));
  protected readonly condition = computed(() => this.rule().members ?? this.rule().nodes ?? '');
  protected readonly fields = computed(
    (): Fields => Object.assign({}, ...kindsOf(this.rule()).map(({ fields }) => fields as Fields)) as Fields,
  );

  protected setCondition(text: string): void {
    const [{ id }, of] = [this.rule(), this.of()];
    this.workspace.apply((design) => setRule(design, id, { [of]: text }));
  }

  protected set({ name, value, sections }: RecordChange): void {
    const { id } = this.rule();
    this.workspace.apply((design) => setRuleField(addSections(design, sections), id, name, value));
  }
}
