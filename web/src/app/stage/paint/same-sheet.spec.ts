import { standardViews } from '@hashira/core';
import { known } from '../../testing/slip-shed';
import { sameSheet } from './same-sheet';
import type { Sheet } from '../types';

describe('sameSheet', () => {
  const sheet: Sheet = {
    scene: known('fixed').scene,
    layers: ['members', 'diagram'],
    scales: { diagram: 1e-5, deformation: 20, load: 1e-4 },
    dimensions: true,
    view: { ...standardViews.front, centre: [11, 0, 4], scale: 30 },
    size: { width: 600, height: 400 },
    phase: 1,
    thumbnail: false,
  };

  it('holds for sheets that say the same in other objects', () => {
    const { view, size, scales, layers } = sheet;
    const again = {
      ...sheet,
      view: { ...view },
      size: { ...size },
      scales: { ...scales },
      layers: [...layers],
    };
    expect(sameSheet(sheet, again)).toBeTrue();
  });

  for (const [what, other] of [
    ['another drawing', { scene: { ...sheet.scene } }],
    ['another layer', { layers: ['members'] }],
    ['another scale', { scales: { ...sheet.scales, load: 2e-4 } }],
    ['another camera', { view: { ...sheet.view, scale: 31 } }],
    ['another place of the camera', { view: { ...sheet.view, centre: [11, 0, 5] } }],
    ['another size', { size: { width: 601, height: 400 } }],
    ['another phase of a swing', { phase: 0.5 }],
    ['dimensions', { dimensions: false }],
  ] as [string, Partial<Sheet>][])
    it(`tells ${what} apart`, () => expect(sameSheet(sheet, { ...sheet, ...other })).toBeFalse());
});
