import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  clausesOf,
  clauseTags,
  conditionOf,
  isTagClause,
  isTextTag,
  type Clause,
  type Comparison,
  type TagClause,
} from '@hashira/core';
import { ChoiceComponent, type Choice } from '../choice.component';
import { ActionMenuComponent } from '../action-menu.component';
import { ExpressionDirective } from '../formulas/expression.directive';
import { fieldSurroundings } from './field-surroundings';
import { ActionDirective } from '../action.directive';

const textComparisons: readonly Choice<Comparison>[] = [
  { value: '==', label: 'is' },
  { value: '!=', label: 'is not' },
];
const numberComparisons: readonly Choice<Comparison>[] = [
  ...textComparisons,
  { value: '>=', label: 'from' },
  { value: '<=', label: 'up to' },
  { value: '>', label: 'above' },
  { value: '<', label: 'below' },
];

/**
 * A condition as chips, one for each thing that is asked of a tag: how it compares and with what can be chosen, chips are added and
 * taken away. What no chip can say stays as it is typed.
 */
@Component({
  selector: 'app-condition-chips',
  imports: [ActionDirective, ActionMenuComponent, ChoiceComponent, ExpressionDirective],
  template: `
    @for (chip of chips(); track $index; let i = $index; let last = $last) {
      <span class="chip" role="group" [attr.aria-label]="chip.words">
        @if (chip.asked; as asked) {
          <span>{{ asked.tag }}</span>
          <app-choice
            class="in-words"
            [label]="'How ' + asked.tag + ' compares'"
            [options]="chip.comparisons"
            [value]="asked.comparison"
            (changed)="compare(i, $event)"
          />
          @if (chip.listed) {
            @for (value of asked.values; track $index; let k = $index) {
              @if (k > 0) {
                <span class="soft">or</span>
              }
              <app-choice
                class="in-words"
                [label]="'Value of ' + asked.tag"
                [options]="chip.options(value)"
                [value]="value"
                (changed)="choose(i, k, $event)"
              />
            }
            @if (chip.more.length > 0) {
              <app-action-menu
                text="or …"
                [label]="'or … another value of ' + asked.tag"
                [choices]="chip.more"
                (chosen)="choose(i, asked.values.length, $event)"
              />
            }
          } @else {
            <input
              #field
              appExpression=""
              autocomplete="off"
              spellcheck="false"
              [attr.aria-label]="'Value of ' + asked.tag"
              [value]="asked.values[0]"
              (change)="choose(i, 0, field.value)"
            />
          }
        } @else {
          <code>{{ chip.words }}</code>
        }
        <button appAction [attr.aria-label]="'Leave out ' + chip.words" (click)="leaveOut(i)">×</button>
      </span>
      @if (!last) {
        <span class="soft">and</span>
      }
    } @empty {
      @if (asking() === undefined) {
        <span class="soft">{{ isBlank() ? 'none yet' : 'all ' + of() }}</span>
      }
    }
    @if (asking(); as tag) {
      <span class="chip" role="group" [attr.aria-label]="tag">
        <span>{{ tag }}</span>
        @if (asksForText()) {
          <app-action-menu
            text="choose …"
            [label]="'choose … value of ' + tag"
            [choices]="asked()"
            (chosen)="answer($event)"
          />
        } @else {
          <span>from</span>
          <input
            #typed
            appExpression=""
            autocomplete="off"
            spellcheck="false"
            placeholder="a value"
            [attr.aria-label]="'Value of ' + tag"
            (change)="answer(typed.value)"
          />
        }
        <button appAction [attr.aria-label]="'Leave out ' + tag" (click)="asking.set(undefined)">×</button>
      </span>
    }
    <app-action-menu
      [text]="chips().length > 0 ? 'and …' : 'only those whose …'"
      [choices]="tags()"
      (chosen)="asking.set($event)"
    />
    @if (isBlank()) {
      <button appAction class="all" (click)="changed.emit('true')">all {{ of() }}</button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px;
      margin: 2px 0 6px;
    }
    .chip {
      display: inline-flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 3px;
      padding: 1px 2px 1px 7px;
      border: 1px solid var(--ink-soft);
      border-radius: 3px;
      background: var(--sheet);
      max-width: 100%;
    }
    input {
      font: inherit;
      min-height: 24px;
      max-width: 11em;
      border: 0;
      border-bottom: 1px solid var(--ink-faint);
      background: transparent;
      color: var(--indigo);
    }
    input {
      width: 6em;
    }
    .all {
      color: var(--indigo);
    }
    code {
      overflow-wrap: anywhere;
    }
    button {
      min-width: 24px;
      min-height: 24px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConditionChipsComponent {
  private readonly surroundings = inject(fieldSurroundings);
  readonly condition = input.required<string>();
  readonly of = input.required<'members' | 'nodes'>();
  /** Nothing asked selects nothing, until it is said that all are meant. */
  readonly blank = input(false);
  readonly changed = output<string>();

  protected readonly isBlank = computed(() => this.blank() && this.condition() === '');
  /** A tag of which it is not said yet what is asked. */
  protected readonly asking = signal<string | undefined>(undefined);
  protected readonly asksForText = computed(() => isTextTag(this.asking() ?? ''));
  protected readonly asked = computed(() => {
    const tag = this.asking() ?? '';
    return asChoices(this.options(tag, this.left(tag, [])));
  });

  private readonly values = this.surroundings.tagValues(() => this.of());

  private readonly clauses = computed(() => clausesOf(this.condition()));

  protected readonly chips = computed(() =>
    this.clauses().map((clause) => {
      const words = conditionOf([clause]);
      if (!isTagClause(clause)) return { words, asked: undefined };
      const { tag, comparison, values } = clause;
      const listed = isTextTag(tag);
      return {
        words,
        asked: clause,
        listed,
        comparisons: listed ? textComparisons : numberComparisons,
        options: (value: string) => this.options(tag, [value, ...this.left(tag, values)]),
        more: comparison === '==' ? asChoices(this.options(tag, this.left(tag, values))) : [],
      };
    }),
  );

  /** Tags that the frame has, with those that follow from where a thing lies. */
  protected readonly tags = computed(() => {
    const values = this.values();
    const measured = this.of() === 'members' ? ['length', 'slope', 'x', 'y', 'z'] : ['x', 'y', 'z'];
    return clauseTags
      .filter((tag) => Object.hasOwn(values, tag) || measured.includes(tag))
      .map((tag) => ({ key: tag, label: tag }));
  });

  /** Values of a tag that are not asked for yet. */
  private left(tag: string, asked: readonly string[]): string[] {
    const values = this.values();
    const all = Object.hasOwn(values, tag) ? values[tag]! : [];
    return all.map(String).filter((value) => !asked.includes(value));
  }

  /** Steps are called by their titles. */
  private options(tag: string, values: readonly string[]): Choice[] {
    const steps = tag === 'step' ? (this.surroundings.design()?.steps ?? []) : [];
    return values.map((value) => ({
      value,
      label: steps.find(({ id }) => id === value)?.title ?? value,
    }));
  }

  protected compare(at: number, comparison: Comparison): void {
    this.replace(at, (clause) => ({ ...clause, comparison }));
  }

  protected choose(at: number, place: number, value: string): void {
    const text = value.trim();
    if (text === '') return;
    this.replace(at, (clause) => {
      const values = [...clause.values];
      values[place] = text;
      return { ...clause, values };
    });
  }

  protected leaveOut(at: number): void {
    this.tell(this.clauses().filter((_, i) => i !== at));
  }

  /** Takes up what is asked of the tag. */
  protected answer(value: string): void {
    const [tag, text] = [this.asking(), value.trim()];
    if (tag === undefined || text === '') return;
    this.asking.set(undefined);
    const comparison = isTextTag(tag) ? '==' : '>=';
    this.tell([...this.clauses(), { tag, comparison, values: [text] }]);
  }

  private replace(at: number, by: (clause: TagClause) => TagClause): void {
    this.tell(this.clauses().map((clause, i) => (i === at && isTagClause(clause) ? by(clause) : clause)));
  }

  private tell(clauses: readonly Clause[]): void {
    this.changed.emit(conditionOf(clauses));
  }
}

const asChoices = (options: readonly Choice[]): { key: string; label: string }[] =>
  options.map(({ value, label }) => ({ key: value, label }));
