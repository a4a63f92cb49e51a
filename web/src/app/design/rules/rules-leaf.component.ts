import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import {
  conditionWords,
  kindsOf,
  moveRule,
  optionsThatChange,
  removeRule,
  ruleKinds,
  ruleWords,
  setRule,
  stepTitles,
  withValues,
  type Rule,
} from '@hashira/core';
import { Calculation } from '../../state/calculation/calculation.service';
import { EditableTextComponent } from '../../ui/editable-text.component';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { parameterTexts } from '../../state/parameter-texts';
import { ViewState } from '../../state/view-state.service';
import { optionWords } from '../../ui/fields/values';
import { ActionMenuComponent } from '../../ui/action-menu.component';
import { focusSoon } from '../../ui/focus-soon';
import { NewRuleComponent, type RuleDraft } from './new-rule.component';
import { RuleFormComponent } from './rule-form.component';
import { ActionDirective } from '../../ui/action.directive';

const headings = {
  sections: 'Sections',
  supports: 'Supports',
  hinges: 'Hinges',
  lengths: 'Lengths and limits',
  loads: 'Loads',
  masses: 'Masses',
} as const;

/**
 * Rules as sentences, grouped by what they give; pointing at one lights up what it matches, opening one shows its fields. Later rules win.
 */
