import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { ExpressionDirective } from '../../ui/expression.directive';
import { MemberDrawing } from '../../state/member-drawing.service';
import { FootBarComponent } from './foot-bar.component';

/** What is drawn and what comes next, in words, while a member is drawn. */
@Component({
  selector: 'app-draw-member-bar',
  imports: [ExpressionDirective, FootBarComponent],
  template: `
    @if (drawing.active()) {
      <app-foot-bar aria-label="Drawing" role="status">
        @if (drawing.from(); as from) {
          <span
            >A member from <strong>{{ from.title }}</strong> to
            <strong>{{ drawing.at()?.title ?? '…' }}</strong>: press where it ends, or type a length or
            coordinates</span
          >
          <input
            #end
            aria-label="Length or coordinates of the end"
            appExpression=""
            [single]="false"
            autocomplete="off"
            spellcheck="false"
            [attr.aria-invalid]="problem() !== ''"
            (input)="problem.set('')"
            (keydown.enter)="finish(end)"
            (keydown.escape)="drawing.back()"
          />
          @if (problem()) {
            <span class="problem" role="alert">{{ problem() }}</span>
          }
        } @else {
          <span
            >A member begins at <strong>{{ drawing.at()?.title ?? '…' }}</strong>: press there</span
          >
        }
        <span class="spacer"></span>
        <button type="button" class="plain" (click)="drawing.end()">stop drawing</button>
      </app-foot-bar>
    }
  `,
  styles: `
    input {
      font: inherit;
      width: 9rem;
      padding: 1px 6px;
      border: 1px solid var(--ink-faint);
      background: var(--sheet);
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
export class DrawMemberBarComponent {
  protected readonly drawing = inject(MemberDrawing);
  /** What is wrong with what was typed. */
  protected readonly problem = signal('');

  protected finish(field: HTMLInputElement): void {
    this.problem.set(this.drawing.finish(field.value));
    if (this.problem() === '') field.value = '';
  }
}
