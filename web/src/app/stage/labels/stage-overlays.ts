import { DestroyRef, Directive, ElementRef, Injectable, inject, signal } from '@angular/core';
import type { Box } from './labels';
import type { SheetSize } from '../types';

/** Boxes are told in steps of this, so that a digit more in a text moves nothing, px. */
const step = 8;

/** The box of what is empty, or was not measured yet. */
const nowhere: Box = { left: 0, top: 0, width: 0, height: 0 };

/** What a screen lays over its sheet, such as legends and buttons: texts of the sheet keep off it. */
@Injectable()
export class StageOverlays {
  private readonly places = new Map<HTMLElement, Box>();
  private readonly observer = new ResizeObserver(() => this.measure());
  private readonly found = signal<readonly Box[]>([], {
    equal: (one, other) => JSON.stringify(one) === JSON.stringify(other),
  });
  private sheet: HTMLElement | undefined;

  /** Boxes on the sheet, px from its top left corner. */
  readonly boxes = this.found.asReadonly();

  constructor() {
    inject(DestroyRef).onDestroy(() => this.observer.disconnect());
  }

  /** The sheet itself; it may be another one later. */
  setSheet(sheet: HTMLElement): void {
    if (this.sheet) this.observer.unobserve(this.sheet);
    this.sheet = sheet;
    this.observer.observe(sheet);
  }

  add(element: HTMLElement): void {
    this.places.set(element, nowhere);
    this.observer.observe(element);
  }

  remove(element: HTMLElement): void {
    this.observer.unobserve(element);
    this.places.delete(element);
    this.tell();
  }

  /** Down to where nothing lies over the most of the sheet's width, px. */
  floor({ width, height }: SheetSize): number {
    return Math.min(height, ...this.boxes().flatMap((box) => (box.width > width / 2 ? [box.top] : [])));
  }

  private measure(): void {
    const own = this.sheet?.getBoundingClientRect();
    if (!own) return;
    const down = (px: number) => step * Math.floor(px / step);
    const up = (px: number) => step * Math.ceil(px / step);
    for (const element of this.places.keys()) {
      const { left, top, right, bottom } = element.getBoundingClientRect();
      const [x, y] = [down(left - own.left), down(top - own.top)];
      const isEmpty = right <= left || bottom <= top;
      this.places.set(
        element,
        isEmpty
          ? nowhere
          : { left: x, top: y, width: up(right - own.left) - x, height: up(bottom - own.top) - y },
      );
    }
    this.tell();
  }

  private tell(): void {
    this.found.set([...this.places.values()].filter((box) => box !== nowhere));
  }
}

/** Marks something that stands over the sheet of the same screen. */
@Directive({ selector: '[appStageOverlay]' })
export class StageOverlayDirective {
  constructor() {
    const over = inject(StageOverlays, { optional: true });
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    over?.add(nativeElement);
    inject(DestroyRef).onDestroy(() => over?.remove(nativeElement));
  }
}
