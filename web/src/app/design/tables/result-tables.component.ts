import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { formatExact, formatNumber, shownUnit, tableKinds, writeResults } from '@hashira/core';
import { TableModule } from 'primeng/table';
import { download } from '../../state/saving/design-file';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { standingAnswer } from '../../state/standing-answer';
import { ViewState } from '../../state/view-state.service';
import { CutListComponent } from './cut-list.component';

/**
 * Tables of results under the stage: of the shown load case or combination, or of the envelope, for what is selected or for all. Pointing at a
 * row lights up its place on the stage; pressing it selects that.
 */
@Component({
  selector: 'app-result-tables',
  imports: [CutListComponent, TableModule],
  templateUrl: './result-tables.component.html',
  styleUrl: './result-tables.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ResultTablesComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly selection = inject(Selection);
  protected readonly kinds = tableKinds;
  protected readonly kind = signal('reactions');
  protected readonly envelope = signal(false);
  /** The list of pieces for the workshop stands in the place of results. */
  protected readonly cutting = signal(false);

  private readonly of = computed(() => tableKinds.find(({ kind }) => kind === this.kind())!.of);
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
      this.found()?.columns.map(({ name, quantity }) => ({
        name,
        unit: shownUnit(quantity).unit,
      })) ?? [],
  );
  protected readonly rows = computed(() => {
    const table = this.found();
    if (!table) return [];
    return table.rows.map((row) => ({
      ...row,
      // Sorting goes by the numbers
      ...Object.fromEntries(row.values.map((value, k) => [`v${k}`, value])),
      cells: row.values.map((value, k) => ({
        text: formatNumber(Math.abs(value) < table.negligible ? 0 : value, table.columns[k]!.quantity),
        title: formatExact(value, table.columns[k]!.quantity) + (row.from ? ` under ${row.from[k]!}` : ''),
      })),
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
    download(writeResults(table), `${title}, ${this.kind()}, ${this.belongsTo()}.csv`, 'text/csv');
  }

  protected async copy(): Promise<void> {
    const table = this.found();
    if (table) await navigator.clipboard.writeText(writeResults(table));
  }
}
