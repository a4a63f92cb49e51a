import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { applyingFields, type Fields } from '@hashira/core';
import { FieldComponent, type FieldChange, type OptionPictures } from './field.component';
import { fieldSurroundings } from './field-surroundings';

/** A field of a record that was written anew. */
export interface RecordChange extends FieldChange {
  readonly name: string;
}

/** The fields of a record that apply: of a step, a rule, a load case, a figure, the settings. */
@Component({
  selector: 'app-fields',
  imports: [FieldComponent],
  template: `
    @for (one of shown(); track one.name) {
      <app-field
        [id]="key() + '-' + one.name"
        [field]="one.field"
        [value]="written()[one.name]"
        [problem]="problems()[one.name] ?? ''"
        [path]="one.name"
        [pictures]="pictures()"
        (changed)="changed.emit({ name: one.name, value: $event.value, sections: $event.sections })"
      />
    }
  `,
  styles: `
    :host {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FieldsComponent {
  readonly fields = input.required<Fields>();
  readonly record = input.required<object>();
  /** Tells this record from all others. */
  readonly key = input.required<string>();
  /** What is wrong with a field, by its name. */
  readonly problems = input<Readonly<Record<string, string>>>({});
  /** Pictures of options that are to be drawn. */
  readonly pictures = input<OptionPictures | undefined>(undefined);
  readonly changed = output<RecordChange>();

  protected readonly written = computed(() => this.record() as Readonly<Record<string, unknown>>);
  private readonly surroundings = inject(fieldSurroundings, { optional: true });
  protected readonly shown = computed(() =>
    applyingFields(this.fields(), this.written(), this.surroundings?.design()?.space),
  );
}
