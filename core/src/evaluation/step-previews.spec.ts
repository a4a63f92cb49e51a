import { slipShed } from '../testing/designs.js';
import { previewStep } from './step-previews.js';

describe('a step that is not accepted yet', () => {
  const shed = slipShed();
  const alternative = shed.alternatives[0]!;

  it('is picked in what is there before it, by the names that rules and steps can use', () => {
    const { scene } = previewStep(shed, alternative, { id: 'd', edit: 'divide', parts: 2 });
    expect([...scene!.members.ids].sort()).toEqual([
      'shed.column.1',
      'shed.column.2',
      'shed.rafter.1.left',
      'shed.rafter.1.right',
    ]);
    const at = (n: number) => [...scene!.points.subarray(3 * n, 3 * n + 3)];
    expect(at(scene!.nodes.indexOf('shed.base.2'))).toEqual([22, 0, 0]);
    expect(scene!.members.ends.length).toBe(4 * 6);
  });

  it('says at which field it is wrong', () => {
    const { scene, field, problem } = previewStep(shed, alternative, {
      id: 'd',
      edit: 'divide',
      members: 'role == "purlin"',
      parts: 2,
    });
    expect(scene).toBeUndefined();
    expect(field).toBe('members');
    expect(problem).toContain('purlin');
  });
});
