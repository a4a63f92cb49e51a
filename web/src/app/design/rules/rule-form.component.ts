import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addSections, kindsOf, setRuleField, type Fields, type Rule } from '@hashira/core';
import { FieldsComponent, type RecordChange } from '../../ui/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';

/** What a rule gives, field by field; the fields are those that its kinds declare. */
@Component({
  selector: 'app-rule-form',
  imports: [FieldsComponent],
  template: `
    <app-fields [fields]="fields()" [record]="rule()" [key]="'r-' + rule().id" (changed)="set($event)" />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RuleFormComponent {
  private readonly workspace = inject(DesignWorkspace);
  readonly rule = input.required<Rule>();

  protected readonly fields = computed(
    (): Fields => Object.assign({}, ...kindsOf(this.rule()).map(({ fields }) => fields as Fields)) as Fields,
  );

  protected set({ name, value, sections }: RecordChange): void {
    const { id } = this.rule();
    this.workspace.apply((design) => setRuleField(addSections(design, sections), id, name, value));
  }
}
