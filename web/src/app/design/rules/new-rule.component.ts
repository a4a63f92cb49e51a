import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import {
  addSections,
  giveByRule,
  setRuleField,
  type Fields,
  type OwnSection,
  type Rule,
  type ruleKinds,
} from '@hashira/core';
import { Button } from 'primeng/button';
import { Calculation } from '../../state/calculation/calculation.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ViewState } from '../../state/view-state.service';
import { ConditionChipsComponent } from '../../ui/fields/condition-chips.component';
import { ExpressionDirective } from '../../ui/formulas/expression.directive';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';

/** A rule that is being made: of which kind, and what it gives at first. */
export interface RuleDraft {
  readonly kind: (typeof ruleKinds)[number];
  readonly gives: Readonly<Record<string, unknown>>;
}

/** A rule before it counts: for what and what it gives; what it would match is lit up and counted. Nothing is matched until that is said. */
@Component({
  selector: 'app-new-rule',
  imports: [Button, ConditionChipsComponent, ExpressionDirective, FieldsComponent],
  template: `
    <section class="draft" aria-label="New rule">
      <strong>{{ kind().title }}</strong>
      <span class="where soft"
        >where
        <input
          #where
          appExpression=""
          [readsTags]="true"
          autocomplete="off"
          spellcheck="false"
          placeholder="choose below, or type"
          aria-label="Condition of the new rule"
          [value]="condition()"
          (change)="condition.set(where.value.trim())"
      /></span>
      <app-condition-chips
        [condition]="condition()"
        [of]="kind().of"
        [blank]="true"
        (changed)="condition.set($event)"
      />
      <app-fields [fields]="fields()" [record]="record()" key="new-rule" (changed)="set($event)" />
      @if (problem()) {
        <p class="problem" role="alert">{{ problem() }}</p>
      } @else {
        <p class="soft" role="status">{{ words() }}</p>
      }
      <p class="actions">
        <p-button label="Add the rule" size="small" [disabled]="condition() === ''" (onClick)="add()" />
        <p-button label="Cancel" size="small" [text]="true" (onClick)="cancelled.emit()" />
      </p>
    </section>
  `,
  styles: `
    .draft {
      margin-top: 8px;
      padding: 6px 8px;
      border: 1px dashed var(--indigo);
      background: var(--sheet);
    }
    .where {
      display: flex;
      align-items: center;
      gap: 6px;
    }
    .where input {
      flex: 1;
      font: inherit;
      min-width: 0;
      min-height: 24px;
      padding: 1px 6px;
      border: 1px solid var(--ink-faint);
      border-radius: 2px;
      background: var(--sheet);
    }
    p {
      margin: 4px 0 0;
    }
    .actions {
      display: flex;
      gap: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(keydown.escape)': 'cancelled.emit()' },
})
export class NewRuleComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly view = inject(ViewState);

  readonly begun = input.required<RuleDraft>();
  protected readonly kind = computed(() => this.begun().kind);
  /** The rule's id. */
  readonly added = output<string>();
  readonly cancelled = output();

  protected readonly condition = signal('');
  private readonly draft = linkedSignal((): Rule => ({ id: 'new', ...this.begun().gives }));
  protected readonly record = computed(() => this.draft());
  private readonly made = signal<readonly OwnSection[]>([]);
  protected readonly fields = computed((): Fields => this.kind().fields as Fields);

  private readonly matched = signal<number | undefined>(undefined);
  protected readonly problem = signal('');
  protected readonly words = computed(() => {
    const [count, of] = [this.matched(), this.kind().of];
    if (this.condition() === '') return `Say which ${of}; until then it counts for none.`;
    return count === undefined
      ? 'looking …'
      : `It would be given to ${count} ${count === 1 ? of.slice(0, -1) : of}.`;
  });

  /** State of the design that the shown alternative was worked out for. */
  private readonly version = computed(() => {
    const state = this.workspace.state();
    const id = state && this.workspace.selectedAlternative(state.design).id;
    return id === undefined ? undefined : this.workspace.results().alternatives.get(id)?.version;
  });

  constructor() {
    effect(() => {
      const [of, condition] = [this.kind().of, this.condition()];
      // Not by the results themselves: what is lit up is drawn anew with every answer
      this.version();
      void untracked(() => this.look(of, condition));
    });
    inject(DestroyRef).onDestroy(() => this.view.highlighted.set([]));
  }

  private async look(of: 'members' | 'nodes', condition: string): Promise<void> {
    if (condition === '') {
      this.view.highlighted.set([]);
      return;
    }
    const { id } = this.workspace.selectedAlternative(this.workspace.state()!.design);
    const found = await this.calculation.ask(id, 'selection', { of, condition });
    if (!found || condition !== this.condition()) return;
    this.matched.set(found.ids.length);
    this.problem.set(found.problem ?? '');
    this.view.highlighted.set(found.ids);
  }

  protected set({ name, value, sections }: RecordChange): void {
    this.made.update((all) => [...all, ...sections]);
    this.draft.update((rule) => {
      const alone = { ...this.workspace.state()!.design, rules: [rule] };
      return setRuleField(alone, rule.id, name, value).rules[0]!;
    });
  }

  protected add(): void {
    const condition = this.condition();
    if (condition === '') return;
    const selects = this.kind().of === 'members' ? { members: condition } : { nodes: condition };
    const { id: _, ...gives } = this.draft() as Rule & Record<string, unknown>;
    let added = '';
    this.workspace.apply((design) => {
      const given = giveByRule(addSections(design, this.made()), selects, gives);
      added = given.id;
      return given.design;
    });
    this.added.emit(added);
  }
}
