import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output, signal } from '@angular/core';
import { focusSoon } from './focus-soon';
import { TypingComponent, type Typed } from './typing.component';

/** Text that can be pressed and typed over: Enter keeps, Escape gives up. */
@Component({
  selector: 'app-editable-text',
  imports: [TypingComponent],
  template: `
    @if (editing()) {
      <app-typing [label]="label()" [text]="text()" (finished)="end($event)" />
    } @else {
      <button
        type="button"
        class="plain"
        [class.soft]="text() === ''"
        [title]="label() + ', press to change'"
        (click)="start()"
      >
        {{ shown() || text() || placeholder() }}
      </button>
    }
  `,
  styles: `
    app-typing {
      width: 14em;
    }
    button.soft {
      color: var(--ink-soft);
      font-style: italic;
    }
    button {
      min-height: 24px;
      max-width: 100%;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EditableTextComponent {
  readonly text = input.required<string>();
  readonly label = input.required<string>();
  /** What stands there until it is pressed, where that is not the text itself. */
  readonly shown = input('');
  /** Stands where there is no text; where it is given, the text may be taken away. */
  readonly placeholder = input('');
  readonly changed = output<string>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly editing = signal(false);

  /** Begins typing. */
  start(): void {
    this.editing.set(true);
  }

  protected end({ text, byKey }: Typed): void {
    this.editing.set(false);
    // After a key the focus stays where it was typed
    if (byKey) focusSoon(this.host.nativeElement, 'button');
    const allowed = text !== '' || this.placeholder() !== '';
    if (text !== undefined && allowed && text !== this.text()) this.changed.emit(text);
  }
}
