import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, signal } from '@angular/core';
import { ChoiceComponent } from '../../ui/choice.component';
import { ExpressionDirective } from '../../ui/formulas/expression.directive';
import { MemberDrawing } from '../../state/member-drawing.service';
import { focusSoon } from '../../ui/focus-soon';
import { FootBarComponent } from './foot-bar.component';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** What is drawn and what comes next, in words, while a member is drawn. */
@Component({
  selector: 'app-draw-member-bar',
  imports: [ActionDirective, ChoiceComponent, ExpressionDirective, FootBarComponent],
  template: `
    @if (drawing.active()) {
      <app-foot-bar aria-label="Drawing" role="status">
        @if (drawing.from(); as from) {
          <span
            >A member from <strong>{{ from.title }}</strong> to
            <strong>{{ drawing.at()?.title ?? '…' }}</strong>: press where it ends, or type a length or
            coordinates</span
          >
        } @else {
          <span
            >A member begins at <strong>{{ drawing.at()?.title ?? '…' }}</strong>: press there, or type
            coordinates</span
          >
        }
        <input
          #place
          [attr.aria-label]="
            drawing.from() ? 'Length or coordinates of the end' : 'Coordinates of the beginning'
          "
          appExpression=""
          [single]="false"
          autocomplete="off"
          spellcheck="false"
          [attr.aria-invalid]="problem() !== ''"
          (input)="problem.set('')"
          (keydown.enter)="finish(place)"
          (keydown.escape)="drawing.back()"
        />
        @if (problem()) {
          <span class="problem" role="alert">{{ problem() }}</span>
        }
        <span class="soft" title="Of the places beside the frame"
          >spacing
          <app-choice
            class="in-words"
            label="spacing of the places beside the frame"
            [options]="spacings"
            [value]="drawing.spacing()"
            (changed)="drawing.spacing.set($event)"
          />
        </span>
        <span class="spacer"></span>
        <button appAction (click)="drawing.end()">stop drawing</button>
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
  private readonly units = readersUnits();
  protected readonly drawing = inject(MemberDrawing);
  /** What is wrong with what was typed. */
  protected readonly problem = signal('');

  /** Steps in which places beside the frame follow one another, m. */
  protected readonly spacings = [0.05, 0.1, 0.25, 0.5, 1].map((value) => ({
    value,
    label: this.units().plain(value, 'length'),
  }));

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  constructor() {
    // A member that was begun is ended by the next press, or by what is typed; who points by keys goes on with them
    effect(() => {
      const byKeys = document.activeElement?.matches('app-stage:focus-visible') ?? false;
      if (this.drawing.from() && !byKeys) focusSoon(this.host.nativeElement, 'input');
    });
  }

  protected finish(field: HTMLInputElement): void {
    this.problem.set(this.drawing.finish(field.value));
    if (this.problem() === '') field.value = '';
  }
}
