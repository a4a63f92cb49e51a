import { built, designWith, problemsOf } from '../../testing/designs.js';
import { applyFix } from '../../edits/compound/fixes.js';
import type { Design, Step } from '../../document/types.js';
import { remarkKinds, warningsOf } from './index.js';

const line = (id: string, ...points: string[][]): Step => ({ id, make: 'line', points, role: 'beam' });
const frame = (steps: Step[], more: Partial<Design> = {}) => designWith(steps, { space: 'plane', ...more });
const held = { rules: [{ id: 'held', nodes: 'z < 100 m', support: 'fixed' }] } as Partial<Design>;
const codes = (design: Design) => warningsOf(built(design)).map(({ code }) => code);
/** The only warning, which the fix takes away. */
function fixed(design: Design): void {
  const warnings = warningsOf(built(design));
  expect(warnings.length).toBe(1);
  const after = applyFix(design, warnings[0]!.fix!);
  expect(problemsOf(after)).toEqual([]);
  expect(codes(after)).toEqual([]);
  // The design itself is left as it was
  expect(codes(design).length).toBe(1);
}

describe('the model check', () => {
  const sound = frame([line('a', ['0 m', '0 m'], ['4 m', '0 m'], ['4 m', '3 m'])], held);

  it('finds nothing in a sound frame', () => {
    expect(codes(sound)).toEqual([]);
  });

  it('names a part without a support', () => {
    const design = frame(
      [line('a', ['0 m', '0 m'], ['4 m', '0 m']), line('b', ['0 m', '9 m'], ['4 m', '9 m'])],
      {
        rules: [{ id: 'held', nodes: 'z < 1 m', support: 'fixed' }],
      },
    );
    const [warning] = warningsOf(built(design));
    expect(warning!.code).toBe('no-support');
    expect(warning!.members).toEqual(['b.beam.1']);
    expect(warning!.message).toMatch(/^No support holds the part with .*; add a support, or connect it\.$/);
  });

  it('finds members that lie on each other within one step', () => {
    const design = frame(
      [
        {
          id: 'a',
          make: 'line',
          points: [
            ['0 m', '0 m'],
            ['4 m', '0 m'],
            ['1 m', '0 m'],
            ['6 m', '0 m'],
          ],
          pairs: [
            [0, 1],
            [2, 3],
          ],
        },
      ],
      held,
    );
    expect(codes(design)).toContain('overlap');
  });

  it('finds nodes that nearly coincide, and joins them', () => {
    fixed(
      frame([line('a', ['0 m', '0 m'], ['4 m', '0 m']), line('b', ['4.012 m', '0 m'], ['4 m', '3 m'])], held),
    );
  });

  it('finds members that cross unjoined, and joins them there', () => {
    fixed(
      frame([line('a', ['0 m', '0 m'], ['4 m', '2 m']), line('b', ['0 m', '2 m'], ['4 m', '0 m'])], held),
    );
  });

  it('lets braces pass each other', () => {
    const bay: Step = { id: 'w', make: 'braced-bay', bays: ['4 m'], storeys: ['3 m'], bracing: 'x' };
    expect(codes(frame([bay], held))).toEqual([]);
  });

  it('finds nodes that no member meets', () => {
    const design = frame([line('a', ['0 m', '0 m'], ['4 m', '0 m'])], held);
    const whole = built(design);
    const stray = { id: 'x.point.1', x: 0, y: 0, z: 7 };
    const nodes = new Map(whole.geometry.nodes);
    nodes.set(stray.id, { id: stray.id, at: [0, 0, 7], tags: { step: 'x', place: 'point' } });
    const warnings = warningsOf({
      ...whole,
      geometry: { ...whole.geometry, nodes },
      model: { ...whole.model, nodes: [...whole.model.nodes, stray] },
    });
    expect(warnings.map(({ code, nodes: where }) => [code, where])).toEqual([['stray-node', [stray.id]]]);
  });

  it('finds rules that match nothing, and takes them away', () => {
    const design = frame([line('a', ['0 m', '0 m'], ['4 m', '0 m'])], {
      rules: [...held.rules!, { id: 'idle', members: 'role == "rafter"', section: 'IPE 200' }],
    });
    const [warning] = warningsOf(built(design));
    expect(warning!.rule).toBe('idle');
    fixed(design);
  });

  it('looks for each kind once', () => {
    expect(new Set(remarkKinds.map(({ code }) => code)).size).toBe(remarkKinds.length);
  });
});
