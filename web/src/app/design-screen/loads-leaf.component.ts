import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  allCombinations,
  attempt,
  combinationRules,
  listCombinations,
  ruleWords,
  setCombine,
  setFactor,
  type Rule,
} from '@hashira/core';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';

/** Load cases with their loads as sentences, and combinations as a matrix. */
@Component({
  selector: 'app-loads-leaf',
  template: `
    <h3>Load cases</h3>
    @for (row of cases(); track row.id) {
      <details [open]="row.id === view.resultId()">
        <summary (click)="view.showResult(row.id)">
          <strong>{{ row.id }}</strong> {{ row.title }} <span class="soft">{{ row.category }}</span>
        </summary>
        @if (row.selfWeight !== 0) {
          <p class="soft">own weight × {{ row.selfWeight }}</p>
        }
        @for (rule of row.rules; track rule.id) {
          <p>
            {{ rule.title ?? rule.id }}: {{ words(rule) }}
            <span class="soft">where {{ rule.members ?? rule.nodes }}</span>
          </p>
        } @empty {
          @if (row.selfWeight === 0) {
            <p class="soft">no loads yet</p>
          }
        }
      </details>
    }
    <h3>Combinations</h3>
    <label class="by"
      >made
      <select (change)="setRule($any($event.target).value)">
        <option value="" [selected]="by() === ''">by hand</option>
        @for (rule of rules; track rule.by) {
          <option [value]="rule.by" [selected]="rule.by === by()">by {{ rule.title }}</option>
        }
      </select>
    </label>
    @if (by() !== '') {
      <button type="button" class="plain press" (click)="takeOver()">take them over to edit by hand</button>
    }
    @if (wrong()) {
      <p class="problem" role="alert">{{ wrong() }}</p>
    }
    @if (made().problem) {
      <p class="problem" role="alert">{{ made().problem }}</p>
    }
    <div class="matrix">
      <table>
        <thead>
          <tr>
            <th></th>
            @for (row of cases(); track row.id) {
              <th scope="col" class="number" [title]="row.title">{{ row.id }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of combinations(); track row.id) {
            <tr [class.shown]="row.id === view.resultId()">
              <th scope="row">
                <button type="button" class="plain" [title]="row.title" (click)="view.showResult(row.id)">
                  {{ row.id }}
                </button>
              </th>
              @for (cell of row.cells; track cell.id) {
                <td>
                  <input
                    #factor
                    class="number"
                    [attr.aria-label]="'Factor on ' + cell.id + ' in ' + row.id"
                    [value]="cell.text"
                    [readOnly]="row.made"
                    (change)="setCell(row.id, cell.id, factor)"
                  />
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    h3 {
      margin: 8px 0 2px;
      font-size: 12px;
      color: var(--ink-soft);
    }
    details {
      border-bottom: 1px solid var(--ink-faint);
      padding: 3px 0;
    }
    summary {
      cursor: pointer;
      min-height: 24px;
    }
    p {
      margin: 2px 0 2px 12px;
      font-size: 12.5px;
      overflow-wrap: anywhere;
    }
    .by select {
      font: inherit;
    }
    td input:read-only {
      border-color: transparent;
      background: none;
    }
    .problem {
      color: var(--vermilion-text);
    }
    .press {
      color: var(--indigo);
      min-height: 24px;
    }
    .matrix {
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      margin-top: 4px;
    }
    td input {
      width: 3.4em;
      font: inherit;
      text-align: right;
      border: 1px solid var(--ink-faint);
      background: var(--sheet);
    }
    tr.shown th button {
      color: var(--indigo);
      font-weight: 700;
    }
    th {
      padding-right: 6px;
      text-align: left;
    }
    th button {
      min-width: 24px;
      min-height: 24px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadsLeafComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly rules = combinationRules;
  protected readonly words = ruleWords;
  private readonly design = computed(() => this.workspace.state()!.design);
  protected readonly by = computed(() => this.design().combine?.by ?? '');

  protected readonly cases = computed(() =>
    this.design().loadCases.map(({ id, title, category, selfWeight = 0 }) => ({
      id,
      title,
      category,
      selfWeight,
      rules: this.design().rules.filter((rule: Rule) =>
        [rule.load, rule.area, rule.train].some((gives) => gives?.case === id),
      ),
    })),
  );

  /** What was typed and is no factor. */
  protected readonly wrong = signal('');

  /** Combinations that are listed and those that the rule makes. */
  protected readonly made = computed(() => {
    const design = this.design();
    const outcome = attempt(() => allCombinations(design));
    return outcome.ok
      ? { list: outcome.value, problem: '' }
      : { list: design.combinations, problem: outcome.problems[0]!.message };
  });

  protected readonly combinations = computed(() =>
    this.made().list.map(({ id, title, factors }) => ({
      id,
      title: title ?? id,
      made: !this.design().combinations.some((one) => one.id === id),
      cells: this.design().loadCases.map(({ id: one }) => ({
        id: one,
        text: Object.hasOwn(factors, one) ? String(factors[one]) : '',
      })),
    })),
  );

  protected setCell(combination: string, loadCase: string, field: HTMLInputElement): void {
    const text = field.value.trim();
    const factor = text === '' ? 0 : Number(text.replace(',', '.').replace('−', '-'));
    if (!Number.isFinite(factor)) {
      this.wrong.set(`"${text}" is no factor on ${loadCase} in ${combination}; type a number such as 1.35.`);
      return;
    }
    this.wrong.set('');
    this.workspace.apply((design) => setFactor(design, combination, loadCase, factor));
  }

  protected setRule(by: string): void {
    this.workspace.apply((design) =>
      setCombine(design, by === '' ? undefined : { by, states: ['strength', 'service'] }),
    );
  }

  protected takeOver(): void {
    this.workspace.apply((design) => listCombinations(design));
  }
}
