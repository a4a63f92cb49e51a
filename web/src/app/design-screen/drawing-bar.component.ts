import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Drawing } from '../workspace/drawing.service';

/** What is drawn and what comes next, in words, while a member is drawn. */
@Component({
  selector: 'app-drawing-bar',
  template: `
    @if (drawing.active()) {
      <section class="bar" aria-label="Drawing" role="status">
        @if (drawing.from(); as from) {
          <span
            >A member from <strong>{{ from.title }}</strong> to
            <strong>{{ drawing.at()?.title ?? '…' }}</strong>: press where it ends</span
          >
        } @else {
          <span
            >A member begins at <strong>{{ drawing.at()?.title ?? '…' }}</strong>: press there</span
          >
        }
        <span class="spacer"></span>
        <button type="button" class="plain" (click)="drawing.end()">stop drawing</button>
      </section>
    }
  `,
  styles: `
    :host {
      position: absolute;
      inset: auto 0 35px;
      z-index: 2;
    }
    .bar {
      display: flex;
      align-items: center;
      min-height: 32px;
      padding: 2px 10px;
      background: var(--sheet);
      border-top: 1px solid var(--indigo);
      border-bottom: 1px solid var(--ink-faint);
    }
    .spacer {
      flex: 1;
    }
    button {
      min-height: 24px;
      color: var(--indigo);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawingBarComponent {
  protected readonly drawing = inject(Drawing);
}
