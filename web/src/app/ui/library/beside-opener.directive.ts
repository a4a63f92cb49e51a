import { DestroyRef, Directive, inject } from '@angular/core';
import { Menu } from 'primeng/menu';
import { Popover } from 'primeng/popover';
import { besideOpener } from './beside-opener';

/** Lets a menu or a popover follow its opener, and go when that is out of sight; by themselves they go when anything scrolls. */
@Directive({
  selector: 'p-menu[popup], p-popover',
  host: { '(onShow)': 'shown()', '(onHide)': 'hidden()' },
})
export class BesideOpenerDirective {
  private readonly panel: Menu | Popover = inject(Menu, { self: true, optional: true }) ?? inject(Popover);
  private listening?: AbortController;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.hidden());
  }

  protected shown(): void {
    this.hidden();
    this.listening = new AbortController();
    this.panel.unbindScrollListener();
    const { container, target } = this.panel as { container: HTMLElement; target: Element };
    const follow = besideOpener(container, target);
    document.addEventListener(
      'scroll',
      (event) => {
        if (!follow(event)) this.panel.hide();
      },
      { capture: true, passive: true, signal: this.listening.signal },
    );
  }

  protected hidden(): void {
    this.listening?.abort();
  }
}
