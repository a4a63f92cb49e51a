import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { focusSoon } from './focus-soon';

/** Text that can be pressed and typed over: Enter keeps, Escape gives up. */
@Component({
  selector: 'app-editable-text',
  template: `
    @if (editing()) {
      <input
        #field
        maxlength="200"
        [attr.aria-label]="label()"
        [value]="text()"
        (keydown.enter)="commit(field.value); backToButton()"
        (keydown.escape)="editing.set(false); backToButton()"
        (blur)="commit(field.value)"
      />
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
    input {
      font: inherit;
      width: 14em;
      max-width: 100%;
      padding: 0 2px;
      border: 1px solid var(--indigo);
      background: var(--sheet);
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
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  protected readonly editing = signal(false);

  /** Begins typing. */
  start(): void {
    this.editing.set(true);
    setTimeout(() => {
      this.field()?.nativeElement.focus();
      this.field()?.nativeElement.select();
    });
  }

  /** After a key the focus stays where it was typed. */
  protected backToButton(): void {
    focusSoon(this.host.nativeElement, 'button');
  }

  protected commit(value: string): void {
    if (!this.editing()) return;
    this.editing.set(false);
    const text = value.trim();
    const allowed = text !== '' || this.placeholder() !== '';
    if (allowed && text !== this.text()) this.changed.emit(text);
  }
}
