import type { OverlayOptions } from 'primeng/api';

/** Remembers where an element stands, and tells later whether it has moved from there. */
export function movedAway(element: Element): () => boolean {
  const before = element.getBoundingClientRect();
  return () => {
    const now = element.getBoundingClientRect();
    return Math.hypot(now.left - before.left, now.top - before.top) > 2;
  };
}

/**
 * Lets a list that drops down go when its field is scrolled away. Without it a list goes by any scrolling that is told of, also by that
 * which brought its field into view: a browser with much to do tells of it only after the list has opened.
 */
export function listsGoWithTheirField(): OverlayOptions {
  let moved = (): boolean => true;
  return {
    onBeforeShow: (shown) => {
      if (shown?.target) moved = movedAway(shown.target);
    },
    listener: (_event, how) => how?.valid === true && (how.type !== 'scroll' || moved()),
  };
}
