import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';

/** A list of figures, or of what else has an id and a title, of which one is chosen. */
@Component({
  selector: 'app-figure-picker',
  imports: [FormsModule, Select],
  template: `
    <p-select
      size="small"
      optionLabel="title"
      optionValue="id"
      [ariaLabel]="label()"
      [placeholder]="placeholder()"
      [options]="$any(options())"
      [ngModel]="value()"
      (onChange)="chosen.emit($event.value)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FigurePickerComponent {
  /** What it is called for those who hear it. */
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly id: string; readonly title: string }[]>();
  readonly value = input<string | undefined>('');
  readonly placeholder = input('');
  readonly chosen = output<string>();
}