@Component({
  selector: 'app-rules-leaf',
  imports: [ActionDirective, ActionMenuComponent, EditableTextComponent, NewRuleComponent, RuleFormComponent],
  template: `
    @for (group of groups(); track group.heading) {
      <h3>{{ group.heading }}</h3>
      @for (row of group.rows; track row.rule.id) {
        <div
          class="rule"
          [class.nothing]="row.count === 0"
          [class.off]="row.rule.off === true"
          [title]="row.rule.id"
          [attr.data-rule]="row.rule.id"
          (pointerenter)="light(row.rule)"
          (pointerleave)="dark()"
          (focusin)="light(row.rule)"
          (focusout)="dark()"
        >
          <button
            type="button"
            class="plain head"
            [attr.aria-expanded]="row.open"
            (click)="toggle(row.rule.id)"
          >
            <strong>{{ row.rule.title ?? row.rule.id }}</strong>
            <span class="gives">{{ row.words }}</span>
          </button>
          <span class="number soft">{{ row.count === undefined ? '' : row.count }}</span>
          <span class="where soft" [title]="row.condition">{{ row.said }}</span>
          @if (row.options) {
            <p class="by">as {{ row.options }}</p>
          }
          @for (one of row.overrides; track one) {
            <p class="overridden soft">{{ one }}</p>
          }
          @if (row.warning) {
            <p class="problem" role="alert">{{ row.warning }}</p>
          }
          @if (row.open) {
            <div class="fields">
              <app-rule-form [rule]="row.rule" />
              <p class="actions">
                <app-editable-text
                  [text]="row.rule.title ?? row.rule.id"
                  label="Title of the rule"
                  (changed)="rename(row.rule, $event)"
                />
                <button appAction (click)="select(row.rule)">select these</button>
                <button appAction data-move="-1" [disabled]="row.first" (click)="move(row.rule, -1)">
                  earlier
                </button>
                <button appAction data-move="1" [disabled]="row.last" (click)="move(row.rule, 1)">
                  later
                </button>
                <button appAction (click)="switch(row.rule)">
                  {{ row.rule.off ? 'switch on' : 'switch off' }}
                </button>
                <button appAction (click)="remove(row.rule)">remove</button>
              </p>
            </div>
          }
        </div>
      }
    }
    @if (draft(); as begun) {
      <app-new-rule [begun]="begun" (added)="added($event)" (cancelled)="cancelled()" />
    } @else {
      <app-action-menu
        class="add"
        text="+ rule …"
        label="Add a rule that gives"
        [choices]="choices"
        (chosen)="begin($event)"
      />
    }
  `,
  styles: `
    h3 {
      margin: 8px 0 2px;
      font-size: var(--size-small);
      color: var(--ink-soft);
    }
    .rule {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      padding: 4px 0;
      border-bottom: 1px solid var(--ink-faint);
    }
    .head {
      display: flex;
      flex-direction: column;
      min-height: 24px;
      min-width: 0;
    }
    .off .head {
      text-decoration: line-through;
    }
    .fields {
      grid-column: 1 / -1;
      padding: 4px 0 6px 8px;
      border-left: 2px solid var(--indigo);
    }
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 0 12px;
      margin: 4px 0 0;
      font-size: var(--size-small);
    }
    .actions button {
      min-height: 24px;
      color: var(--indigo);
    }
    .actions button:disabled {
      color: var(--ink-soft);
      cursor: default;
    }
    .add {
      display: block;
      margin-top: 10px;
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
    .by {
      color: var(--ochre-text);
    }
    .where {
      font-size: var(--size-small);
    }
    .by,
    .overridden {
      grid-column: 1 / -1;
      margin: 0;
      font-size: var(--size-small);
    }
    .problem {
      margin: 2px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RulesLeafComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly view = inject(ViewState);
  private readonly selection = inject(Selection);
  private readonly kinds = ruleKinds;
  protected readonly choices = ruleKinds.map(({ title }) => ({ key: title, label: title.toLowerCase() }));
  /** A rule that is being made. */
  protected readonly draft = signal<RuleDraft | undefined>(undefined);
  private readonly texts = parameterTexts();
  private pointed = '';

  private readonly alternative = computed(
    () => this.workspace.selectedAlternative(this.workspace.state()!.design).id,
  );
  private readonly summary = computed(
    () => this.workspace.results().alternatives.get(this.alternative())?.summary,
  );

  protected readonly groups = computed(() => {
    const { rules } = this.workspace.edited()!;
    const { design } = this.workspace.state()!;
    const alternative = this.workspace.selectedAlternative(design);
    const texts = this.texts();
    const titleOf = stepTitles(this.workspace.edited()!);
    const summary = this.summary();
    const warnings = [
      ...(summary?.problems ?? []),
      ...(summary?.notes ?? []).filter(({ code }) => code !== 'area-load'),
    ];
    const open = this.selection.openRule();
    const rows = rules.map((rule, i) => ({
      rule,
      open: rule.id === open,
      options: optionWords(optionsThatChange(design, alternative, 'rules', rule.id)),
      first: i === 0,
      last: i === rules.length - 1,
      gives: givesOf(rule),
      words: ruleWords(withValues(rule, texts)),
      said: conditionWords(
        rule.members ?? rule.nodes ?? '',
        rule.members === undefined ? 'nodes' : 'members',
        titleOf,
      ),
      condition: rule.members ?? rule.nodes ?? '',
      count: summary && Object.hasOwn(summary.matches, rule.id) ? summary.matches[rule.id] : undefined,
      overrides: (summary && Object.hasOwn(summary.overrides, rule.id)
        ? summary.overrides[rule.id]!
        : []
      ).map(({ by, parts }) => `on ${parts} overridden by ${rules.find(({ id }) => id === by)?.title ?? by}`),
      warning: warnings.find(({ where }) => where['rule'] === rule.id)?.message ?? '',
    }));
    return Object.entries(headings)
      .map(([gives, heading]) => ({ heading, rows: rows.filter((row) => row.gives === gives) }))
      .filter((group) => group.rows.length > 0);
  });

  protected toggle(id: string): void {
    this.selection.openRule.update((open) => (open === id ? undefined : id));
  }

  protected rename({ id }: Rule, title: string): void {
    this.workspace.apply((design) => setRule(design, id, { title }));
  }

  protected select(rule: Rule): void {
    const of = rule.members === undefined ? 'nodes' : 'members';
    void this.selection.where(of, rule.members ?? rule.nodes ?? 'true');
  }

  /** Among all rules, whatever they give: what comes later wins. */
  protected move({ id }: Rule, by: number): void {
    this.workspace.apply((design) =>
      moveRule(design, id, design.rules.findIndex((rule) => rule.id === id) + by),
    );
    // At an end the button that was pressed is off: the other one has the focus
    const moves = `[data-rule="${CSS.escape(id)}"] [data-move`;
    focusSoon(this.host.nativeElement, `${moves}="${by}"]:enabled`, `${moves}]:enabled`);
  }

  protected switch({ id, off }: Rule): void {
    this.workspace.apply((design) => setRule(design, id, { off: off ? undefined : true }));
  }

  protected remove({ id }: Rule): void {
    this.dark();
    const rows = this.groups().flatMap((group) => group.rows.map(({ rule }) => rule.id));
    const at = rows.indexOf(id);
    const next = rows[at + 1] ?? rows[at - 1];
    this.workspace.apply((design) => removeRule(design, id));
    focusSoon(
      this.host.nativeElement,
      next === undefined ? '.add button' : `[data-rule="${CSS.escape(next)}"] .head`,
    );
  }

  /** Opens a rule that counts for nothing until it is said for what. */
  protected begin(title: string): void {
    const kind = this.kinds.find((one) => one.title === title);
    const gives = kind?.initial(this.workspace.state()!.design) as RuleDraft['gives'];
    this.draft.set(kind && { kind, gives });
  }

  /** The new rule stands open and has the focus. */
  protected added(id: string): void {
    this.draft.set(undefined);
    this.selection.openRule.set(id);
    focusSoon(this.host.nativeElement, `[data-rule="${CSS.escape(id)}"] .head`);
  }

  protected cancelled(): void {
    this.draft.set(undefined);
    focusSoon(this.host.nativeElement, '.add button');
  }

  protected light({ id }: Rule): void {
    this.pointed = id;
    void this.calculation.ask(this.alternative(), 'matches', { rule: id }).then((parts) => {
      if (this.pointed === id) this.view.highlighted.set(parts ?? []);
    });
  }

  protected dark(): void {
    this.pointed = '';
    this.view.highlighted.set([]);
  }
}

/** Heading of a rule: what the first of its kinds gives. */
function givesOf(rule: Rule): keyof typeof headings {
  return kindsOf(rule)[0]?.gives ?? 'sections';
}
