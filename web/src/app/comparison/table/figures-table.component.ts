import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { AlternativeSummary, FigureSummary } from '@hashira/core';
import { Menu } from 'primeng/menu';
import type { MenuItem } from 'primeng/api';
import { answersOfAll } from '../../state/answers/answers-of-all';
import { ComparisonView, mostLarge } from '../../state/comparison-view.service';
import { ComparedDesign } from '../compared-design.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ordered, type RowCell, type TableRow } from './row';
import { tableRows } from './rows';
import { ActionDirective } from '../../ui/action.directive';
import { readersUnits } from '../../ui/units.service';
import { BesideOpenerDirective } from '../../ui/library/beside-opener.directive';

/** A figure of an alternative in the table. */
export interface PressedFigure {
  readonly figure: FigureSummary;
  readonly alternative: string;
}

/** The table that decides: a column for each alternative, a row for each figure and for all that differs, and how each stands to the reference. */
@Component({
  selector: 'app-figures-table',
  imports: [ActionDirective, BesideOpenerDirective, Menu],
  templateUrl: './figures-table.component.html',
  styleUrl: './figures-table.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiguresTableComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  protected readonly comparison = inject(ComparisonView);

  /** Figures under the shown loads alone, by alternative, where these are asked for. */
  readonly alone = input<ReadonlyMap<string, readonly FigureSummary[]> | undefined>(undefined);
  readonly traced = output<PressedFigure>();
  readonly explained = output<PressedFigure>();

  private readonly makeUps = answersOfAll('makeUp', () => ({}), 'checks');
  /** Ids of rows that are opened to their parts. */
  protected readonly openRows = signal<ReadonlySet<string>>(new Set());

  protected readonly design = inject(ComparedDesign).now;
  private readonly summaries = computed(
    (): ReadonlyMap<string, AlternativeSummary> =>
      new Map([...this.workspace.results().alternatives].map(([id, { summary }]) => [id, summary])),
  );

  readonly rows = computed((): readonly TableRow[] =>
    tableRows({
      units: this.units(),
      design: this.design(),
      summaries: this.summaries(),
      figures: this.alone() ?? new Map([...this.summaries()].map(([id, { figures }]) => [id, figures])),
      makeUps: this.makeUps(),
    }),
  );

  protected readonly groups = computed(() =>
    ordered(this.rows(), this.comparison.order(), this.comparison.hidden(), this.comparison.kept()),
  );
  protected readonly hiddenCount = computed(
    () => this.rows().filter(({ id }) => this.comparison.hidden().includes(id)).length,
  );

  protected readonly columns = computed(() => {
    const design = this.design();
    const large = this.large();
    return design.alternatives.map(({ id, title }) => ({
      id,
      title,
      isLarge: large.includes(id),
      isFull: large.length >= mostLarge,
      isReference: id === design.reference,
      isDecided: id === design.decision?.alternative,
      failed: (this.summaries().get(id)?.problems.length ?? 0) > 0,
      why: failureWord(this.summaries().get(id)),
    }));
  });

  private readonly large = computed(() => {
    const { alternatives, reference } = this.design();
    return this.comparison.large(
      alternatives.map(({ id }) => id),
      reference,
    );
  });

  protected setLarge(id: string, on: boolean): void {
    this.comparison.setLarge(id, on, this.large());
  }

  protected isOpen(row: TableRow): boolean {
    return this.openRows().has(row.id);
  }

  protected toggle({ id }: TableRow): void {
    this.openRows.update((all) => {
      const next = new Set(all);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  /** A cell of an alternative that cannot be calculated says so instead of a value. */
  protected textOf(cell: RowCell, failure: string): string {
    return failure !== '' && cell.text === '–' ? failure : cell.text;
  }

  protected actions({ id, title }: TableRow): MenuItem[] {
    const { kept, hidden } = this.comparison;
    const isKept = kept().includes(id);
    return [
      {
        label: isKept ? `${title}: back to its place` : `${title}: keep on top`,
        command: () => kept.set(isKept ? kept().filter((one) => one !== id) : [...kept(), id]),
      },
      { label: `${title}: hide`, command: () => hidden.set([...hidden(), id]) },
    ];
  }

  protected showAll(): void {
    this.comparison.hidden.set([]);
  }
}

/** Why an alternative has no figures, in a word. */
function failureWord(summary: AlternativeSummary | undefined): string {
  const [problem] = summary?.problems ?? [];
  if (!problem) return '';
  return problem.code === 'mechanism' ? 'mechanism' : 'not calculated';
}
