import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { inNumbers, type CalculationStep } from '@hashira/core';
import { clauseText, stepExact, stepValue } from './step-format';
import { readersUnits } from '../units.service';

/** The steps of a calculation, line by line: a symbol and its value, below it the formula, the formula with its numbers, and the clause. */
@Component({
  selector: 'app-steps',
  template: `
    <table>
      @for (step of lines(); track $index) {
        @if (step.heading) {
          <tr>
            <th colspan="2" scope="colgroup" class="heading">{{ step.heading }}</th>
          </tr>
        }
        <tr>
          <th scope="row">{{ step.symbol }}</th>
          <td class="number" [title]="step.exact">{{ step.value }}</td>
        </tr>
        <tr class="from">
          <td colspan="2" class="soft">
            {{ step.from }}
            @if (step.numbers) {
              <span class="numbers number">= {{ step.numbers }}</span>
            }
            @if (step.clause) {
              <span class="clause">{{ step.clause }}</span>
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
      padding: 3px 0 0;
      font-weight: 400;
    }
    th {
      font-weight: 600;
    }
    .heading {
      padding-top: 0.9rem;
      border-bottom: 1px solid var(--ink-soft);
    }
    td.number {
      text-align: right;
      white-space: nowrap;
      font-weight: 600;
    }
    .from td {
      padding: 0 0 3px;
      border-bottom: 1px solid var(--ink-faint);
      overflow-wrap: anywhere;
    }
    .numbers {
      display: block;
      color: var(--ink);
    }
    .clause {
      display: block;
      font-size: var(--size-small);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsComponent {
  private readonly units = readersUnits();
  readonly steps = input.required<readonly CalculationStep[]>();
  /** Name of the design code, for its clauses. */
  readonly code = input.required<string>();

  protected readonly lines = computed(() => {
    const units = this.units();
    const numbers = inNumbers(this.steps(), (step) => stepValue(step, units));
    return this.steps().map((step, i) => ({
      symbol: step.symbol,
      from: step.from,
      heading: step.heading ?? '',
      value: stepValue(step, units),
      exact: stepExact(step, units),
      numbers: numbers[i]!,
      clause: step.clause === undefined ? '' : clauseText(step.clause, this.code()),
    }));
  });
}
