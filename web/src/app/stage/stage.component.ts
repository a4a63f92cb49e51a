import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { projected, toFilm, type Problem, type View, type ViewName } from '@hashira/core';
import { ArrowsComponent } from './labels/arrows.component';
import { BandsComponent } from './labels/bands.component';
import { DimensionLabelComponent, type DimensionChange } from './labels/dimension-label.component';
import { placeDimensions } from './view/dimension-lines';
import { fittedView } from './view/fitting';
import { PageLettering } from './labels/lettering';
import { StageOverlays } from './labels/stage-overlays';
import { WhyNotComponent } from './labels/why-not.component';
import { panned, PickIndex, turnedBy, zoomedAt, type Picked } from './view/navigation';
import {
  PointHandlesComponent,
  type HandleMove,
  type StageHandle,
} from './interaction/point-handles.component';
import { stageAction, type StageAction } from './interaction/keys';
import { isIn, membersInBox, nodeNear, placeOfBox, type Box } from './interaction/picking';
import { sameSheet } from './paint/same-sheet';
import { SheetRenderer } from './paint/sheet-renderer.service';
import { StageCanvasComponent } from './paint/stage-canvas.component';
import { phaseOf, swingAt, swingPeriod } from './view/swing';
import type {
  OnSheet,
  Point,
  PointedPlace,
  Pressed,
  Readout,
  Sheet,
  SheetSize,
  StageArrow,
  StageBand,
  StageContent,
} from './types';
import { underSheets } from './view/laid-under';
import { readersUnits } from '../ui/units.service';

/**
 * The stage: a frame that can be zoomed, panned, turned and read. The wheel zooms about the pointer, dragging pans, with Alt or the
 * right button it turns a solid frame, a double click fits, a press selects, with Shift beside what is selected, and Shift and dragging
 * draws a box round what is selected; with the keyboard + and − zoom, 0 fits, shift with arrows pans, Alt with
 * arrows turns, arrows move the reading along a member, page keys go to the next one.
 */
@Component({
  selector: 'app-stage',
  imports: [
    StageCanvasComponent,
    ArrowsComponent,
    BandsComponent,
    DimensionLabelComponent,
    PointHandlesComponent,
    WhyNotComponent,
  ],
  templateUrl: './stage.component.html',
  styleUrl: './stage.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    role: 'application',
    'aria-roledescription': 'drawing of a frame',
    tabindex: '0',
    '[attr.aria-label]': 'name() + ", stage"',
    '[attr.aria-description]': 'told()',
    '(wheel)': 'wheel($event)',
    '(pointerdown)': 'press($event)',
    '(pointermove)': 'move($event)',
    '(pointerup)': 'release($event)',
    '(pointerleave)': 'leave()',
    '(contextmenu)': '$event.preventDefault()',
    '(dblclick)': 'fitAll()',
    '(keydown)': 'key($event)',
  },
})
export class StageComponent {
  private readonly units = readersUnits();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly renderer = inject(SheetRenderer);
  private readonly lettering = inject(PageLettering);
  protected readonly over = inject(StageOverlays, { optional: true });

  /** What the stage shows, for readers. */
  readonly name = input.required<string>();
  /** Its case, what is drawn, and its extremes, for readers. */
  readonly told = input('');
  readonly content = input.required<StageContent>();
  /** From where a solid frame is looked at until it is turned by hand. */
  readonly direction = input<ViewName>('front');
  /** A view shared with other stages; without it the stage keeps its own. */
  readonly sharedView = input<View | undefined>(undefined);
  /** Another frame that is drawn faint under this one, at the same place and scale. */
  readonly under = input<StageContent | undefined>(undefined);
  /** Bands along members. */
  readonly bands = input<readonly StageBand[]>([]);
  readonly arrows = input<readonly StageArrow[]>([]);
  readonly moving = input(false);
  /** Share of a swing at which the moving picture is held. */
  readonly held = input<number | undefined>(undefined);
  /** Problems that keep the frame from being calculated. */
  readonly problems = input<readonly Problem[]>([]);
  readonly stale = input(false);
  /** A line that is being drawn from one place to another, m, and what the other one is called. */
  readonly sketch = input<{ from: View['centre']; to: View['centre']; title: string } | undefined>(undefined);
  /** Values at the place that is pointed at. */
  readonly readout = input<Readout | undefined>(undefined);
  /** Points of a step that can be dragged. */
  readonly handles = input<readonly StageHandle[]>([]);
  readonly viewChange = output<View>();
  readonly sizeChange = output<SheetSize>();
  /** The whole frame was asked for; a stage without a shared view then follows the frame until it is moved again. */
  readonly fitted = output();
  readonly dimensionChange = output<DimensionChange>();
  readonly dimensionEnd = output();
  readonly handleMoved = output<HandleMove>();
  readonly handleAdded = output<StageHandle>();
  readonly handleRemoved = output<StageHandle>();
  readonly pointedAt = output<PointedPlace | undefined>();
  /** The pointer is on the sheet, near no member. */
  readonly sheetPointed = output<OnSheet>();
  /** A member or a node was pressed, or a box was drawn round members; nothing where the sheet was pressed. */
  readonly picked = output<Pressed>();

