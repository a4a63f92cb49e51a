import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import type { PlacedDimension } from '../view/dimension-lines';
import { focusSoon } from '../../ui/focus-soon';
import { TypingComponent, type Typed } from '../../ui/typing.component';
import { readersUnits } from '../../ui/units.service';

/** A new value for a dimension; changes of one drag carry `gesture`. */
export interface DimensionChange {
  readonly dimension: PlacedDimension['dimension'];
  readonly expression: string;
  readonly gesture: boolean;
}

/** The number on a dimension line: drag it, or press it and type; arrow keys step. */
@Component({
  selector: 'app-dimension-label',
  imports: [TypingComponent],
  template: `
    @if (editing()) {
      <app-typing class="number" [label]="name()" [text]="startText()" (finished)="end($event)" />
    } @else if (live()) {
      <button
        type="button"
        class="number live"
        [attr.aria-label]="name() + ' ' + text() + ', press to type'"
        [title]="name() + ', ' + exact() + '; drag it or press to type'"
        (pointerdown)="press($event)"
        (pointermove)="move($event)"
        (pointerup)="release($event)"
        (click)="click()"
        (keydown)="key($event)"
      >
        {{ text() }}
      </button>
    } @else {
      <span class="number" [title]="name() + ', ' + exact()">{{ text() }}</span>
    }
  `,
  styles: `
    :host {
      position: absolute;
      left: 0;
      top: 0;
      width: 0;
      height: 0;
    }
    button,
    span,
    app-typing {
      position: absolute;
      transform: translate(-50%, -50%);
      background: var(--sheet);
      font: inherit;
      font-weight: 600;
      padding: 1px 5px;
      border: 1px solid transparent;
      border-radius: 2px;
      white-space: nowrap;
    }
    .live {
      color: var(--indigo);
      cursor: grab;
      touch-action: none;
      border-bottom-color: var(--indigo);
    }
    .live:hover {
      border-color: var(--indigo);
    }
    app-typing {
      width: 8.5em;
      text-align: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[style.transform]': "'translate(' + placed().at[0] + 'px,' + placed().at[1] + 'px)'" },
})
export class DimensionLabelComponent {
  private readonly units = readersUnits();
  readonly placed = input.required<PlacedDimension>();
  readonly live = input(false);

  // A name of its own: the field's native `change` event would reach a listener of that name too
  readonly changed = output<DimensionChange>();
  readonly gestureEnd = output();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly editing = signal(false);
  private drag: { x: number; y: number; value: number; moved: boolean } | undefined;
  private justDragged = false;

  private readonly quantity = computed(() => (this.placed().dimension.kind === 'angle' ? 'angle' : 'length'));
  protected readonly name = computed(() => this.placed().dimension.title);
  protected readonly text = computed(() =>
    this.units().plain(this.placed().dimension.value, this.quantity()),
  );
  protected readonly exact = computed(() =>
    this.units().exact(this.placed().dimension.value, this.quantity()),
  );
  protected readonly startText = signal('');

  protected press(event: PointerEvent): void {
    if (event.button !== 0) return;
    (event.target as Element).setPointerCapture(event.pointerId);
    this.drag = { x: event.clientX, y: event.clientY, value: this.placed().dimension.value, moved: false };
  }

  protected move(event: PointerEvent): void {
    if (!this.drag) return;
    const dx = event.clientX - this.drag.x;
    const dy = event.clientY - this.drag.y;
    if (!this.drag.moved && Math.hypot(dx, dy) < 3) return;
    this.drag.moved = true;
    const [perX, perY] = this.placed().perPixel;
    this.send(this.drag.value + dx * perX + dy * perY, true);
  }

  protected release(event: PointerEvent): void {
    (event.target as Element).releasePointerCapture(event.pointerId);
    this.justDragged = this.drag?.moved ?? false;
    this.drag = undefined;
    if (this.justDragged) this.gestureEnd.emit();
  }

  protected click(): void {
    if (this.justDragged) {
      this.justDragged = false;
      return;
    }
    this.startText.set(this.units().expression(this.placed().dimension.value, this.quantity()));
    this.editing.set(true);
  }

  protected key(event: KeyboardEvent): void {
    const direction = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (direction === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.send(this.placed().dimension.value + direction * this.grain(), true);
    // Separate presses undo apart; held down, they are one
    if (!event.repeat) this.gestureEnd.emit();
  }

  protected end({ text, byKey }: Typed): void {
    this.editing.set(false);
    // After Enter or Escape the focus is on the number again
    if (byKey) focusSoon(this.host.nativeElement, 'button');
    if (text && text !== this.startText())
      this.changed.emit({
        dimension: this.placed().dimension,
        expression: this.units().typed(text, this.quantity()),
        gesture: false,
      });
  }

  /** Dragged values are rounded to 0.1 m and 0.5°. */
  private grain(): number {
    return this.quantity() === 'angle' ? (0.5 * Math.PI) / 180 : 0.1;
  }

  private send(value: number, gesture: boolean): void {
    const rounded = Math.round(value / this.grain()) * this.grain();
    if (Math.abs(rounded - this.placed().dimension.value) < 1e-9) return;
    this.changed.emit({
      dimension: this.placed().dimension,
      expression: this.units().expression(rounded, this.quantity()),
      gesture,
    });
  }
}
