import { metric, projected } from '@hashira/core';
import { known, sheetOf } from '../../testing/slip-shed';
import { placeDimensions } from '../view/dimension-lines';
import { surroundingsOf } from './surroundings';

describe('what labels find on a sheet', () => {
  const { scene } = known('fixed');
  const sheet = { ...sheetOf(scene), layers: ['members', 'supports'] as const };
  const dimensions = placeDimensions(scene, { view: sheet.view, size: sheet.size, units: metric });

  it('is a line for each member and those of the dimensions', () => {
    const { lines = [] } = surroundingsOf(sheet, dimensions);
    // Two columns, two rafters; of the span and the height two leaders and a line each, of the pitch one
    expect(lines.length).toBe(4 + 2 * 3 + 1);
    const foot = projected(sheet.view, sheet.size, [0, 0, 0]);
    const ends = lines.flat().map(([x, y]) => Math.hypot(x - foot[0], y - foot[1]));
    expect(Math.min(...ends)).toBeLessThan(1e-3);
  });

  it('is a box round each support’s sign, at its node', () => {
    const { signs = [] } = surroundingsOf(sheet, []);
    expect(signs.length).toBe(2);
    for (const x of [0, 22]) {
      const [left, top] = projected(sheet.view, sheet.size, [x, 0, 0]);
      const box = signs.find((one) => Math.abs(one.left + one.width / 2 - left) < 6)!;
      expect(box.top).toBeLessThanOrEqual(top);
      expect(box.top + box.height).toBeGreaterThan(top);
      expect(box.width).toBeGreaterThan(10);
    }
    expect(surroundingsOf({ ...sheet, layers: ['members'] }, []).signs).toEqual([]);
  });

  it('is a box for each dimension’s number, and for what stands over the sheet', () => {
    const { obstacles = [] } = surroundingsOf(sheet, dimensions);
    expect(obstacles).toEqual(dimensions.map(({ box }) => box));
    const legend = { left: 8, top: 400, width: 160, height: 48 };
    expect(surroundingsOf(sheet, [], [legend]).obstacles).toEqual([legend]);
  });

  it('is every stroke that is drawn: a support’s lie round its node, a member’s between its ends', () => {
    const { ink = [] } = surroundingsOf({ ...sheet, layers: ['supports'] }, []);
    expect(ink.length).toBeGreaterThan(10);
    const feet = [0, 22].map((x) => projected(sheet.view, sheet.size, [x, 0, 0]));
    for (const point of ink.flat())
      expect(Math.min(...feet.map(([x, y]) => Math.hypot(point[0] - x, point[1] - y)))).toBeLessThan(30);
    expect(surroundingsOf({ ...sheet, layers: ['members'] }, []).ink!.length).toBe(4);
  });

  it('has the edges of wide strokes too: a band of stress reaches beyond its middle', () => {
    const { scene: stressed } = known('fixed', { result: 'U1', diagram: 'stress' });
    const one = { ...sheetOf(stressed), layers: ['diagram'] as const };
    const { ink = [] } = surroundingsOf(one, []);
    const left = projected(one.view, one.size, [0, 0, 3])[0];
    // The left column is a vertical line; its bands are 3 px to 14 px wide
    const beside = ink.filter(([a, b]) => Math.abs(a[0] - b[0]) < 0.01 && Math.abs(a[0] - left) < 8);
    const away = beside.map(([a]) => Math.abs(a[0] - left));
    expect(Math.min(...away)).toBeLessThan(0.01);
    expect(Math.max(...away)).toBeGreaterThan(3);
  });

  it('leaves members out where they are too many to keep off', () => {
    const many = Array.from({ length: 500 }, (_, k) => `m${k}`);
    const dense = { ...scene, members: { ids: many, ends: new Float32Array(3000) } };
    expect(surroundingsOf({ ...sheet, scene: dense }, []).lines).toEqual([]);
  });
});