  private readonly size = signal({ width: 0, height: 0 });
  protected readonly sheetSize = this.size.asReadonly();
  private readonly ownView = signal<View | undefined>(undefined);
  private readonly phase = signal(1);
  protected readonly pointed = signal<{ member: number; fraction: number } | undefined>(undefined);
  private dragging: { id: number; last: Point; turns: boolean; moved: boolean } | undefined;
  /** The box that is being drawn. */
  protected readonly box = signal<Box | undefined>(undefined);
  protected readonly boxPlace = computed(() => placeOfBox(this.box()));

  protected readonly view = computed((): View | undefined => {
    const size = this.size();
    if (size.width < 20 || size.height < 20) return undefined;
    const { scene, dimensions } = this.content();
    return this.sharedView() ?? this.ownView() ?? fittedView(scene, this.direction(), size, dimensions);
  });

  protected readonly sheet = computed(
    (): Sheet | undefined => {
      const view = this.view();
      return view && { ...this.content(), view, size: this.size(), phase: this.phase(), thumbnail: false };
    },
    { equal: (one, other) => one === other || (!!one && !!other && sameSheet(one, other)) },
  );

  /** The frame under this one: its lines, and its diagram by itself, which is hatched. */
  protected readonly underneath = computed(() => {
    const [sheet, under] = [this.sheet(), this.under()];
    return sheet && under ? underSheets(sheet, under) : [];
  });

  protected readonly dimensions = computed(() => {
    const sheet = this.sheet();
    if (!sheet?.dimensions) return [];
    const on = { view: sheet.view, size: sheet.size, units: this.units(), lettering: this.lettering.now() };
    const taken = this.over?.boxes() ?? [];
    return placeDimensions(sheet.scene, on, { taken, dragged: this.draggedDimension() });
  });

  /** Id of the dimension whose number is being dragged. */
  private readonly draggedDimension = signal<string | undefined>(undefined);

  protected changeDimension(change: DimensionChange): void {
    if (change.gesture) this.draggedDimension.set(change.dimension.id);
    this.dimensionChange.emit(change);
  }

  protected endDimension(): void {
    this.draggedDimension.set(undefined);
    this.dimensionEnd.emit();
  }

  private readonly pickIndex = computed(() => {
    const view = this.view();
    return view && new PickIndex(this.content().scene.members.ends, view, this.size());
  });

  /** Where the reading stands on the sheet, and its box. */
  protected readonly readoutPlace = computed(() => {
    const at = this.pointed();
    const view = this.view();
    const { ids, ends } = this.content().scene.members;
    if (!at || !view || at.member >= ids.length) return undefined;
    const e = ends.subarray(6 * at.member, 6 * at.member + 6);
    const p = [0, 1, 2].map((k) => e[k]! + at.fraction * (e[k + 3]! - e[k]!)) as unknown as View['centre'];
    const size = this.size();
    const [x, y] = projected(view, size, p);
    return {
      at: [x, y] as Point,
      left: Math.min(Math.max(4, x + 16), size.width - 196),
      top: Math.max(4, Math.min(y + 12, (this.over?.floor(size) ?? size.height) - 176)),
    };
  });

  /** The line that is being drawn, on the sheet. */
  protected readonly sketched = computed(() => {
    const sketch = this.sketch();
    const view = this.view();
    if (!sketch || !view) return undefined;
    const [a, b] = [sketch.from, sketch.to].map((point) => projected(view, this.size(), point));
    return { a: a!, b: b!, title: sketch.title };
  });

