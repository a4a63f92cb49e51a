import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ruleKinds, ruleWords, setRule, type Rule } from '@hashira/core';
import { Calculation } from '../calculation/calculation.service';
import { EditableTextComponent } from '../shared/editable-text.component';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';

const headings = {
  sections: 'Sections',
  supports: 'Supports',
  hinges: 'Hinges',
  lengths: 'Lengths and limits',
  loads: 'Loads',
  masses: 'Masses',
} as const;

/** Rules as sentences, grouped by what they give; pointing at one lights up what it matches. */
@Component({
  selector: 'app-rules-leaf',
  imports: [EditableTextComponent],
  template: `
    @for (group of groups(); track group.heading) {
      <h3>{{ group.heading }}</h3>
      @for (row of group.rows; track row.rule.id) {
        <div
          class="rule"
          [class.nothing]="row.count === 0"
          [title]="row.rule.id"
          (pointerenter)="light(row.rule)"
          (pointerleave)="dark()"
          (focusin)="light(row.rule)"
          (focusout)="dark()"
        >
          <strong>{{ row.rule.title ?? row.rule.id }}</strong>
          <span class="number soft">{{ row.count === undefined ? '' : row.count }}</span>
          <span class="gives">{{ row.words }}</span>
          <span class="where soft"
            >where
            <app-editable-text
              [text]="row.condition"
              [label]="'Condition of ' + (row.rule.title ?? row.rule.id)"
              (changed)="setCondition(row.rule, $event)"
          /></span>
          @if (row.remark) {
            <p class="problem" role="alert">{{ row.remark }}</p>
          }
        </div>
      }
    }
  `,
  styles: `
    h3 {
      margin: 8px 0 2px;
      font-size: 12px;
      color: var(--ink-soft);
    }
    .rule {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      padding: 4px 0;
      border-bottom: 1px solid var(--ink-faint);
    }
    .rule:hover,
    .rule:focus-within {
      background: var(--sheet);
    }
    .gives,
    .where,
    .problem {
      grid-column: 1 / -1;
      overflow-wrap: anywhere;
    }
    .where {
      font-size: 12px;
    }
    .problem {
      margin: 2px 0 0;
      font-size: 12px;
      color: var(--vermilion-text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RulesLeafComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly view = inject(ViewState);
  private pointed = '';

  private readonly alternative = computed(
    () => this.workspace.selectedAlternative(this.workspace.state()!.design).id,
  );
  private readonly summary = computed(
    () => this.workspace.results().alternatives.get(this.alternative())?.summary,
  );

  protected readonly groups = computed(() => {
    const { rules } = this.workspace.state()!.design;
    const summary = this.summary();
    const remarks = [
      ...(summary?.problems ?? []),
      ...(summary?.notes ?? []).filter(({ code }) => code !== 'area-load'),
    ];
    const rows = rules.map((rule) => ({
      rule,
      gives: givesOf(rule),
      words: ruleWords(rule),
      condition: rule.members ?? rule.nodes ?? '',
      count: summary && Object.hasOwn(summary.matches, rule.id) ? summary.matches[rule.id] : undefined,
      remark: remarks.find(({ where }) => where['rule'] === rule.id)?.message ?? '',
    }));
    return Object.entries(headings)
      .map(([gives, heading]) => ({ heading, rows: rows.filter((row) => row.gives === gives) }))
      .filter((group) => group.rows.length > 0);
  });

  protected setCondition(rule: Rule, text: string): void {
    const field = rule.members === undefined ? 'nodes' : 'members';
    this.workspace.apply((design) => setRule(design, rule.id, { [field]: text }));
  }

  protected light({ id }: Rule): void {
    this.pointed = id;
    void this.calculation.ask(this.alternative(), 'matches', { rule: id }).then((parts) => {
      if (this.pointed === id) this.view.lit.set(parts ?? []);
    });
  }

  protected dark(): void {
    this.pointed = '';
    this.view.lit.set([]);
  }
}

/** Heading of a rule: what the first of its kinds gives. */
function givesOf(rule: Rule): keyof typeof headings {
  const of = rule.members === undefined ? 'nodes' : 'members';
  return ruleKinds.find((kind) => kind.of === of && rule[kind.key] !== undefined)?.gives ?? 'sections';
}
