import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import {
  attempt,
  dimensionsOf,
  lookUpProfile,
  outlinePath,
  outlineText,
  parseSectionTable,
  readOutline,
  sectionDetails,
  shapeProblem,
  shapeStarts,
  significant,
  withDimension,
  type OwnSection,
  type Shape,
  type ShapeDimension,
} from '@hashira/core';
import { ButtonDirective } from 'primeng/button';
import { ChoiceComponent, type Choice } from '../choice.component';

const asChoices = (words: readonly string[]): readonly Choice[] =>
  words.map((word) => ({ value: word, label: word }));

/** A section made by its dimensions, from a profile with others, from an outline, or from a pasted table. */
@Component({
  selector: 'app-own-section',
  imports: [ButtonDirective, ChoiceComponent],
  template: `
    <div class="made">
      <div class="field double">
        <span>made as</span>
        <app-choice label="made as" [options]="kinds()" [value]="kind()" (changed)="begin($event)" />
      </div>
      @if (kind() === 'table') {
        <label class="wide"
          >lines of a spreadsheet, headings first: name, shape, h, b, tw, tf …
          <textarea
            #table
            rows="6"
            spellcheck="false"
            [value]="pasted()"
            (input)="pasted.set(table.value)"
          ></textarea>
        </label>
      } @else {
        <label
          >called
          <input #title autocomplete="off" maxlength="60" [value]="name()" (input)="name.set(title.value)" />
        </label>
        @if (shape().type === 'outline') {
          <label class="wide"
            >corners, y and z in mm, a line each
            <textarea
              #outline
              rows="6"
              spellcheck="false"
              [value]="corners()"
              (input)="setOutline(outline.value)"
            ></textarea>
          </label>
        }
        @for (one of dimensions(); track one.name) {
          <div class="field">
            <label [attr.for]="'own-' + one.name">{{ one.name }}{{ one.choices ? '' : ', mm' }}</label>
            @if (one.choices; as choices) {
              <app-choice
                [inputId]="'own-' + one.name"
                [label]="one.name"
                [options]="asChoices(choices)"
                [value]="'' + one.value"
                (changed)="set(one.name, $event)"
              />
            } @else {
              <input
                #value
                class="number"
                inputmode="decimal"
                [id]="'own-' + one.name"
                [value]="millimetres(one)"
                (change)="type(one, value)"
              />
            }
          </div>
        }
      }
    </div>
    <div class="seen">
      @if (drawn(); as d) {
        <svg [attr.viewBox]="d.view" aria-hidden="true"><path [attr.d]="d.path" fill-rule="evenodd" /></svg>
        <p class="number">{{ d.words }}</p>
      }
      @if (problem()) {
        <p class="problem" role="alert">{{ problem() }}</p>
      } @else {
        <button type="button" pButton size="small" (click)="make()">
          {{
            sections().length > 1 ? 'take ' + sections().length + ' sections' : 'take ' + sections()[0]!.name
          }}
        </button>
      }
    </div>
  `,
  styleUrl: './own-section.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnSectionComponent {
  /** The profile from which it may begin. */
  readonly like = input('');
  /** Names that are taken. */
  readonly taken = input<readonly string[]>([]);
  readonly made = output<readonly OwnSection[]>();

  protected readonly profile = computed(() => lookUpProfile(this.like()));
  /** What it may be made from. */
  protected readonly kinds = computed((): readonly Choice[] => [
    ...(this.profile() ? [{ value: 'profile', label: `${this.like()} with other dimensions` }] : []),
    ...asChoices(shapeStarts.map(({ title }) => title)),
    { value: 'table', label: 'a pasted table' },
  ]);
  protected readonly asChoices = asChoices;
  protected readonly kind = linkedSignal(() => (this.profile() ? 'profile' : shapeStarts[0]!.title));
  protected readonly shape = linkedSignal((): Shape => this.profile()?.shape ?? shapeStarts[0]!.shape);
  protected readonly name = signal('Own 1');
  protected readonly pasted = signal('');
  protected readonly corners = signal('');
  private readonly outlineProblem = signal('');

  protected readonly dimensions = computed(() => dimensionsOf(this.shape()));
  /** What would be taken; a table may hold several. */
  private readonly read = computed((): { sections: readonly OwnSection[]; problem: string } => {
    if (this.kind() === 'table') {
      const outcome = parseSectionTable(this.pasted());
      return outcome.ok
        ? { sections: outcome.value, problem: '' }
        : { sections: [], problem: outcome.problems[0]!.message };
    }
    const wrong = shapeProblem(this.shape());
    return {
      sections: [{ name: this.name().trim(), shape: this.shape() }],
      problem:
        this.outlineProblem() ||
        (wrong === undefined ? '' : `In this section ${wrong}; change its dimensions.`),
    };
  });
  protected readonly sections = computed(() => this.read().sections);

  protected readonly problem = computed(() => {
    const { sections, problem } = this.read();
    if (problem !== '') return problem;
    const nameless = sections.some(({ name }) => name === '');
    const known = sections.find(({ name }) => this.taken().includes(name) || lookUpProfile(name));
    if (nameless) return 'Give the section a name.';
    return known ? `"${known.name}" is the name of another section; give it one of its own.` : '';
  });

  protected readonly drawn = computed(() => {
    const [first] = this.sections();
    if (!first || !('shape' in first) || this.read().problem !== '') return undefined;
    const outcome = attempt(() => ({ details: sectionDetails(first.shape), ...outlinePath(first.shape) }));
    if (!outcome.ok) return undefined;
    const { details, path, width, height } = outcome.value;
    const margin = 0.03 * Math.max(width, height);
    return {
      path,
      view: [-margin, -margin, width + 2 * margin, height + 2 * margin].map((v) => v.toFixed(1)).join(' '),
      words: [
        `A ${significant(details.A * 1e4)} cm²`,
        `Iy ${significant(details.Iy * 1e8)} cm⁴`,
        `Wpl,y ${significant(details.Wply * 1e6)} cm³`,
        `${significant(details.A * 7850)} kg/m in steel`,
      ].join(', '),
    };
  });

  protected begin(kind: string): void {
    this.kind.set(kind);
    this.outlineProblem.set('');
    const start = shapeStarts.find(({ title }) => title === kind);
    const shape = kind === 'profile' ? this.profile()?.shape : start?.shape;
    if (!shape) return;
    this.shape.set(shape);
    if (shape.type === 'outline') this.corners.set(outlineText(shape.points));
  }

  protected millimetres({ value }: ShapeDimension): string {
    return typeof value === 'number' ? String(Number((value * 1000).toPrecision(9))) : '';
  }

  /** What is no number above zero, or missing, stays as it was. */
  protected type(one: ShapeDimension, input: HTMLInputElement): void {
    const text = input.value.trim();
    const value = Number(text.replace(',', '.'));
    const gone = text === '' && one.optional;
    if (!gone && !(value > 0 || (value === 0 && one.optional && text !== ''))) {
      input.value = this.millimetres(one);
      return;
    }
    this.set(one.name, gone ? undefined : value / 1000);
  }

  protected set(name: string, value: number | string | undefined): void {
    this.shape.update((shape) => withDimension(shape, name, value));
  }

  protected setOutline(text: string): void {
    this.corners.set(text);
    const outcome = readOutline(text);
    this.outlineProblem.set(outcome.ok ? '' : outcome.problems[0]!.message);
    if (outcome.ok) this.shape.set(outcome.value);
  }

  protected make(): void {
    this.made.emit(this.sections());
  }
}
