import {
  Directive,
  ElementRef,
  ViewContainerRef,
  inject,
  input,
  type ComponentRef,
  type OnDestroy,
} from '@angular/core';
import { wordBefore, type Completion, type QuantityName } from '@hashira/core';
import { ExpressionPanelComponent } from './expression-panel.component';
import { fieldSurroundings } from './field-surroundings';

let count = 0;

/**
 * Helps while a formula is typed into a field: under it stand the value that it comes to, or what is wrong, and the names that go on
 * with the word at the caret. Arrows choose among them, Enter takes the one that is chosen, Escape puts them away.
 */
@Directive({
  selector: 'input[appExpression]',
  host: {
    '(input)': 'look()',
    '(focus)': 'begin()',
    '(blur)': 'end()',
  },
})
export class ExpressionDirective implements OnDestroy {
  /** Kind of quantity that is expected; '' where any is, or where several values stand in a list. */
  readonly appExpression = input.required<QuantityName | '' | undefined>();
  /** Tags of members and nodes can be read. */
  readonly readsTags = input(false);
  /** The field holds one value: what it comes to is told. */
  readonly single = input(true);

  private readonly field = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
  private readonly place = inject(ViewContainerRef);
  /** A field outside an open design has no names. */
  private readonly help = inject(fieldSurroundings, { optional: true });
  private readonly listId = `names-${++count}`;
  private panel: ComponentRef<ExpressionPanelComponent> | undefined;
  private list: readonly Completion[] = [];
  private active = -1;

  constructor() {
    // Before those of the field itself, which step its value or commit it
    this.field.addEventListener('keydown', this.key, { capture: true });
  }

  ngOnDestroy(): void {
    this.field.removeEventListener('keydown', this.key, { capture: true });
    this.end();
  }

  /** The field's own text first: some put what is written in the place of what it comes to. */
  protected begin(): void {
    setTimeout(() => this.look(false));
  }

  /** Shows what is known of what is typed. */
  protected look(withNames = true): void {
    if (!this.help || document.activeElement !== this.field) return;
    const text = this.field.value;
    const quantity = this.appExpression();
    const expected = {
      ...(quantity ? { quantity } : {}),
      ...(this.readsTags() ? { tags: true } : {}),
    };
    const caret = this.field.selectionStart ?? text.length;
    const typing = withNames && caret === this.field.selectionEnd;
    this.list = typing ? this.help.completions(wordBefore(text, caret), expected).slice(0, 12) : [];
    this.active = -1;
    const told = this.single() ? this.help.value(text, expected) : {};
    this.show(told.value ?? '', told.problem ?? '');
  }

  protected end(): void {
    this.panel?.destroy();
    this.panel = undefined;
    this.list = [];
    this.plain();
  }

  /** There is nothing to choose. */
  private plain(): void {
    for (const name of [
      'role',
      'aria-expanded',
      'aria-controls',
      'aria-activedescendant',
      'aria-autocomplete',
    ])
      this.field.removeAttribute(name);
  }

  private show(value: string, problem: string): void {
    this.panel ??= this.open();
    const { left, bottom } = this.field.getBoundingClientRect();
    this.panel.setInput('left', Math.max(4, Math.min(left, innerWidth - 290)));
    this.panel.setInput('top', bottom + 2);
    this.panel.setInput('value', value);
    this.panel.setInput('problem', problem);
    this.tellList();
  }

  private open(): ComponentRef<ExpressionPanelComponent> {
    const panel = this.place.createComponent(ExpressionPanelComponent);
    panel.setInput('listId', this.listId);
    panel.instance.taken.subscribe((one) => this.take(one));
    return panel;
  }

  private tellList(): void {
    this.panel?.setInput('list', this.list);
    this.panel?.setInput('active', this.active);
    if (this.list.length === 0) {
      this.plain();
      return;
    }
    this.field.setAttribute('aria-autocomplete', 'list');
    this.field.setAttribute('aria-controls', this.listId);
    if (this.active >= 0) this.field.setAttribute('aria-activedescendant', `${this.listId}-${this.active}`);
    else this.field.removeAttribute('aria-activedescendant');
  }

  private readonly key = (event: KeyboardEvent): void => {
    if (this.list.length === 0) return;
    const last = this.list.length - 1;
    if (event.key === 'ArrowDown') this.active = this.active < last ? this.active + 1 : 0;
    else if (event.key === 'ArrowUp') this.active = this.active > 0 ? this.active - 1 : last;
    else if (event.key === 'Escape') this.list = [];
    else if (event.key === 'Enter' && this.active >= 0) {
      this.take(this.list[this.active]!);
      stop(event);
      return;
    } else return;
    stop(event);
    this.tellList();
  };

  /** Puts a name in the place of the word at the caret. */
  private take({ word, about }: Completion): void {
    const { value } = this.field;
    const caret = this.field.selectionStart ?? value.length;
    const from = caret - wordBefore(value, caret).length;
    const called = about === 'function' ? `${word}(` : word;
    this.field.value = value.slice(0, from) + called + value.slice(caret);
    const at = from + called.length;
    this.field.setSelectionRange(at, at);
    this.field.focus();
    this.field.dispatchEvent(new Event('input', { bubbles: true }));
  }
}

function stop(event: KeyboardEvent): void {
  event.preventDefault();
  event.stopImmediatePropagation();
}
