import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import {
  addLoadCase,
  initialLoadCase,
  loadCaseFields,
  loadCaseOf,
  loadCategories,
  removeLoadCase,
  removeRule,
  ruleKinds,
  ruleWords,
  setLoadCase,
  type Rule,
  conditionWords,
  stepTitles,
  withValues,
} from '@hashira/core';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { standingAnswer } from '../../state/answers/standing-answer';
import { ViewState } from '../../state/view-state.service';
import { CombinationsComponent } from './combinations.component';
import { parameterTexts } from '../../state/parameter-texts';
import { ActionMenuComponent } from '../../ui/action-menu.component';
import { focusSoon } from '../../ui/focus-soon';
import { NewRuleComponent, type RuleDraft } from '../rules/new-rule.component';
import { RuleFormComponent } from '../rules/rule-form.component';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

const loadKinds = ruleKinds.filter(({ gives }) => gives === 'loads');

/** Load cases with their sums, each opening to its loads as sentences, and the matrix of combinations. */
@Component({
  selector: 'app-loads-leaf',
  imports: [
    ActionDirective,
    ActionMenuComponent,
    CombinationsComponent,
    FieldsComponent,
    NewRuleComponent,
    RuleFormComponent,
  ],
  template: `
    <h3>
      Load cases <span class="soft">sums in {{ forceUnit }}</span>
    </h3>
    @for (row of cases(); track row.id) {
      <section class="case" [class.shown]="row.id === view.resultId()" [attr.aria-label]="row.title">
        <button
          type="button"
          class="plain head"
          [attr.aria-expanded]="row.id === view.resultId()"
          (click)="view.showResult(row.id)"
        >
          <span
            ><strong>{{ row.id }}</strong> {{ row.title }} <span class="soft">{{ row.category }}</span></span
          >
          <span class="number soft">{{ row.sum }}</span>
        </button>
        @if (row.id === view.resultId()) {
          @if (row.selfWeight !== 0) {
            <p class="soft">own weight × {{ row.selfWeight }}</p>
          }
          @for (rule of row.rules; track rule.id) {
            <div class="load" [class.off]="rule.off === true">
              <button
                type="button"
                class="plain sentence"
                [attr.aria-expanded]="rule.id === open()"
                (click)="toggle(rule.id)"
              >
                {{ rule.title ?? rule.id }}: {{ words(rule) }}
              </button>
              <span class="soft where" [title]="rule.members ?? rule.nodes ?? ''">{{ said(rule) }}</span>
              @if (problemOf(rule); as problem) {
                <p class="problem" role="alert">{{ problem }}</p>
              }
              @if (rule.id === open()) {
                <div class="fields">
                  <app-rule-form [rule]="rule" />
                  <button appAction (click)="removeLoad(rule)">remove this load</button>
                </div>
              }
            </div>
          } @empty {
            @if (row.selfWeight === 0) {
              <p class="soft">no loads yet</p>
            }
          }
          @if (draft(); as begun) {
            <app-new-rule [begun]="begun" (added)="added($event)" (cancelled)="cancelled()" />
          } @else {
            <app-action-menu
              text="+ load …"
              label="Add a load"
              [choices]="loadChoices"
              (chosen)="begin($event)"
            />
          }
          <details class="about">
            <summary>this case</summary>
            <app-fields
              [fields]="fields"
              [record]="row.loadCase"
              [key]="'case-' + row.id"
              (changed)="set(row.id, $event)"
            />
            <button appAction (click)="remove(row.id)">remove {{ row.title }} with its loads</button>
          </details>
        }
      </section>
    }
    <app-action-menu
      text="+ load case …"
      label="Add a load case"
      [choices]="categories"
      (chosen)="add($event)"
    />
    <app-combinations />
  `,
  styleUrl: './loads-leaf.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadsLeafComponent {
  private readonly units = readersUnits();
  protected readonly forceUnit = this.units().of('force').unit;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  private readonly texts = parameterTexts();
  protected readonly loadChoices = loadKinds.map(({ title }) => ({ key: title, label: title.toLowerCase() }));
  protected readonly categories = loadCategories.map((one) => ({ key: one, label: one }));
  /** A load that is being made. */
  protected readonly draft = signal<RuleDraft | undefined>(undefined);
  protected readonly fields = loadCaseFields;
  /** The load whose fields are shown. */
  protected readonly open = signal('');
  private readonly sums = standingAnswer('sums', () => ({}));
  protected readonly design = computed(() => this.workspace.edited()!);
  private readonly known = computed(() =>
    this.workspace.results().alternatives.get(this.workspace.selectedAlternative(this.design()).id),
  );

  protected readonly cases = computed(() =>
    this.design().loadCases.map((one) => ({
      ...one,
      selfWeight: one.selfWeight ?? 0,
      loadCase: one,
      sum: this.sumText(one.id),
      rules: this.design().rules.filter((rule) => loadCaseOf(rule) === one.id),
    })),
  );

  protected words(rule: Rule): string {
    return ruleWords(withValues(rule, this.texts()));
  }

  /** On what a load acts, in words. */
  protected said({ members, nodes }: Rule): string {
    const of = members === undefined ? 'nodes' : 'members';
    return conditionWords(members ?? nodes ?? '', of, stepTitles(this.design()));
  }

  private sumText(id: string): string {
    const sum = (this.sums.value() ?? []).find((one) => one.id === id);
    if (!sum) return '';
    const axes = this.design().space === 'solid' ? ([0, 1, 2] as const) : ([0, 2] as const);
    return axes.map((k) => `Σ${'XYZ'[k]!} ${this.units().number(sum.force[k], 'force')}`).join('  ');
  }

  protected problemOf({ id }: Rule): string {
    const { problems = [], notes = [] } = this.known()?.summary ?? {};
    return [...problems, ...notes].find(({ where }) => where['rule'] === id)?.message ?? '';
  }

  protected toggle(id: string): void {
    this.open.update((open) => (open === id ? '' : id));
  }

  /** Opens a load that acts on nothing until it is said on what. */
  protected begin(title: string): void {
    const kind = loadKinds.find((one) => one.title === title);
    if (!kind) return;
    const given = (kind.initial(this.design()) as Record<string, unknown>)[kind.key] as object;
    this.draft.set({ kind, gives: { [kind.key]: { ...given, case: this.view.resultId() } } });
  }

  /** The new load stands open and has the focus. */
  protected added(id: string): void {
    this.draft.set(undefined);
    this.open.set(id);
    focusSoon(this.host.nativeElement, '.sentence[aria-expanded=true]');
  }

  protected cancelled(): void {
    this.draft.set(undefined);
    focusSoon(this.host.nativeElement, '[aria-label="Add a load"]');
  }

  protected removeLoad({ id }: Rule): void {
    this.workspace.apply((design) => removeRule(design, id));
  }

  protected add(key: string): void {
    const category = loadCategories.find((one) => one === key);
    if (!category) return;
    const added = initialLoadCase(category, this.design().loadCases);
    this.workspace.apply((design) => addLoadCase(design, added));
    this.view.showResult(added.id);
  }

  protected set(id: string, { name, value }: RecordChange): void {
    this.workspace.apply((design) => setLoadCase(design, id, { [name]: value }));
  }

  protected remove(id: string): void {
    this.workspace.apply((design) => removeLoadCase(design, id));
  }
}
