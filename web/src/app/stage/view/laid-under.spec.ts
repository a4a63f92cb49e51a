import { fitView, standardViews } from '@hashira/core';
import { known } from '../../testing/slip-shed';
import type { Sheet, StageContent } from '../types';
import { bandLines, underSheets } from './laid-under';

const scene = known('fixed').scene;
const size = { width: 400, height: 300 };
const view = fitView(scene.points, standardViews.front, size, { left: 20, right: 20, top: 20, bottom: 20 });
const content: StageContent = {
  scene,
  layers: ['axes', 'members', 'supports', 'diagram', 'loads', 'reactions'],
  scales: { diagram: 1, deformation: 1, load: 1 },
  dimensions: true,
};

describe('a frame under another one', () => {
  it('has its lines and its diagram on sheets of their own, without loads and reactions', () => {
    const over: Sheet = { ...content, view, size, phase: 0.5, thumbnail: false };
    const sheets = underSheets(over, content);
    expect(sheets.map(({ part, sheet }) => [part, sheet.layers.join()])).toEqual([
      ['lines', 'members,supports'],
      ['diagram', 'diagram'],
    ]);
    expect(sheets.every(({ sheet }) => sheet.phase === 0.5 && !sheet.dimensions)).toBeTrue();
    expect(underSheets(over, { ...content, layers: ['diagram'] }).length).toBe(1);
  });
});

describe('bands along members', () => {
  const band = (member: number, width: number) => ({
    member,
    width,
    against: false,
    title: `${member}`,
    text: `${width} mm`,
  });

  it('lie where their members are, the widest last, and each says its value', () => {
    const lines = bandLines([band(0, 20), band(1, 5)], scene, view, size);
    expect(lines.map(({ member, text }) => [member, text])).toEqual([
      [1, '5 mm'],
      [0, '20 mm'],
    ]);
    // The left column stands upright
    const [x0, , x1] = [...lines[1]!.d.matchAll(/[\d.]+/g)].map(([n]) => Number(n));
    expect(x0).toBeCloseTo(x1!, 1);
  });

  it('leave out a text that would stand on a wider band’s', () => {
    const lines = bandLines([band(0, 5), band(0, 20)], scene, view, size);
    expect(lines.map(({ text }) => text)).toEqual([undefined, '20 mm']);
  });
});
