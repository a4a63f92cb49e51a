import type { FrameModel } from '../model/types.js';
import { generator } from '../testing/random.js';
import {
  drawnBackwards,
  heldInSpace,
  inPieces,
  mirrored,
  randomPortal,
  renumbered,
  turnedInPlan,
} from '../testing/frames.js';
import { checkToFile, type ChecksFile, type CheckOptions } from './checks-file.js';

/** How far the utilisations of the same frame, told otherwise, may differ. */
const tolerance = 5e-3;

function checked(model: FrameModel, options: CheckOptions = {}): ChecksFile | undefined {
  const outcome = checkToFile(model, options);
  return outcome.ok ? outcome.value : undefined;
}

/** Worst utilisation of each clause of a member. */
function byClause({ items }: ChecksFile['members'][string]): Map<string, number> {
  const worst = new Map<string, number>();
  for (const { clause, axis, utilisation } of items) {
    if (utilisation === undefined) continue;
    const key = `${clause} ${axis ?? ''}`;
    worst.set(key, Math.max(worst.get(key) ?? 0, utilisation));
  }
  return worst;
}

/** Compares all members of two checks, clause by clause. Returns how many utilisations were compared. */
function expectSame(a: ChecksFile, b: ChecksFile, name: (id: string) => string, context: string): number {
  let compared = 0;
  for (const [id, member] of Object.entries(a.members)) {
    const other = b.members[name(id)];
    expect(other).withContext(`${context}: ${id}`).toBeDefined();
    if (!other) continue;
    const [p, q] = [byClause(member), byClause(other)];
    for (const clause of new Set([...p.keys(), ...q.keys()])) {
      const [u, v] = [p.get(clause) ?? 0, q.get(clause) ?? 0];
      if (Math.max(u, v) < 1e-3) continue;
      compared++;
      expect(Math.abs(u - v))
        .withContext(`${context}: ${id}, ${clause}: ${u} against ${v}`)
        .toBeLessThanOrEqual(tolerance * Math.max(u, v) + 1e-4);
    }
  }
  expect(a.summary.status).withContext(context).toBe(b.summary.status);
  return compared;
}

/** Runs a property over random frames in both codes, of first and second order. */
function overFrames(
  seed: number,
  count: number,
  other: (model: FrameModel) => FrameModel,
  name: (id: string, model: FrameModel) => string = (id) => id,
  of: (model: FrameModel) => FrameModel = (model) => model,
): void {
  const random = generator(seed);
  let compared = 0;
  for (let i = 0; i < count; i++) {
    const model = of(randomPortal(random));
    const options: CheckOptions = {
      code: random() < 0.3 ? 'AISC360' : 'EN1993',
      secondOrder: random() < 0.3,
    };
    const a = checked(model, options);
    if (!a) continue;
    const b = checked(other(model), options);
    expect(b).withContext(`frame ${seed}/${i}`).toBeDefined();
    if (b) compared += expectSame(a, b, (id) => name(id, model), `frame ${seed}/${i} ${options.code}`);
  }
  // Most frames stand, and something was compared
  expect(compared).toBeGreaterThan(10 * count);
}

describe('the same frame told otherwise has the same utilisations', () => {
  it('with all members drawn backwards', () => overFrames(11, 30, (m) => drawnBackwards(m, () => true)));
  it('with some members drawn backwards', () =>
    overFrames(12, 30, (m) => drawnBackwards(m, ({ id }) => id.startsWith('l') || id === 'c1')));
  it('in a mirror', () => overFrames(13, 30, mirrored));
  it('with other names in another order', () => overFrames(14, 20, renumbered, (id) => `x-${id}`));
  it('with members in two pieces', () =>
    overFrames(
      15,
      25,
      (m) => inPieces(m, 2),
      (id, m) => (isDivided(m, id) ? `${id}-g` : id),
    ));
  it('with members in three pieces', () =>
    overFrames(
      16,
      25,
      (m) => inPieces(m, 3),
      (id, m) => (isDivided(m, id) ? `${id}-g` : id),
    ));
  it('in its plane, or in space and held in it', () => overFrames(17, 25, heldInSpace));
  it('turned in plan', () => overFrames(18, 25, (m) => turnedInPlan(m, 0.6), undefined, heldInSpace));
});

function isDivided({ members }: FrameModel, id: string): boolean {
  const member = members.find((one) => one.id === id)!;
  return !member.action && !member.endSection;
}
