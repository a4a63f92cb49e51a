/** Gives the focus to what the first of some selectors finds within a host, once what was changed is on the page. */
export function focusSoon(host: ParentNode, ...selectors: readonly string[]): void {
  setTimeout(() => {
    for (const selector of selectors) {
      const found = host.querySelector<HTMLElement>(selector);
      if (found) {
        found.focus();
        return;
      }
    }
  });
}
