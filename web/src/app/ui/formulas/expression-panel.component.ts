import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Completion } from '@hashira/core';

/** What stands under a field while a formula is typed: its value or what is wrong with it, and names to go on with. */
@Component({
  selector: 'app-expression-panel',
  template: `
    @if (value() || problem()) {
      <p class="told" [class.wrong]="problem()" role="status">{{ problem() || '= ' + value() }}</p>
    }
    @if (list().length > 0) {
      <div [id]="listId()" class="names" role="listbox" aria-label="Names">
        @for (one of list(); track one.word; let i = $index) {
          <div
            role="option"
            tabindex="-1"
            [id]="listId() + '-' + i"
            [class.active]="i === active()"
            [attr.aria-selected]="i === active()"
            (pointerdown)="$event.preventDefault()"
            (click)="taken.emit(one)"
            (keydown.enter)="taken.emit(one)"
          >
            <strong>{{ one.word }}</strong><span class="soft">{{ one.about }}</span>
          </div>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 20rem;
      background: var(--sheet);
      border: 1px solid var(--ink-faint);
      box-shadow: 0 3px 8px rgb(34 37 43 / 14%);
      font-size: var(--size-text);
      font-weight: 400;
      text-align: left;
    }
    :host(.empty) {
      display: none;
    }
    .told {
      margin: 0;
      padding: 2px 8px;
    }
    .wrong {
      color: var(--vermilion-text);
    }
    .names {
      max-height: 11rem;
      overflow: auto;
      border-top: 1px solid var(--ink-faint);
    }
    [role='option'] {
      padding: 2px 8px;
      cursor: pointer;
    }
    strong {
      margin-right: 0.5em;
    }
    .active {
      background: #d8dfed;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    '[class.empty]': "value() === '' && problem() === '' && list().length === 0",
    // A list around the field that goes when something beside it is pressed stays
    '(click)': '$event.stopPropagation()',
  },
})
export class ExpressionPanelComponent {
  readonly listId = input.required<string>();
  readonly value = input('');
  readonly problem = input('');
  readonly list = input<readonly Completion[]>([]);
  /** The name that Enter takes; −1 for none. */
  readonly active = input(-1);
  readonly taken = output<Completion>();
}
