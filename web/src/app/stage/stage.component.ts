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
import { formatNumber, formatWithUnit, type Problem } from '@hashira/core';
import { extentOf, fitCamera, pan, zoomAt, type Camera, type Margins, type SheetSize } from './camera';
import { DimensionLabelComponent, type DimensionChange } from './dimension-label.component';
import { drawDimensions } from './dimensions';
import { Pen, type Point } from './pen';
import { nearestMember, readAt, type Reading } from './reading';
import type { StageScene } from './scene';
import { StageCanvasComponent } from './stage-canvas.component';

/** A scene without what the stage itself decides: camera, size, phase. */
export type StageContent = Omit<StageScene, 'camera' | 'size' | 'phase' | 'thumbnail'>;

const margins: Margins = { left: 152, right: 112, top: 92, bottom: 118 };
const bareMargins: Margins = { left: 60, right: 60, top: 44, bottom: 64 };

/**
 * The stage: a frame that can be zoomed, panned and read. The wheel zooms about the pointer, dragging pans, a double click
 * fits; with the keyboard + and − zoom, 0 fits, shift with arrows pans, arrows move the reading along a member, page keys
 * go to the next one.
 */
@Component({
  selector: 'app-stage',
  imports: [StageCanvasComponent, DimensionLabelComponent],
  templateUrl: './stage.component.html',
  styleUrl: './stage.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    role: 'group',
    tabindex: '0',
    '[attr.aria-label]': 'name() + ", stage"',
    '(wheel)': 'wheel($event)',
    '(pointerdown)': 'press($event)',
    '(pointermove)': 'move($event)',
    '(pointerup)': 'release($event)',
    '(pointerleave)': 'leave()',
    '(dblclick)': 'fitAll()',
    '(keydown)': 'key($event)',
  },
})
export class StageComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** What the stage shows, for readers. */
  readonly name = input.required<string>();
  readonly content = input.required<StageContent>();
  /** Names of parameters that dimensions may change; others are shown but not live. */
  readonly live = input<ReadonlySet<string>>(new Set());
  /** A camera shared with other stages; without it the stage keeps its own. */
  readonly sharedCamera = input<Camera | undefined>(undefined);
  readonly moving = input(false);
  /** Problems that keep the frame from being calculated. */
  readonly problems = input<readonly Problem[]>([]);
  readonly stale = input(false);

  readonly cameraChange = output<Camera>();
  readonly sizeChange = output<SheetSize>();
  /** The whole frame was asked for; a stage without a shared camera then follows the frame until it is moved again. */
  readonly fitted = output();
  readonly dimensionChange = output<DimensionChange>();
  readonly dimensionEnd = output();

  private readonly size = signal({ width: 0, height: 0 });
  private readonly ownCamera = signal<Camera | undefined>(undefined);
  private readonly phase = signal(1);
  private readonly pointed = signal<{ member: number; x: number } | undefined>(undefined);
  private dragging: { id: number; last: Point } | undefined;

  protected readonly scene = computed((): StageScene | undefined => {
    const size = this.size();
    if (size.width < 20 || size.height < 20) return undefined;
    const content = this.content();
    const camera =
      this.sharedCamera() ?? this.ownCamera() ?? fitCamera(extentOfModel(content), size, this.margins());
    return { ...content, camera, size, phase: this.phase(), thumbnail: false };
  });

  protected readonly placedDimensions = computed(() => {
    const scene = this.scene();
    if (!scene?.layers.dimensions) return undefined;
    const pen = new Pen();
    const placed = drawDimensions(pen, scene.geometry.dimensions, scene.camera, scene.size);
    return { pen, placed };
  });

  protected readonly reading = computed((): Reading | undefined => {
    const scene = this.scene();
    const at = this.pointed();
    if (!scene?.calculated || !at || at.member >= scene.calculated.frame.memberIds.length) return undefined;
    const x = Math.min(at.x, scene.calculated.frame.length[at.member]!);
    return readAt(scene, scene.calculated, at.member, x);
  });

  protected readonly readout = computed(() => {
    const reading = this.reading();
    if (!reading) return undefined;
    const size = this.size();
    return {
      member: reading.member,
      section: reading.section,
      x: `${formatNumber(reading.x, 'length')} of ${formatWithUnit(reading.length, 'length')}`,
      rows: [
        ['N', formatWithUnit(reading.N, 'force')],
        ['V', formatWithUnit(reading.V, 'force')],
        ['M', formatWithUnit(reading.M, 'moment')],
        ['ux', formatWithUnit(reading.ux, 'deflection')],
        ['uz', formatWithUnit(reading.uz, 'deflection')],
      ] as const,
      left: Math.min(Math.max(4, reading.at[0] + 16), size.width - 176),
      top: Math.min(Math.max(4, reading.at[1] + 12), size.height - 150),
      at: reading.at,
    };
  });

  constructor() {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      const size = { width: Math.floor(width), height: Math.floor(height) };
      this.size.set(size);
      this.sizeChange.emit(size);
    });
    observer.observe(this.host.nativeElement);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    this.animate();
  }

  /** Shows the whole frame. */
  fitAll(): void {
    this.ownCamera.set(undefined);
    this.fitted.emit();
  }

  /** Zooms about the middle of the sheet. */
  zoom(factor: number): void {
    const { width, height } = this.size();
    this.zoomAbout([width / 2, height / 2], factor);
  }

  protected wheel(event: WheelEvent): void {
    event.preventDefault();
    this.zoomAbout(this.pointOf(event), Math.exp(-event.deltaY * 0.0012));
  }

  protected press(event: PointerEvent): void {
    if (event.button !== 0 && event.button !== 1) return;
    if ((event.target as Element).closest('button, input')) return;
    this.dragging = { id: event.pointerId, last: this.pointOf(event) };
    this.host.nativeElement.setPointerCapture(event.pointerId);
  }

  protected move(event: PointerEvent): void {
    const at = this.pointOf(event);
    const scene = this.scene();
    if (!scene) return;
    if (this.dragging?.id === event.pointerId) {
      const [x, y] = this.dragging.last;
      this.dragging.last = at;
      if (at[0] !== x || at[1] !== y) this.setCamera(pan(scene.camera, at[0] - x, at[1] - y));
      return;
    }
    this.pointed.set(nearestMember(scene, at));
  }

  protected release(event: PointerEvent): void {
    if (this.dragging?.id === event.pointerId) this.dragging = undefined;
  }

  protected leave(): void {
    if (!this.dragging) this.pointed.set(undefined);
  }

  protected key(event: KeyboardEvent): void {
    if ((event.target as Element).closest('input')) return;
    const scene = this.scene();
    if (!scene || event.ctrlKey || event.metaKey || event.altKey) return;
    const handled = event.shiftKey ? this.panKey(event.key, scene) : this.plainKey(event.key, scene);
    if (handled) event.preventDefault();
  }

  private plainKey(key: string, scene: StageScene): boolean {
    if (key === '+' || key === '=') this.zoom(1.25);
    else if (key === '-') this.zoom(0.8);
    else if (key === '0') this.fitAll();
    else if (key === 'Escape') this.pointed.set(undefined);
    else return this.readKey(key, scene);
    return true;
  }

  private panKey(key: string, scene: StageScene): boolean {
    const step = { ArrowLeft: [40, 0], ArrowRight: [-40, 0], ArrowUp: [0, 40], ArrowDown: [0, -40] }[key];
    if (key === '+') this.zoom(1.25);
    else if (step) this.setCamera(pan(scene.camera, step[0]!, step[1]!));
    else return false;
    return true;
  }

  private readKey(key: string, scene: StageScene): boolean {
    const frame = scene.calculated?.frame;
    if (!frame) return false;
    const at = this.pointed() ?? { member: 0, x: 0 };
    const count = frame.memberIds.length;
    const length = frame.length[at.member] ?? 0;
    switch (key) {
      case 'ArrowRight':
      case 'ArrowUp':
        this.pointed.set({ ...at, x: Math.min(length, at.x + length / 20) });
        return true;
      case 'ArrowLeft':
      case 'ArrowDown':
        this.pointed.set({ ...at, x: Math.max(0, at.x - length / 20) });
        return true;
      case 'PageDown':
        this.pointed.set({ member: (at.member + 1) % count, x: 0 });
        return true;
      case 'PageUp':
        this.pointed.set({ member: (at.member + count - 1) % count, x: 0 });
        return true;
      default:
        return false;
    }
  }

  private zoomAbout(at: Point, factor: number): void {
    const scene = this.scene();
    if (scene) this.setCamera(zoomAt(scene.camera, scene.size, at, factor));
  }

  private setCamera(camera: Camera): void {
    this.ownCamera.set(camera);
    this.cameraChange.emit(camera);
  }

  private margins(): Margins {
    return this.content().layers.dimensions ? margins : bareMargins;
  }

  private pointOf(event: MouseEvent): Point {
    const box = this.host.nativeElement.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }

  /** Swings the deformed shape while asked to, at the pace of the screen. */
  private animate(): void {
    effect((onCleanup) => {
      if (!this.moving()) {
        this.phase.set(1);
        return;
      }
      let handle = 0;
      const step = (time: number): void => {
        this.phase.set(Math.sin((time / 1800) * 2 * Math.PI));
        handle = requestAnimationFrame(step);
      };
      handle = requestAnimationFrame(step);
      onCleanup(() => cancelAnimationFrame(handle));
    });
  }
}

function extentOfModel(content: StageContent) {
  return extentOf(content.model.nodes.flatMap((node) => [node.x, node.y ?? 0, node.z]));
}
