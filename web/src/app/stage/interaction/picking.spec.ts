import { standardViews, type View } from '@hashira/core';
import { membersInBox, nodeNear } from './picking';

// Seen from the front at 10 px a metre, the sheet's middle at the origin
const view: View = { ...standardViews.front, centre: [0, 0, 0], scale: 10 };
const size = { width: 200, height: 100 };
const scene = {
  points: Float32Array.of(0, 0, 0, 4, 0, 0, 4, 0, 3),
  nodes: ['a', 'b', 'c'],
  members: { ids: ['ab', 'bc'], ends: Float32Array.of(0, 0, 0, 4, 0, 0, 4, 0, 0, 4, 0, 3) },
};

describe('picking on the stage', () => {
  it('finds the nearest node within reach', () => {
    expect(nodeNear(scene, view, size, [139, 52])).toBe('b');
    expect(nodeNear(scene, view, size, [141, 21])).toBe('c');
    expect(nodeNear(scene, view, size, [120, 50])).toBeUndefined();
  });

  it('takes members that lie wholly in a box, and with touching those that it cuts', () => {
    const right = { from: [130, 60], to: [150, 10] } as const;
    expect(membersInBox(scene, view, size, right, false)).toEqual(['bc']);
    expect(membersInBox(scene, view, size, right, true)).toEqual(['ab', 'bc']);
    const across = { from: [110, 45], to: [120, 55] } as const;
    expect(membersInBox(scene, view, size, across, false)).toEqual([]);
    expect(membersInBox(scene, view, size, across, true)).toEqual(['ab']);
    const beside = { from: [110, 55], to: [120, 65] } as const;
    expect(membersInBox(scene, view, size, beside, true)).toEqual([]);
  });
});