  constructor() {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      const size = { width: Math.floor(width), height: Math.floor(height) };
      this.size.set(size);
      this.sizeChange.emit(size);
    });
    observer.observe(this.host.nativeElement);
    this.over?.setSheet(this.host.nativeElement);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    // Another direction is looked from afresh
    effect(() => {
      this.direction();
      this.ownView.set(undefined);
    });
    this.animate();
  }

  focus(): void {
    this.host.nativeElement.focus();
  }

  /** Shows the whole frame. */
  fitAll(): void {
    this.ownView.set(undefined);
    this.fitted.emit();
  }

  /** Zooms about the middle of the sheet. */
  zoom(factor: number): void {
    this.zoomAbout([this.size().width / 2, this.size().height / 2], factor);
  }

  protected wheel(event: WheelEvent): void {
    if (isIn(event, '.told')) return;
    event.preventDefault();
    this.zoomAbout(this.pointOf(event), Math.exp(-event.deltaY * 0.0012));
  }

  protected press(event: PointerEvent): void {
    if (isIn(event, 'button, input, .told')) return;
    const turns = this.content().scene.space === 'solid' && (event.button === 2 || event.altKey);
    if (event.button > 2) return;
    const at = this.pointOf(event);
    this.dragging = { id: event.pointerId, last: at, turns, moved: false };
    if (event.shiftKey && event.button === 0) this.box.set({ from: at, to: at });
    this.host.nativeElement.setPointerCapture(event.pointerId);
  }

  protected move(event: PointerEvent): void {
    const [at, view, dragging] = [this.pointOf(event), this.view(), this.dragging];
    if (!view) return;
    if (dragging?.id === event.pointerId) {
      const [dx, dy] = [at[0] - dragging.last[0], at[1] - dragging.last[1]];
      if (!dragging.moved && Math.hypot(dx, dy) < 3) return;
      dragging.moved = true;
      dragging.last = at;
      const box = this.box();
      if (box) this.box.set({ ...box, to: at });
      else this.setView(dragging.turns ? turnedBy(view, -dx * 0.008, dy * 0.008) : panned(view, dx, dy));
      return;
    }
    const near = this.pickIndex()?.nearest(at);
    this.point(near);
    if (!near) this.sheetPointed.emit({ at, view, size: this.size() });
  }

  protected release(event: PointerEvent): void {
    const { dragging } = this;
    if (dragging?.id !== event.pointerId) return;
    this.dragging = undefined;
    const box = this.box();
    this.box.set(undefined);
    const view = this.view();
    if (event.button !== 0 || !view) return;
    const { scene } = this.content();
    if (dragging.moved) {
      if (!box) return;
      const ids = membersInBox(scene, view, this.size(), box, event.ctrlKey);
      if (ids.length > 0) this.picked.emit({ of: 'members', ids, add: true });
      return;
    }
    this.pickAt(this.pointOf(event), event.shiftKey);
  }

  /** Nodes before the members that meet there. */
  private pickAt(at: Point, add: boolean): void {
    const { scene } = this.content();
    const node = nodeNear(scene, this.view()!, this.size(), at);
    const near = this.pickIndex()?.nearest(at);
    const member = near && scene.members.ids[near.member];
    if (node !== undefined) this.picked.emit({ of: 'nodes', ids: [node], add });
    else if (member !== undefined) this.picked.emit({ of: 'members', ids: [member], add });
    else if (!add) this.picked.emit({ of: 'members', ids: [], add, beside: true });
  }

  protected leave(): void {
    if (!this.dragging) this.point(undefined);
  }

  private point(near: Pick<Picked, 'member' | 'fraction'> | undefined): void {
    const before = this.pointed();
    if (before?.member === near?.member && before?.fraction === near?.fraction) return;
    this.pointed.set(near);
    const member = near && this.content().scene.members.ids[near.member];
    this.pointedAt.emit(near && member !== undefined ? { member, fraction: near.fraction } : undefined);
  }

  protected key(event: KeyboardEvent): void {
    // What lies on the sheet has keys of its own
    if (isIn(event, 'button, input, .told')) return;
    const [view, action] = [this.view(), stageAction(event)];
    if (view && action && this.perform(action, view)) event.preventDefault();
  }

  /** Returns whether there was something to do. */
  private perform(action: StageAction, view: View): boolean {
    const { ids } = this.content().scene.members;
    const at = this.pointed() ?? { member: 0, fraction: 0 };
    switch (action.do) {
      case 'zoom':
        this.zoom(action.by);
        return true;
      case 'fit':
        this.fitAll();
        return true;
      case 'leave':
        this.point(undefined);
        this.picked.emit({ of: 'members', ids: [], add: false });
        return true;
      case 'pan':
        this.setView(panned(view, ...action.by));
        return true;
      case 'turn':
        if (this.content().scene.space === 'plane') return false;
        this.setView(turnedBy(view, ...action.by));
        return true;
    }
    if (ids.length === 0) return false;
    if (action.do === 'along')
      this.point({ ...at, fraction: Math.min(1, Math.max(0, at.fraction + action.by)) });
    else if (action.do === 'member')
      this.point({ member: (at.member + action.by + ids.length) % ids.length, fraction: 0 });
    else this.picked.emit({ of: 'members', ids: [ids[at.member]!], add: action.add });
    return true;
  }

  private zoomAbout(at: Point, factor: number): void {
    if (this.view()) this.setView(zoomedAt(this.view()!, this.size(), at, factor));
  }

  private setView(view: View): void {
    this.ownView.set(view);
    this.viewChange.emit(view);
  }

  private pointOf(event: MouseEvent): Point {
    const box = this.host.nativeElement.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }

  /** Swings the deformed shape while asked to, at the pace of the screen. */
  private animate(): void {
    effect((onCleanup) => {
      const held = this.held();
      if (!this.moving() || held !== undefined) {
        this.phase.set(this.moving() && held !== undefined ? phaseOf(held) : 1);
        return;
      }
      let handle = 0;
      const step = (time: number): void => {
        this.phase.set(phaseOf(swingAt(time)));
        handle = requestAnimationFrame(step);
      };
      handle = requestAnimationFrame(step);
      onCleanup(() => cancelAnimationFrame(handle));
    });
  }

  /** The moving picture of what the stage shows, as an animated SVG; undefined while there is no sheet. */
  film(): string | undefined {
    const sheet = this.sheet();
    return sheet && toFilm(sheet.scene.drawing, { ...sheet, seconds: swingPeriod / 1000 });
  }
}
