import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** Says that only the selected alternative has this value; pressing it lets the alternative follow the design again. */
@Component({
  selector: 'app-override-badge',
  template: `
    <button
      type="button"
      class="plain"
      title="Only this alternative has this value; press to follow the design again"
      [attr.aria-label]="title() + ': follow the design again'"
      (click)="followed.emit()"
    >
      own ×
    </button>
  `,
  styles: `
    :host {
      justify-self: end;
    }
    button {
      font-size: var(--size-small);
      color: var(--ochre-text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OverrideBadgeComponent {
  /** The parameter's title. */
  readonly title = input.required<string>();
  readonly followed = output();
}
