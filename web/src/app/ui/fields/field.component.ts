import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  forwardRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import {
  applyingFields,
  clausesOf,
  grades,
  isTagClause,
  readPoints,
  readTyped,
  startOf,
  writtenText,
  type Field,
  type Fields,
  type NamedField,
  type OwnSection,
  type Way,
} from '@hashira/core';
import { ChoiceComponent, type Choice } from '../choice.component';
import { ConditionChipsComponent } from './condition-chips.component';
import { EndPickerComponent } from './end-picker.component';
import { ExpressionDirective } from '../formulas/expression.directive';
import { fieldSurroundings, type PointedField } from './field-surroundings';
import { SectionPickerComponent } from '../sections/section-picker.component';
import { readersUnits } from '../units.service';
import { ActionDirective } from '../action.directive';

const steels = grades.filter(({ kind }) => kind === 'steel').map(({ id }) => id);

/** What is written anew in a field; undefined takes it away. */
export interface FieldChange {
  readonly value: unknown;
  /** Sections that were made for it and are not in the design yet. */
  readonly sections: readonly OwnSection[];
}

/** The picture of an option as an address; undefined where there is none. */
export type OptionPictures = (path: string, value: unknown) => string | undefined;

/** A choice of a list, and whether it is the one that counts. */
interface Listed {
  /** Tells it from the others. */
  readonly key: string;
  readonly value: unknown;
  readonly label: string;
  readonly chosen: boolean;
}

