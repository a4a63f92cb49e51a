/** Gives the focus to the first element that a selector finds within a host, once what was changed is on the page. */
export function focusSoon(host: ParentNode, selector: string): void {
  setTimeout(() => host.querySelector<HTMLElement>(selector)?.focus());
}
