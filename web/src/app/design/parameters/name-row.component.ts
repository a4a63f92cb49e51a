import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { grades, type OwnSection, type Parameter, type Section } from '@hashira/core';
import { Select } from 'primeng/select';
import { SectionPickerComponent } from '../../ui/sections/section-picker.component';
import { OverrideBadgeComponent } from './override-badge.component';

/** Every steel of the library. */
const materials = grades.filter(({ kind }) => kind === 'steel').map(({ id }) => ({ label: id, value: id }));

/** A section or a material of the design, chosen from the library. */
@Component({
  selector: 'app-name-row',
  imports: [FormsModule, Select, OverrideBadgeComponent, SectionPickerComponent],
  template: `
    <label [attr.for]="'p-' + parameter().name">{{ parameter().title }}</label>
    @if (parameter().kind === 'section') {
      <app-section-picker
        [inputId]="'p-' + parameter().name"
        [label]="parameter().title"
        [value]="parameter().value"
        [own]="sections()"
        (changed)="changed.emit($event)"
        (made)="made.emit($event)"
      />
    } @else {
      <p-select
        [inputId]="'p-' + parameter().name"
        [ariaLabel]="parameter().title"
        [options]="options()"
        optionLabel="label"
        optionValue="value"
        size="small"
        [ngModel]="parameter().value"
        (onChange)="changed.emit($event.value)"
      />
    }
    @if (own()) {
      <app-override-badge class="follow" [title]="parameter().title" (followed)="followed.emit()" />
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

  /** Sections of the design's own. */
  readonly sections = input<readonly Section[]>([]);

  readonly changed = output<string>();
  /** Sections that were made for it; it takes the first. */
  readonly made = output<readonly OwnSection[]>();
  /** The alternative follows the design again. */
  readonly followed = output();

  protected readonly options = computed((): unknown[] => {
    const { value } = this.parameter();
    // Materials of the design's own, and other spellings, are shown as they are written
    return materials.some((one) => one.value === value) ? materials : [{ label: value, value }, ...materials];
  });
}