/** One field by the form that its declaration gives; what is written stays as it was typed. */
@Component({
  selector: 'app-field',
  imports: [
    ActionDirective,
    ChoiceComponent,
    ConditionChipsComponent,
    EndPickerComponent,
    ExpressionDirective,
    SectionPickerComponent,
    forwardRef(() => FieldComponent),
  ],
  templateUrl: './field.component.html',
  styleUrl: './field.component.css',
  host: { '[class.untitled]': "field().title === ''", '[class.kinds]': "form().kind === 'kinds'" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FieldComponent {
  private readonly units = readersUnits();
  /** Id of its element: tells it from all others. */
  readonly id = input.required<string>();
  readonly field = input.required<Field<unknown>>();
  readonly value = input<unknown>();
  readonly problem = input('');
  /** Where it stands in its record: "pattern", "faces/top". */
  readonly path = input('');
  /** Pictures of options, as addresses, by the path of their field and their value. */
  readonly pictures = input<OptionPictures | undefined>(undefined);
  /** What it is called where it stands without a title of its own. */
  readonly label = input('');

  readonly changed = output<FieldChange>();

  private readonly surroundings = inject(fieldSurroundings, { optional: true });
  protected readonly form = computed(() => this.field().form);
  protected readonly name = computed(() => this.field().title || this.label());
  /** What is written, or what counts where nothing is. */
  private readonly counts = computed(() => this.value() ?? this.field().fallback);
  protected readonly shown = computed(() => writtenText(this.counts(), this.form()));
  protected readonly placeholder = computed(() =>
    this.field().optional ? '' : writtenText(this.field().initial, this.form()),
  );

  /** Kind of quantity of a single value. */
  protected readonly quantity = computed(() => {
    const form = this.form();
    return form.kind === 'quantity' ? form.quantity : '';
  });
  protected readonly readsTags = computed(() => {
    const form = this.form();
    return form.kind === 'condition' || (form.kind === 'quantity' && form.of !== undefined);
  });
  protected readonly isSingle = computed(() => ['quantity', 'condition'].includes(this.form().kind));
  /** What a condition selects, where chips can say some of it. */
  protected readonly selects = computed(() => {
    const form = this.form();
    return form.kind === 'condition' && clausesOf(this.shown()).some(isTagClause) ? form.of : undefined;
  });

  /** Name of the parameter that a section or material follows. */
  protected readonly parameter = computed(() => {
    const value = this.counts();
    const named =
      typeof value === 'string' ? value : (value as { parameter?: string } | undefined)?.parameter;
    const isReference = typeof value !== 'string' && named !== undefined;
    const known = this.surroundings
      ?.design()
      ?.parameters.some(({ name, kind }) => name === named && kind !== 'quantity');
    return isReference || known ? named : undefined;
  });
  protected readonly ownSections = computed(() => this.surroundings?.design()?.sections ?? []);
  private readonly space = computed(() => this.surroundings?.design()?.space ?? 'solid');
  protected readonly cases = computed(() => this.surroundings?.design()?.loadCases ?? []);

  /** What can be chosen of a list. */
  protected readonly choices = computed((): readonly Listed[] => {
    const form = this.form();
    const value = this.counts();
    switch (form.kind) {
      case 'option':
        return form.options.map((one) => ({ ...one, key: String(one.value), chosen: one.value === value }));
      case 'case':
        return this.cases().map(({ id, title }) => ({
          key: id,
          value: id,
          label: `${id} ${title}`,
          chosen: id === value,
        }));
      case 'material': {
        const own = (this.surroundings?.design()?.materials ?? []).map(({ id }) => id);
        return [...own, ...steels].map((id) => ({ key: id, value: id, label: id, chosen: id === value }));
      }
      case 'variants':
        return Object.entries(form.variants).map(([name, field]: [string, Field<unknown>]) => ({
          key: name,
          value: { [name]: field.initial ?? field.fallback },
          label: field.title.toLowerCase(),
          chosen: name === this.variant(),
        }));
      case 'kinds':
        return Object.entries(form.kinds).map(([kind, fields]) => ({
          key: kind,
          value: { ...this.kept(form.common), kind, ...startOf(fields) },
          label: kind,
          chosen: kind === this.kindOf(form.kinds),
        }));
      case 'ways':
        return form.ways
          .filter((way) => !way.rare || way === this.way())
          .map((way) => ({
            key: way.label,
            value: value === undefined ? way.start : (way.from?.(value, this.space()) ?? way.start),
            label: way.label,
            chosen: way === this.way(),
          }));
      default:
        return [];
    }
  });
  /** The options with a picture each, where they are to be drawn and can be. */
  protected readonly drawn = computed(() => {
    const [form, picture, path] = [this.form(), this.pictures(), this.path()];
    if (form.kind !== 'option' || !this.field().drawn || !picture) return [];
    return this.choices().map((choice) => ({ ...choice, picture: picture(path, choice.value) }));
  });

  protected readonly none = computed(
    () => this.field().absent ?? (this.form().kind === 'material' ? 'as the section’s' : '–'),
  );
  /** The same as a list shows it, with nothing where nothing may be chosen, or is. */
  protected readonly listed = computed((): readonly Choice[] => {
    const choices = this.choices().map(({ key, label }) => ({ value: key, label }));
    return this.field().optional || this.chosen() === ''
      ? [{ value: '', label: this.none() }, ...choices]
      : choices;
  });
  protected readonly chosen = computed(() => this.choices().find(({ chosen }) => chosen)?.key ?? '');

  /** The way in which the value is written. */
  private readonly way = computed((): Way | undefined => {
    const form = this.form();
    const value = this.counts();
    return form.kind === 'ways' && value !== undefined ? form.ways.find((way) => way.is(value)) : undefined;
  });
  /** The field of that way which is changed in this one's place: one without fields of its own. */
  protected readonly inPlace = computed(() => {
    const field = this.way()?.field;
    return field && field.form.kind !== 'record' ? field : undefined;
  });

  /** The fields within: of a record, of the variant, the kind or the way that was chosen. */
  protected readonly parts = computed((): readonly NamedField[] => {
    const form = this.form();
    const own = this.own();
    if (form.kind === 'ways') {
      const field = this.way()?.field;
      return field?.form.kind === 'record' ? this.applying(field.form.fields, own ?? {}) : [];
    }
    if (!own) return [];
    if (form.kind === 'record') return this.applying(form.fields, own);
    if (form.kind === 'kinds')
      return this.applying({ ...form.common, ...form.kinds[this.kindOf(form.kinds)] }, own);
    return form.kind === 'variants'
      ? this.applying(form.variants, own).filter(({ name }) => name === this.variant())
      : [];
  });
  private applying(fields: Fields, record: Readonly<Record<string, unknown>>): NamedField[] {
    return applyingFields(fields, record, this.space());
  }

  protected readonly hasChoices = computed(() =>
    ['option', 'case', 'material', 'variants', 'kinds', 'ways'].includes(this.form().kind),
  );

  /** Whether the fields within stand under this one's title. */
  protected readonly isGroup = computed(() => this.field().title !== '' && this.form().kind !== 'kinds');

  /** What is written of the fields within; of one that may be left out and is, undefined. */
  protected readonly own = computed(() => {
    const { optional, initial } = this.field();
    const isWay = this.form().kind === 'ways';
    const written = this.value() ?? (optional || isWay ? undefined : (initial ?? {}));
    return typeof written === 'object' ? (written as Readonly<Record<string, unknown>>) : undefined;
  });

  private variant(): string | undefined {
    return Object.keys(this.value() ?? this.field().initial ?? {})[0];
  }

  private kindOf(kinds: Readonly<Record<string, Fields>>): string {
    const { kind = Object.keys(kinds)[0]! } = (this.own() ?? {}) as { kind?: string };
    return kind;
  }

  /** What another kind has of this one. */
  private kept(common: Fields): Record<string, unknown> {
    const own = this.own() ?? {};
    return Object.fromEntries(
      Object.keys(common).flatMap((name) => (own[name] === undefined ? [] : [[name, own[name]]])),
    );
  }

  protected has(id: string): boolean {
    const value = this.value();
    return Array.isArray(value) && value.includes(id);
  }

  /** Includes a load case, or leaves it out. */
  protected include(id: string, included: boolean): void {
    const known = Array.isArray(this.value()) ? (this.value() as string[]) : [];
    const ids = included ? [...known, id] : known.filter((one) => one !== id);
    this.write(ids.length > 0 ? ids : undefined);
  }

  protected choose(key: string): void {
    this.write(this.choices().find((one) => one.key === key)?.value);
  }

  /** Whether a record that may be left out is there. */
  protected begin(there: boolean): void {
    const form = this.form();
    const start = this.field().initial ?? (form.kind === 'record' ? startOf(form.fields) : undefined);
    this.write(there ? start : undefined);
  }

  protected setPart(name: string, { value, sections }: FieldChange): void {
    if (this.form().kind === 'variants') {
      if (value !== undefined) this.write({ [name]: value }, sections);
      return;
    }
    const next = Object.entries({ ...this.own(), [name]: value }).filter(([, one]) => one !== undefined);
    this.write(Object.fromEntries(next), sections);
  }

  /** What is pressed on the stage for this field; nothing where it holds no such thing. */
  protected readonly pointsAt = computed((): PointedField['of'] | undefined => {
    const form = this.form();
    if (!this.surroundings?.pointer) return undefined;
    return form.kind === 'condition' ? form.of : form.kind === 'point' ? 'place' : undefined;
  });
  protected readonly isPointing = computed(() => this.surroundings?.pointer?.active()?.id === this.id());

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      if (this.isPointing()) this.surroundings?.pointer?.end();
    });
  }

  /** Begins to fill the field in from the stage, or ends it. */
  protected togglePointing(): void {
    const [pointer, of] = [this.surroundings?.pointer, this.pointsAt()];
    if (this.isPointing()) pointer?.end();
    else if (of)
      pointer?.begin({
        id: this.id(),
        title: this.name(),
        of,
        write: (text) => this.write(text),
      });
  }

  /** Why a table could not be taken. */
  protected readonly unread = signal('');

  protected async readTable(file: HTMLInputElement): Promise<void> {
    const [given] = file.files ?? [];
    file.value = '';
    if (!given) return;
    try {
      const { points } = readPoints(await given.text());
      this.unread.set('');
      this.write(points);
    } catch (error) {
      this.unread.set(`"${given.name}": ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  protected commit(element: HTMLInputElement): void {
    const typed = element.value.trim();
    if (typed === this.shown()) return;
    const value = readTyped(typed, this.form(), this.units());
    // What must be there stays as it was, and so does a number that is none
    const { optional, fallback } = this.field();
    const isRefused = value === undefined && (typed !== '' || (!optional && fallback === undefined));
    if (isRefused) element.value = this.shown();
    else this.write(value);
  }

  protected write(value: unknown, sections: readonly OwnSection[] = []): void {
    this.changed.emit({ value, sections });
  }
}
