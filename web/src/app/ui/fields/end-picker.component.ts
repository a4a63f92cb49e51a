import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { roleName } from '@hashira/core';
import { ChoiceComponent } from '../choice.component';
import { fieldSurroundings } from './field-surroundings';

/** An end of a member: its start, its end, or the one that is at a place; the places are those that the frame has. */
@Component({
  selector: 'app-end-picker',
  imports: [ChoiceComponent],
  template: `
    <app-choice
      [inputId]="inputId()"
      [label]="label()"
      [options]="ends()"
      [value]="value()"
      (changed)="changed.emit($event || undefined)"
    />
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EndPickerComponent {
  readonly inputId = input.required<string>();
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  /** What it is where no end is named. */
  readonly none = input.required<string>();
  readonly changed = output<string | undefined>();

  private readonly tags =
    inject(fieldSurroundings, { optional: true })?.tagValues(() => 'nodes') ??
    signal<Readonly<Record<string, readonly (string | number)[]>>>({}).asReadonly();

  protected readonly ends = computed(() => {
    const places = (this.tags()['place'] ?? []).map(String).filter((place) => !unnamed.has(place));
    const named = [...new Set([...places, this.value()])].filter((end) => !own.has(end)).sort();
    return [
      { value: '', label: this.none() },
      { value: 'start', label: 'its start' },
      { value: 'end', label: 'its end' },
      ...(this.value() === 'both' ? [{ value: 'both', label: 'both ends' }] : []),
      ...named.map((place) => ({ value: place, label: `at the ${roleName(place)}` })),
    ];
  });
}

/** Places that are nowhere in particular. */
const unnamed: ReadonlySet<string> = new Set(['point', 'division']);
const own: ReadonlySet<string> = new Set(['', 'start', 'end', 'both']);
