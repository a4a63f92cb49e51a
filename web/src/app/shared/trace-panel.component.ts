import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Drawer } from 'primeng/drawer';
import { clauseText, stepExact, stepValue } from './step-format';
import { TraceService } from './trace.service';

/** Shows how a number came about, line by line, so that it can be followed with a pocket calculator. */
@Component({
  selector: 'app-trace-panel',
  imports: [Drawer],
  template: `
    <p-drawer
      [visible]="service.question() !== undefined"
      (visibleChange)="$event || service.close()"
      position="right"
      [modal]="false"
      [style]="place()"
      [header]="trace()?.title ?? ''"
    >
      @if (trace(); as t) {
        <p class="value number">{{ t.value }}</p>
        <p class="soft">{{ t.about }}</p>
        <table>
          @for (step of t.steps; track $index) {
            <tr>
              <th scope="row">{{ step.symbol }}</th>
              <td class="number" [title]="exact(step)">{{ value(step) }}</td>
              <td class="soft">
                {{ step.from }}
                @if (step.clause) {
                  <span class="clause">{{ clause(step.clause, t.code) }}</span>
                }
              </td>
            </tr>
          }
        </table>
      } @else {
        <p class="soft" role="status">Working it out; the calculation comes first …</p>
      }
    </p-drawer>
  `,
  styles: `
    .value {
      font-size: 1.6rem;
      font-weight: 600;
      margin: 0;
    }
    p {
      margin: 0 0 0.6rem;
    }
    table {
      border-collapse: collapse;
      width: 100%;
      font-size: 0.929rem;
    }
    th,
    td {
      text-align: left;
      vertical-align: top;
      padding: 3px 6px 3px 0;
      border-bottom: 1px solid var(--ink-faint);
      font-weight: 400;
    }
    th {
      font-weight: 600;
    }
    td.number {
      text-align: right;
    }
    .clause {
      display: block;
      color: var(--indigo);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TracePanelComponent {
  /** Width of what stands at the right edge and is explained: the panel opens beside it, not over it. */
  readonly beside = input('0');
  protected readonly place = computed(() => ({
    width: 'min(430px, 100vw)',
    'margin-right': `min(${this.beside()}, calc(100vw - 430px))`,
  }));
  protected readonly service = inject(TraceService);
  protected readonly trace = this.service.trace;
  protected readonly clause = clauseText;
  protected readonly value = stepValue;
  protected readonly exact = stepExact;
}
