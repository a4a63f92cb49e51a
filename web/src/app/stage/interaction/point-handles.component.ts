import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { projected, type View } from '@hashira/core';
import { draggedAlong } from '../view/navigation';
import type { Point, SheetSize } from '../types';

/** A point on the stage that a hand can move. */
export interface StageHandle {
  readonly key: string;
  readonly label: string;
  /** m, global. */
  readonly at: View['centre'];
  /** Numbers of the axes along which it may move. */
  readonly free: readonly number[];
}

/** A movement of a handle, m, global. */
export interface HandleMove {
  readonly handle: StageHandle;
  readonly by: readonly [number, number, number];
}

/** What hands move in steps of, m. */
const grid = 0.05;

/** Points of a step as handles: dragged, moved by arrow keys, added by Insert, removed by Delete. */
@Component({
  selector: 'app-point-handles',
  template: `
    @for (one of placed(); track one.handle.key) {
      <button
        type="button"
        [style.left.px]="one.x"
        [style.top.px]="one.y"
        [attr.aria-label]="one.handle.label"
        [title]="
          one.handle.label +
          ': drag it, or arrow keys; a double press or Insert adds a point behind it, Ctrl and a press or Delete removes it'
        "
        (pointerdown)="press($event, one.handle)"
        (pointermove)="move($event)"
        (pointerup)="release($event)"
        (pointercancel)="release($event)"
        (dblclick)="$event.stopPropagation(); added.emit(one.handle)"
        (keydown)="key($event, one.handle)"
      ></button>
    }
  `,
  styles: `
    button {
      position: absolute;
      width: 24px;
      height: 24px;
      margin: -12px 0 0 -12px;
      padding: 0;
      border: 0;
      border-radius: 50%;
      background: radial-gradient(circle, var(--sheet) 0 4px, var(--indigo) 4.5px 6.5px, transparent 7px);
      cursor: move;
      touch-action: none;
      pointer-events: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PointHandlesComponent {
  readonly handles = input.required<readonly StageHandle[]>();
  readonly view = input.required<View>();
  readonly size = input.required<SheetSize>();
  readonly moved = output<HandleMove>();
  /** A drag or a press of a key is over. */
  readonly gestureEnd = output();
  readonly added = output<StageHandle>();
  readonly removed = output<StageHandle>();

  protected readonly placed = computed(() =>
    this.handles().map((handle) => {
      const [x, y] = projected(this.view(), this.size(), handle.at);
      return { handle, x, y };
    }),
  );

  private drag: { id: number; handle: StageHandle; from: Point; done: readonly number[] } | undefined;

  protected press(event: PointerEvent, handle: StageHandle): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    if (event.ctrlKey) {
      this.removed.emit(handle);
      return;
    }
    (event.target as Element).setPointerCapture(event.pointerId);
    this.drag = { id: event.pointerId, handle, from: [event.clientX, event.clientY], done: [0, 0, 0] };
  }

  protected move(event: PointerEvent): void {
    const { drag } = this;
    if (drag?.id !== event.pointerId) return;
    event.stopPropagation();
    const axes = this.axesOf(drag.handle);
    const whole =
      axes && draggedAlong(this.view(), event.clientX - drag.from[0], event.clientY - drag.from[1], axes);
    if (!whole) return;
    const snapped = whole.map((value) => Math.round(value / grid) * grid);
    const by = snapped.map((value, k) => value - drag.done[k]!) as [number, number, number];
    if (by.every((value) => Math.abs(value) < 1e-9)) return;
    this.drag = { ...drag, done: snapped };
    this.moved.emit({ handle: this.latest(drag.handle), by });
  }

  protected release(event: PointerEvent): void {
    if (this.drag?.id !== event.pointerId) return;
    event.stopPropagation();
    this.drag = undefined;
    this.gestureEnd.emit();
  }

  protected key(event: KeyboardEvent, handle: StageHandle): void {
    const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    const axes = this.axesOf(handle);
    if (step && axes) {
      const by: [number, number, number] = [0, 0, 0];
      axes.forEach((axis, k) => (by[axis] = step[k]! * 2 * grid));
      this.moved.emit({ handle, by });
      if (!event.repeat) this.gestureEnd.emit();
    } else if (event.key === 'Insert') this.added.emit(handle);
    else if (event.key === 'Delete') this.removed.emit(handle);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** The handle as it is now, whose coordinates have changed under the hand. */
  private latest(handle: StageHandle): StageHandle {
    return this.handles().find(({ key }) => key === handle.key) ?? handle;
  }

  /** The two axes in which it moves: those that it has, else as it is seen, from above or from the front. */
  private axesOf({ free }: StageHandle): readonly [number, number] | undefined {
    if (free.length === 0) return undefined;
    if (free.length < 3 && !free.includes(2)) return [0, 1];
    if (free.length < 3 && !free.includes(1)) return [0, 2];
    return this.view().tilt > 0.9 ? [0, 1] : [0, 2];
  }
}
