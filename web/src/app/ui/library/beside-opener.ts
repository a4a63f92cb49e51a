import type { OverlayOptions } from 'primeng/api';

function inSight(element: Element, scroller: EventTarget | null): boolean {
  if (!(scroller instanceof Element) || !scroller.contains(element)) return true;
  const [it, visible] = [element.getBoundingClientRect(), scroller.getBoundingClientRect()];
  return it.bottom > visible.top && it.top < visible.bottom;
}

/**
 * Keeps a panel beside what opened it: to be called when something has scrolled, by a hand, by focus, or by rows that came in above.
 * Returns whether the opener is still in sight.
 */
export function besideOpener(panel: HTMLElement, opener: Element): (scrolled: Event) => boolean {
  let before = opener.getBoundingClientRect();
  return ({ target }) => {
    const now = opener.getBoundingClientRect();
    panel.style.top = `${Number.parseFloat(panel.style.top) + now.top - before.top}px`;
    panel.style.left = `${Number.parseFloat(panel.style.left) + now.left - before.left}px`;
    before = now;
    return inSight(opener, target);
  };
}

/** Lets lists that drop down follow their field; by themselves they go when anything scrolls. */
export function listsBesideTheirField(): OverlayOptions {
  let follow = (_scrolled: Event): boolean => false;
  return {
    onShow: (shown) => {
      if (shown?.overlay && shown.target) follow = besideOpener(shown.overlay, shown.target);
    },
    listener: (event, how) => how?.valid === true && (how.type !== 'scroll' || !follow(event)),
  };
}
