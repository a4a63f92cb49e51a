import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { catalogue, grades, type Parameter } from '@hashira/core';
import { Select } from 'primeng/select';
import { OwnMarkComponent } from './own-mark.component';

/** Every profile of steel in the library. */
const profiles = catalogue
  .filter(({ material }) => (material ?? 'steel') === 'steel')
  .map(({ name }) => ({ label: name, value: name }));
const materials = grades.filter(({ kind }) => kind === 'steel').map(({ id }) => ({ label: id, value: id }));

/** A section or a material of the design, chosen from the library. */
@Component({
  selector: 'app-name-row',
  imports: [FormsModule, Select, OwnMarkComponent],
  template: `
    <label [attr.for]="'p-' + parameter().name">{{ parameter().title }}</label>
    <p-select
      [inputId]="'p-' + parameter().name"
      [ariaLabel]="parameter().title"
      [options]="options()"
      [filter]="parameter().kind === 'section'"
      [virtualScroll]="parameter().kind === 'section'"
      [virtualScrollItemSize]="30"
      optionLabel="label"
      optionValue="value"
      size="small"
      appendTo="body"
      [ngModel]="parameter().value"
      (onChange)="changed.emit($event.value)"
    />
    @if (own()) {
      <app-own-mark class="follow" [title]="parameter().title" (followed)="followed.emit()" />
    }
  `,
  styleUrl: './pair.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'pair', '[class.own]': 'own()' },
})
export class NameRowComponent {
  readonly parameter = input.required<Parameter>();
  /** The selected alternative has a value of its own. */
  readonly own = input(false);

  readonly changed = output<string>();
  /** The alternative follows the design again. */
  readonly followed = output();

  protected readonly options = computed((): unknown[] => {
    const { kind, value } = this.parameter();
    const library = kind === 'section' ? profiles : materials;
    // Sections of the design's own, and other spellings, are shown as they are written
    return library.some((one) => one.value === value) ? library : [{ label: value, value }, ...library];
  });
}
