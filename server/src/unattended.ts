/** Runs work that nobody waits for: what goes wrong is told, and ends nothing. */
export function unattended(what: string, work: () => unknown, tell: (line: string) => void): void {
  const failed = (error: unknown): void =>
    tell(`${what} failed: ${error instanceof Error ? error.message : String(error)}`);
  try {
    Promise.resolve(work()).catch(failed);
  } catch (error) {
    failed(error);
  }
}
