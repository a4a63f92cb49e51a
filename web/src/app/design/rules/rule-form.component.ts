import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addSections, kindsOf, ruleFields, setRule, setRuleField, type Rule } from '@hashira/core';
import { RecordFormComponent, type RecordChange } from '../../ui/record-form.component';
import { DesignWorkspace } from '../../state/design-workspace.service';

/** What a load of each kind begins with. */
const loadStarts: Readonly<Record<string, object>> = {
  line: { direction: 'z', q: '-1 kN/m' },
  point: { at: '1/2', F: ['0 kN', '0 kN', '-1 kN'] },
  temperature: { uniform: '20 K' },
  pretension: { force: '10 kN' },
  node: { F: ['0 kN', '0 kN', '-1 kN'] },
  settlement: { uz: '-10 mm' },
};

/** What a rule gives, field by field; the fields are those of its kinds' schemas. */
@Component({
  selector: 'app-rule-form',
  imports: [RecordFormComponent],
  template: `
    <app-record-form
      [fields]="fields()"
      [key]="'r-' + rule().id"
      [title]="rule().title ?? rule().id"
      [design]="design()"
      (changed)="set($event)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RuleFormComponent {
  private readonly workspace = inject(DesignWorkspace);
  readonly rule = input.required<Rule>();

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly fields = computed(() => {
    const rule = this.rule();
    return kindsOf(rule).flatMap((kind) => ruleFields(rule, kind));
  });

  protected set({ field: { path }, value, sections = [] }: RecordChange): void {
    const { id, load } = this.rule();
    // Another kind of load keeps its case; what else it had belongs to the old kind
    const next = { case: load?.case, kind: value, ...loadStarts[String(value)] };
    this.workspace.apply((design) => {
      const known = addSections(design, sections);
      return path === 'load/kind' ? setRule(known, id, { load: next }) : setRuleField(known, id, path, value);
    });
  }
}
