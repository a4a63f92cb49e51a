const key = 'hashira.lastOpened';

/** Remembers in this browser which design was open; does nothing where storage is off. */
export function rememberOpened(id: string): void {
  try {
    localStorage.setItem(key, id);
  } catch {
    // Private windows may refuse storage; the start page then opens the design changed last
  }
}

/** The design that was open last in this browser. */
export function lastOpened(): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}
