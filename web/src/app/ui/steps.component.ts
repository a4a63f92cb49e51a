import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { CalculationStep } from '@hashira/core';
import { clauseText, stepExact, stepValue } from './step-format';

/** The steps of a calculation, line by line. */
@Component({
  selector: 'app-steps',
  template: `
    <table>
      @for (step of steps(); track $index) {
        <tr>
          <th scope="row">{{ step.symbol }}</th>
          <td class="number" [title]="exact(step)">{{ value(step) }}</td>
          <td class="soft">
            {{ step.from }}
            @if (step.clause) {
              <span class="clause">{{ clause(step.clause, code()) }}</span>
            }
          </td>
        </tr>
      }
    </table>
  `,
  styles: `
    table {
      border-collapse: collapse;
      width: 100%;
      font-size: var(--size-text);
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
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsComponent {
  readonly steps = input.required<readonly CalculationStep[]>();
  /** Name of the design code, for its clauses. */
  readonly code = input.required<string>();
  protected readonly clause = clauseText;
  protected readonly value = stepValue;
  protected readonly exact = stepExact;
}
