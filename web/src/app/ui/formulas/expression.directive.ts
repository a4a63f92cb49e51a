import { ListKeyManager, type ListKeyManagerOption } from '@angular/cdk/a11y';
import {
  OverlayConfig,
  createFlexibleConnectedPositionStrategy,
  createOverlayRef,
  createRepositionScrollStrategy,
  type OverlayRef,
} from '@angular/cdk/overlay';
import { ComponentPortal } from '@angular/cdk/portal';
import {
  Directive,
  ElementRef,
  Injector,
  inject,
  input,
  signal,
  type ComponentRef,
  type OnDestroy,
} from '@angular/core';
import { wordBefore, type Completion, type QuantityName } from '@hashira/core';
import { ExpressionPanelComponent } from './expression-panel.component';
import { fieldSurroundings } from '../fields/field-surroundings';

let count = 0;
/** Below the field, or above it where there is no room. */
const places = [
  { originX: 'start', originY: 'bottom', overlayX: 'start', overlayY: 'top', offsetY: 2 },
  { originX: 'start', originY: 'top', overlayX: 'start', overlayY: 'bottom', offsetY: -2 },
] as const;
type Name = Completion & ListKeyManagerOption;

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
  private readonly injector = inject(Injector);
  /** A field outside an open design has no names. */
  private readonly help = inject(fieldSurroundings, { optional: true });
  private readonly listId = `names-${++count}`;
  private overlay: OverlayRef | undefined;
  private panel: ComponentRef<ExpressionPanelComponent> | undefined;
  private readonly list = signal<readonly Name[]>([]);
  private readonly keys = new ListKeyManager(this.list, this.injector).withWrap();

  constructor() {
    // Before those of the field itself, which step its value or commit it
    this.field.addEventListener('keydown', this.key, { capture: true });
  }

  ngOnDestroy(): void {
    this.field.removeEventListener('keydown', this.key, { capture: true });
    this.end();
    this.keys.destroy();
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
    this.offer(typing ? this.help.completions(wordBefore(text, caret), expected).slice(0, 12) : []);
    const told = this.single() ? this.help.value(text, expected) : {};
    this.show(told.value ?? '', told.problem ?? '');
  }

  protected end(): void {
    this.overlay?.dispose();
    this.overlay = this.panel = undefined;
    this.offer([]);
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

  private offer(list: readonly Name[]): void {
    this.list.set(list);
    this.keys.updateActiveItem(-1);
  }

  private show(value: string, problem: string): void {
    this.panel ??= this.open();
    this.panel.setInput('value', value);
    this.panel.setInput('problem', problem);
    this.tellList();
  }

  private open(): ComponentRef<ExpressionPanelComponent> {
    const { injector } = this;
    const config = new OverlayConfig();
    config.positionStrategy = createFlexibleConnectedPositionStrategy(injector, this.field)
      .withPositions([...places])
      .withViewportMargin(4);
    config.scrollStrategy = createRepositionScrollStrategy(injector);
    this.overlay = createOverlayRef(injector, config);
    const panel = this.overlay.attach(new ComponentPortal(ExpressionPanelComponent));
    panel.setInput('listId', this.listId);
    panel.instance.taken.subscribe((one) => this.take(one));
    return panel;
  }

  private tellList(): void {
    const [list, active] = [this.list(), this.keys.activeItemIndex ?? -1];
    this.panel?.setInput('list', list);
    this.panel?.setInput('active', active);
    if (list.length === 0) {
      this.plain();
      return;
    }
    this.field.setAttribute('aria-autocomplete', 'list');
    this.field.setAttribute('aria-controls', this.listId);
    if (active >= 0) this.field.setAttribute('aria-activedescendant', `${this.listId}-${active}`);
    else this.field.removeAttribute('aria-activedescendant');
  }

  private readonly key = (event: KeyboardEvent): void => {
    if (this.list().length === 0) return;
    const { activeItem } = this.keys;
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') this.keys.onKeydown(event);
    else if (event.key === 'Escape') this.offer([]);
    else if (event.key === 'Enter' && activeItem) {
      this.take(activeItem);
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
