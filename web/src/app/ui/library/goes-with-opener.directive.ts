import { DestroyRef, Directive, inject } from '@angular/core';
import { Menu } from 'primeng/menu';
import { Popover } from 'primeng/popover';
import { movedAway } from './moved-away';

/** Lets a menu or a popover go when its opener is scrolled away, not by any scrolling that is told of. */
@Directive({
  selector: 'p-menu[popup], p-popover',
  host: { '(onShow)': 'shown()', '(onHide)': 'hidden()' },
})
export class GoesWithOpenerDirective {
  private readonly panel: Menu | Popover = inject(Menu, { self: true, optional: true }) ?? inject(Popover);
  private listening?: AbortController;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.hidden());
  }

  protected shown(): void {
    this.panel.unbindScrollListener();
    const moved = movedAway(this.panel.target as Element);
    this.hidden();
    this.listening = new AbortController();
    document.addEventListener(
      'scroll',
      () => {
        if (moved()) this.panel.hide();
      },
      { capture: true, passive: true, signal: this.listening.signal },
    );
  }

  protected hidden(): void {
    this.listening?.abort();
  }
}
