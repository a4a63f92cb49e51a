const codes: Readonly<Record<string, number>> = {
  Enter: 13,
  Escape: 27,
  PageUp: 33,
  PageDown: 34,
  End: 35,
  Home: 36,
  ArrowLeft: 37,
  ArrowUp: 38,
  ArrowRight: 39,
  ArrowDown: 40,
};

/** Presses a key on an element, with the numbers that components of libraries go by. */
export function pressKey(on: Element, key: string): void {
  const keyCode = codes[key] ?? key.toUpperCase().charCodeAt(0);
  on.dispatchEvent(
    // oxlint-disable-next-line typescript/no-deprecated -- the libraries still go by it
    new KeyboardEvent('keydown', { key, code: key, keyCode, bubbles: true, cancelable: true }),
  );
}
