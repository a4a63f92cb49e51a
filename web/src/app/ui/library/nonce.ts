/** What the server lets styles be brought by; undefined where the page was not served by it. */
export const pageNonce = document.querySelector('app-root')?.getAttribute('ngCspNonce') ?? undefined;
