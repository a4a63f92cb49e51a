import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { clauseText, stepExact, stepValue } from '../../ui/step-format';
import { TraceService } from './trace.service';

/** Shows how a number came about, line by line, so that it can be followed with a pocket calculator. */
@Component({
  selector: 'app-trace-panel',
  host: { '(document:keydown.escape)': 'service.question() && service.close()' },
  template: `
    @if (service.question()) {
      <div
        #panel
        class="panel"
        role="dialog"
        aria-labelledby="trace-heading"
        tabindex="0"
        [style.right]="place()"
      >
        <header>
          <h2 id="trace-heading">{{ trace()?.title ?? 'How it came about' }}</h2>
          <button type="button" class="plain" aria-label="Close" (click)="service.close()">×</button>
        </header>
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
      </div>
    }
  `,
  styles: `
    .panel {
      position: fixed;
      z-index: 20;
      top: 40px;
      bottom: 0;
      width: min(30.7rem, 100vw);
      padding: 0.7rem 1rem 1rem;
      overflow: auto;
      background: var(--sheet);
      border-left: 1px solid var(--ink);
      box-shadow: -6px 0 14px rgb(34 37 43 / 12%);
    }
    header {
      display: flex;
      align-items: baseline;
      gap: 0.6rem;
    }
    h2 {
      flex: 1;
      font-size: var(--size-title);
    }
    header button {
      min-width: 24px;
      min-height: 24px;
      font-size: var(--size-title);
      color: var(--indigo);
    }
    .value {
      font-size: var(--size-large);
      font-weight: 600;
      margin: 0;
    }
    p {
      margin: 0 0 0.6rem;
    }
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
      color: var(--indigo);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TracePanelComponent {
  /** Width of what stands at the right edge and is explained: the panel opens beside it, not over it. */
  readonly beside = input('0');
  protected readonly place = computed(() => `min(${this.beside()}, calc(100vw - min(30.7rem, 100vw)))`);
  private readonly panel = viewChild<ElementRef<HTMLElement>>('panel');
  protected readonly service = inject(TraceService);
  protected readonly trace = this.service.trace;
  protected readonly clause = clauseText;
  protected readonly value = stepValue;
  protected readonly exact = stepExact;

  constructor() {
    // What was asked for is read next
    afterRenderEffect({ write: () => this.panel()?.nativeElement.focus({ preventScroll: true }) });
  }
}
