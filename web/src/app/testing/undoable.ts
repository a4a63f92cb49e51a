import type { Shown } from './shown';

/** Does something, expects that it changed the design, and that one undo takes it back whole. */
export async function undoable(shown: Shown, act: () => Promise<void>): Promise<void> {
  const before = JSON.stringify(shown.design);
  await act();
  expect(JSON.stringify(shown.design)).not.toBe(before);
  shown.workspace.undo();
  await shown.settled();
  expect(JSON.stringify(shown.design)).toBe(before);
}
