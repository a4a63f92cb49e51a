import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { tableKinds, writeResults, type ResultTable, type Units } from '@hashira/core';
import { Select } from 'primeng/select';
import { TableModule } from 'primeng/table';
import { download } from '../../state/saving/design-file';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { standingAnswer } from '../../state/answers/standing-answer';
import { ViewState } from '../../state/view-state.service';
import { CutListComponent } from './cut-list.component';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** Stands for the list of pieces among the kinds of tables. */
const cutList = 'cuts';
/** Columns beside which there is room for where each value comes from. */
const roomy = 3;

/**
 * Tables of results under the stage: of the shown load case or combination, or of the envelope, for what is selected or for all. Pointing at a
 * row lights up its place on the stage; pressing it selects that.
 */
@Component({
  selector: 'app-result-tables',
  imports: [ActionDirective, CutListComponent, FormsModule, Select, TableModule],
  templateUrl: './result-tables.component.html',
  styleUrl: './result-tables.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ResultTablesComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly selection = inject(Selection);
  /** What can be told, as questions of a designer; the list of pieces for the workshop is the last. */
  protected readonly tables = [
    ...tableKinds.map(({ kind, title }) => ({ kind, title })),
    { kind: cutList, title: 'Pieces to cut' },
  ];
  protected readonly kind = signal('reactions');
  protected readonly envelope = signal(false);
  protected readonly cutting = computed(() => this.kind() === cutList);

  protected readonly of = computed(
    () => tableKinds.find(({ kind }) => kind === this.kind())?.of ?? 'members',
  );
  /** Only what is selected, where that is of the table's kind. */
  protected readonly parts = computed(() => {
    const { of, ids } = this.selection.selected();
    return of === this.of() && ids.length > 0 ? ids : undefined;
  });
  private readonly table = standingAnswer('table', () => {
    const parts = this.parts();
    return {
      kind: this.kind(),
      result: this.envelope() ? 'envelope.strength' : this.view.resultId(),
      ...(parts ? { parts } : {}),
    };
  });
  private readonly found = this.table.value;
  /** The rows are of an earlier state or of what was asked before. */
  protected readonly late = this.table.late;

  /** What the numbers belong to, in words. */
  protected readonly belongsTo = computed(() =>
    this.envelope() ? 'strength, all combinations' : this.view.resultTitle(),
  );

  protected readonly columns = computed(
    () =>
      this.found()?.columns.map(({ name, title = name, quantity }) => ({
        name,
        title,
        unit: this.units().of(quantity).unit,
      })) ?? [],
  );
  protected readonly rows = computed(() => {
    const table = this.found();
    const units = this.units();
    if (!table) return [];
    return table.rows.map((row) => ({
      ...row,
      // Sorting goes by the numbers
      ...Object.fromEntries(row.values.map((value, k) => [`v${k}`, value])),
      cells: row.values.map((value, k) => cellOf(table, { value, k, from: row.from?.[k] }, units)),
    }));
  });
  /** Rows say where on a member they are, or which side of an envelope. */
  protected readonly placed = computed(() => this.rows().some(({ at }) => at !== ''));
  protected readonly more = computed(() => this.found()?.more ?? 0);
  protected readonly words = computed(() => {
    const count = this.parts()?.length;
    return count === undefined ? `all ${this.of()}` : `${count} selected`;
  });

  protected light(part: string | undefined): void {
    this.view.highlighted.set(part === undefined ? [] : [part]);
  }

  protected pick(part: string): void {
    this.light(undefined);
    this.selection.pick(this.of(), [part]);
  }

  protected save(): void {
    const table = this.found();
    if (!table) return;
    const { title } = this.workspace.state()!.design;
    download(
      writeResults(table, this.units()),
      `${title}, ${this.kind()}, ${this.belongsTo()}.csv`,
      'text/csv',
    );
  }

  protected async copy(): Promise<void> {
    const table = this.found();
    if (table) await navigator.clipboard.writeText(writeResults(table, this.units()));
  }
}

/** A number with the word for which way it is; its sign where there is no such word. */
function cellOf(
  { columns, negligible }: ResultTable,
  { value, k, from }: { value: number; k: number; from: string | undefined },
  units: Units,
) {
  const { quantity, ways } = columns[k]!;
  const shown = Math.abs(value) < negligible ? 0 : value;
  return {
    text: units.number(ways ? Math.abs(shown) : shown, quantity),
    way: ways && shown !== 0 ? ways[shown > 0 ? 0 : 1] : '',
    from: columns.length <= roomy ? (from ?? '') : '',
    title: units.exact(value, quantity) + (from ? `, ${from}` : ''),
  };
}
