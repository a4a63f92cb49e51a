import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  addCombination,
  allCombinations,
  attempt,
  combinationFields,
  combinationRules,
  listCombinations,
  removeCombination,
  setCombination,
  setCombine,
  setFactor,
} from '@hashira/core';
import { ChoiceComponent, type Choice } from '../../ui/choice.component';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ViewState } from '../../state/view-state.service';
import { ActionDirective } from '../../ui/action.directive';

/** The combinations as a matrix: cases across, combinations down; made by a code's rule or by hand, those that govern marked. */
@Component({
  selector: 'app-combinations',
  imports: [ActionDirective, ChoiceComponent, FieldsComponent],
  template: `
    <h3>Combinations</h3>
    <div class="by">
      made
      <app-choice label="Combinations made" [options]="rules" [value]="by()" (changed)="setRule($event)" />
    </div>
    @if (by() !== '') {
      <button appAction (click)="takeOver()">take them over to edit by hand</button>
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
            <td></td>
            @for (one of cases(); track one.id) {
              <th scope="col" class="number" [title]="one.title">{{ one.id }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr [class.shown]="row.id === view.resultId()">
              <th scope="row">
                <button
                  type="button"
                  class="plain"
                  [title]="row.title"
                  [attr.aria-label]="row.id + ', ' + row.title + (row.governs ? ', governs' : '')"
                  (click)="view.showResult(row.id)"
                >
                  {{ row.id }}{{ row.governs ? ' ◂' : '' }}
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
    <p class="soft legend">◂ governs a member or a figure of this alternative</p>
    @if (chosen(); as one) {
      <div class="one">
        <app-fields
          [fields]="fields"
          [record]="one"
          [key]="'combination-' + one.id"
          (changed)="set(one.id, $event)"
        />
        <button appAction (click)="remove(one.id)">remove {{ one.id }}</button>
      </div>
    }
    <button appAction (click)="add('strength')">+ strength</button>
    <button appAction (click)="add('service')">+ service</button>
  `,
  styles: `
    td input:read-only {
      border-color: transparent;
      background: none;
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
    tbody th {
      padding-right: 6px;
      text-align: left;
      white-space: nowrap;
    }
    th button {
      min-width: 24px;
      min-height: 24px;
    }
    .legend {
      margin: 2px 0 4px;
    }
    .one {
      padding-left: 8px;
      border-left: 2px solid var(--indigo);
    }
    .press {
      margin-right: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CombinationsComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly rules: readonly Choice[] = [
    { value: '', label: 'by hand' },
    ...combinationRules.map(({ by, title }) => ({ value: by, label: `by ${title}` })),
  ];
  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly by = computed(() => this.design().combine?.by ?? '');
  protected readonly cases = computed(() => this.design().loadCases);

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

  private readonly governing = computed(() => {
    const { id } = this.workspace.selectedAlternative(this.design());
    return new Set(this.workspace.results().alternatives.get(id)?.summary.governing ?? []);
  });

  protected readonly rows = computed(() =>
    this.made().list.map(({ id, title, state, factors }) => ({
      id,
      title: title ?? state,
      made: !this.design().combinations.some((one) => one.id === id),
      governs: this.governing().has(id),
      cells: this.cases().map(({ id: one }) => ({
        id: one,
        text: Object.hasOwn(factors, one) ? String(factors[one]) : '',
      })),
    })),
  );

  /** The shown combination where it is one that hands can change. */
  protected readonly chosen = computed(() =>
    this.design().combinations.find(({ id }) => id === this.view.resultId()),
  );
  protected readonly fields = combinationFields;

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

  /** A combination by hand begins with every case as it is. */
  protected add(state: 'strength' | 'service'): void {
    const taken = new Set(this.made().list.map(({ id }) => id));
    const letter = state === 'strength' ? 'U' : 'C';
    let n = 1;
    while (taken.has(`${letter}${n}`)) n++;
    const id = `${letter}${n}`;
    const factors = Object.fromEntries(this.cases().map((one) => [one.id, 1]));
    this.workspace.apply((design) => addCombination(design, { id, state, factors }));
    this.view.showResult(id);
  }

  protected set(id: string, { name, value }: RecordChange): void {
    this.workspace.apply((design) => setCombination(design, id, { [name]: value }));
  }

  protected remove(id: string): void {
    this.workspace.apply((design) => removeCombination(design, id));
  }
}
