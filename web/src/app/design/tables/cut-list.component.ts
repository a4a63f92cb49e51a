import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { cutListCsv, significant, type CutEnd } from '@hashira/core';
import { TableModule } from 'primeng/table';
import { download } from '../../state/saving/design-file';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { standingAnswer } from '../../state/answers/standing-answer';
import { ViewState } from '../../state/view-state.service';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

interface Head {
  readonly field: string;
  readonly title: string;
  readonly unit?: string;
  readonly isNumber?: true;
}

/** Columns that the list can be put in the order of. */
const heads: readonly Head[] = [
  { field: 'place', title: 'mark' },
  { field: 'section', title: 'section' },
  { field: 'count', title: 'count', isNumber: true },
  { field: 'length', title: 'length', unit: 'mm', isNumber: true },
  { field: 'start.angle', title: 'cut at the start', isNumber: true },
  { field: 'end.angle', title: 'at the end', isNumber: true },
  { field: 'mass', title: 'mass', unit: 'kg', isNumber: true },
  { field: 'totalMass', title: 'all', unit: 'kg', isNumber: true },
];

/** The pieces of steel for the workshop: equal ones share a mark; pointing at a row lights up where they go. */
@Component({
  selector: 'app-cut-list',
  imports: [ActionDirective, TableModule],
  template: `
    @if (list(); as l) {
      <p-table [value]="rows()" size="small" [attr.aria-busy]="late()">
        <ng-template #header>
          <tr>
            @for (head of heads; track head.field) {
              <th scope="col" [class.number]="head.isNumber" [pSortableColumn]="head.field">
                {{ head.title }}
                @if (head.unit) {
                  <span class="soft">{{ head.unit }}</span>
                }
                <p-sortIcon [field]="head.field" />
              </th>
            }
            <th scope="col">where</th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr (pointerenter)="view.highlighted.set(row.members)" (pointerleave)="view.highlighted.set([])">
            <th scope="row">{{ row.mark }}</th>
            <td>{{ row.section }}</td>
            <td class="number">{{ row.count }}</td>
            <td class="number" [title]="row.length + ' m'">{{ row.millimetres }}</td>
            <td class="number">{{ row.cuts[0] }}</td>
            <td class="number">{{ row.cuts[1] }}</td>
            <td class="number">{{ row.one }}</td>
            <td class="number">{{ row.all }}</td>
            <td class="soft where">{{ row.where }}</td>
          </tr>
        </ng-template>
      </p-table>
      <p>
        <strong class="number">{{ total() }}</strong> of steel in {{ count() }} pieces
        <button appAction (click)="save()">CSV</button>
        @if (late()) {
          <span class="late">outdated</span>
        }
      </p>
      @for (note of l.notes; track note.message) {
        <p class="soft">{{ note.message }}</p>
      }
    } @else {
      <p class="soft">There is no frame to be cut: see what is wrong on the stage.</p>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow: auto;
    }
    .late {
      color: var(--vermilion-text);
    }
    th,
    td {
      white-space: nowrap;
    }
    /* Eight columns have room for one arrow: that of the order */
    th:not([aria-sort='ascending'], [aria-sort='descending']) p-sorticon {
      display: none;
    }
    .where {
      max-width: 16rem;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    p {
      margin: 4px 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CutListComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly heads = heads;
  private readonly cuts = standingAnswer('cuts', () => ({}));
  protected readonly list = this.cuts.value;
  protected readonly late = this.cuts.late;

  protected readonly rows = computed(() =>
    (this.list()?.rows ?? []).map((row, place) => ({
      ...row,
      place,
      section: row.endSection === undefined ? row.section : `${row.section} to ${row.endSection}`,
      millimetres: (row.length * 1000).toFixed(0),
      cuts: [cutWords(row.start), cutWords(row.end)] as const,
      one: significant(row.mass),
      all: significant(row.totalMass),
      where: row.titles.join('; '),
    })),
  );
  protected readonly total = computed(() => this.units().withUnit(this.list()?.mass ?? 0, 'mass'));
  protected readonly count = computed(() => this.rows().reduce((sum, { count }) => sum + count, 0));

  protected save(): void {
    const list = this.list();
    const { title } = this.workspace.state()!.design;
    if (list) download(cutListCsv(list), `${title}, cut list.csv`, 'text/csv');
  }
}

/** The angle of a cut from square: "45°"; "square" where it is none. */
function cutWords({ angle }: CutEnd): string {
  const degrees = (angle * 180) / Math.PI;
  return Math.abs(degrees) < 0.05 ? 'square' : `${degrees.toFixed(1)}°`;
}
