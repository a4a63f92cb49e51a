import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  input,
  output,
  viewChild,
} from '@angular/core';

/** What typing came to. */
export interface Typed {
  /** Undefined where it was given up. */
  readonly text: string | undefined;
  /** By Enter or Escape: the focus goes back to where typing began. */
  readonly byKey: boolean;
}

/** A field in the place of a text that was pressed: all of it is selected; Enter and leaving it keep what is typed, Escape gives up. */
@Component({
  selector: 'app-typing',
  template: `
    <input
      #field
      maxlength="200"
      [attr.aria-label]="label()"
      [value]="text()"
      (keydown.enter)="end(field.value, true)"
      (keydown.escape)="end(undefined, true)"
      (blur)="end(field.value, false)"
    />
  `,
  styles: `
    :host {
      display: inline-block;
      max-width: 100%;
    }
    input {
      box-sizing: border-box;
      width: 100%;
      padding: 0 2px;
      font: inherit;
      text-align: inherit;
      border: 1px solid var(--indigo);
      border-radius: 2px;
      background: var(--sheet);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TypingComponent {
  readonly label = input.required<string>();
  /** What it begins with. */
  readonly text = input.required<string>();
  readonly finished = output<Typed>();

  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  /** A field that goes loses the focus once more. */
  private hasEnded = false;

  constructor() {
    afterNextRender(() => {
      const { nativeElement } = this.field();
      nativeElement.focus();
      nativeElement.select();
    });
  }

  protected end(text: string | undefined, byKey: boolean): void {
    if (this.hasEnded) return;
    this.hasEnded = true;
    this.finished.emit({ text: text?.trim(), byKey });
  }
}
