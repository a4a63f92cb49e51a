import { slipShed } from '../../testing/designs.js';
import { expectClose } from '../../testing/models.js';
import { evaluateAlternative } from '../alternative.js';
import { besideEachOther, explain } from './index.js';

describe('shares beside each other', () => {
  const design = slipShed();
  design.analysis = { ...design.analysis, order: 1, imperfections: false };
  const run = (k: number) => evaluateAlternative(design, design.alternatives[k]!, 'checks');
  const [fixed, pinned] = [run(0), run(1)];
  const beside = (figure: string) =>
    besideEachOther(explain(fixed, figure), explain(pinned, figure), ['Fixed bases', 'Pinned bases']);

  it('of a displacement add up to the difference, what makes most of it first', () => {
    const { rows } = beside('sway');
    const [a, b] = [explain(fixed, 'sway'), explain(pinned, 'sway')];
    expectClose(
      rows.reduce((sum, { difference }) => sum + difference, 0),
      Math.abs(b.value) - Math.abs(a.value),
    );
    const sizes = rows.map(({ difference }) => Math.abs(difference));
    expect(sizes).toEqual([...sizes].sort((p, q) => q - p));
    expect(rows[0]!.by).toBe('bending');
    expect(rows.map(({ what }) => what)).toContain('left column');
  });

  it('of a moment by load case with its factor', () => {
    const { rows, notes } = beside('column-moment');
    expect(notes).toEqual([]);
    expect(rows.some(({ what, by }) => what.includes('Snow') && by === '× 1.5')).toBeTrue();
  });

  it('of a utilisation the forces that its condition reads, and which governs in each', () => {
    const { rows, notes } = beside('utilisation');
    expect(notes.map((note) => note.split(':')[0])).toEqual(['Fixed bases', 'Pinned bases']);
    expect(rows.map(({ what }) => what)).toContain('My');
    expect(rows.find(({ what }) => what === 'My')!.unit).toBe('moment');
  });
});
