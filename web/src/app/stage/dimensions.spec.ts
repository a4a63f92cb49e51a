import { calculatedSlipShed, sceneOf } from '../testing/slip-shed';
import { project } from './camera';
import { drawDimensions } from './dimensions';
import { Pen } from './pen';

describe('dimension lines', () => {
  const [fixed] = calculatedSlipShed();
  const { geometry, camera, size } = sceneOf(fixed!, 'U1');
  const placed = drawDimensions(new Pen(), geometry.dimensions, camera, size);
  const of = (id: string) => placed.find((p) => p.dimension.id === id)!;

  it('stand below the span and beside the height', () => {
    const [left, base] = project(camera, size, 0, 0);
    const [right] = project(camera, size, 22, 0);
    expect(of('shed.bay.1').at[0]).toBeCloseTo((left + right) / 2, 6);
    expect(of('shed.bay.1').at[1]).toBeGreaterThan(base);
    expect(of('shed.eaves').at[0]).toBeLessThan(left);
    expect(of('shed.eaves').vertical).toBeTrue();
  });

  it('follow the pointer: one pixel is what it is on the drawing', () => {
    expect(of('shed.bay.1').perPixel[0]).toBeCloseTo(1 / camera.scale, 12);
    expect(of('shed.eaves').perPixel[1]).toBeCloseTo(-1 / camera.scale, 12);
  });

  it('carry the value and the expression behind it', () => {
    expect(of('shed.pitch').dimension.value).toBeCloseTo(Math.PI / 20, 12);
    expect(of('shed.pitch').dimension.expression).toBe('pitch');
  });
});
