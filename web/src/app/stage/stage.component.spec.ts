import { ComponentFixture, TestBed } from '@angular/core/testing';
import { calculatedSlipShed, sceneOf } from '../testing/slip-shed';
import type { Camera } from './camera';
import type { DimensionChange } from './dimension-label.component';
import { StageComponent } from './stage.component';

describe('StageComponent', () => {
  const [fixed] = calculatedSlipShed();
  let fixture: ComponentFixture<StageComponent>;
  let cameras: Camera[];
  let changes: DimensionChange[];
  const host = () => fixture.nativeElement as HTMLElement;
  const find = (selector: string) => host().querySelector<HTMLElement>(selector);

  beforeEach(async () => {
    fixture = TestBed.createComponent(StageComponent);
    fixture.componentRef.setInput('name', 'Fixed bases');
    fixture.componentRef.setInput('content', sceneOf(fixed, 'U1'));
    fixture.componentRef.setInput('live', new Set(['span', 'eaves']));
    host().style.cssText = 'display:block;width:800px;height:600px';
    document.body.append(host());
    cameras = [];
    changes = [];
    fixture.componentInstance.cameraChange.subscribe((camera) => cameras.push(camera));
    fixture.componentInstance.dimensionChange.subscribe((change) => changes.push(change));
    await settled();
  });
  afterEach(() => {
    fixture.destroy();
    host().remove();
  });

  /** The size arrives with the next frame. */
  async function settled(): Promise<void> {
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 20)));
    await fixture.whenStable();
  }
  const press = async (key: string, more: KeyboardEventInit = {}) => {
    host().dispatchEvent(new KeyboardEvent('keydown', { key, ...more }));
    await settled();
  };

  it('draws the frame with its dimensions, the live ones as buttons', () => {
    expect(find('canvas')!.getBoundingClientRect().width).toBe(800);
    const names = [...host().querySelectorAll('app-dimension-label')].map((label) =>
      label.textContent.trim(),
    );
    expect(names).toEqual(['22\u00a0m', '6.4\u00a0m', '9°']);
    expect(host().querySelectorAll('app-dimension-label button').length).toBe(2);
    expect(find('.label.plum')!.textContent).toContain('kN·m');
  });

  it('reads along members with the keyboard', async () => {
    await press('ArrowRight');
    expect(find('.readout')!.textContent).toContain('shed.column.left');
    expect(find('.readout')!.textContent).toContain('HEB 300');
    await press('PageUp');
    expect(find('.readout')!.textContent).toContain('shed.rafter.right');
    await press('Escape');
    expect(find('.readout')).toBeNull();
  });

  it('zooms, pans and fits with the keyboard', async () => {
    await press('+');
    await press('ArrowLeft', { shiftKey: true });
    expect(cameras.length).toBe(2);
    expect(cameras[1]!.scale).toBe(cameras[0]!.scale);
    expect(cameras[1]!.x).toBeLessThan(cameras[0]!.x);
    const label = () => find('app-dimension-label')!.style.transform;
    const moved = label();
    await press('0');
    expect(label()).not.toBe(moved);
  });

  it('leaves keys with Ctrl and in fields alone', async () => {
    await press('+', { ctrlKey: true });
    expect(cameras).toEqual([]);
  });

  it('steps a live dimension with the arrow keys, rounded to 0.1 m', () => {
    const button = host().querySelector<HTMLButtonElement>('app-dimension-label button')!;
    button.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    expect(changes).toEqual([{ parameter: 'span', expression: '22.1 m', gesture: true }]);
  });

  it('takes what is typed into a dimension', async () => {
    host().querySelector<HTMLButtonElement>('app-dimension-label button')!.click();
    await settled();
    const field = host().querySelector<HTMLInputElement>('app-dimension-label input')!;
    expect(field.value).toBe('22 m');
    field.value = '18.5 m';
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(changes).toEqual([{ parameter: 'span', expression: '18.5 m', gesture: false }]);
  });

  it('drags a dimension by as much as the pointer moves', () => {
    const button = host().querySelector<HTMLButtonElement>('app-dimension-label button')!;
    // Synthetic events carry no pointer to capture
    button.setPointerCapture = () => undefined;
    button.releasePointerCapture = () => undefined;
    const at = (type: string, x: number) =>
      button.dispatchEvent(new PointerEvent(type, { bubbles: true, clientX: x, clientY: 0, pointerId: 1 }));
    at('pointerdown', 100);
    at('pointermove', 101);
    expect(changes).toEqual([]);
    at('pointermove', 150);
    at('pointerup', 150);
    expect(changes.length).toBe(1);
    expect(Number.parseFloat(changes[0]!.expression)).toBeGreaterThan(22.5);
  });

  it('says why there is nothing to show', async () => {
    fixture.componentRef.setInput('problems', [
      { code: 'mechanism', message: 'The frame can move.', where: {} },
    ]);
    await settled();
    expect(find('[role=alert]')!.textContent).toContain('The frame can move.');
  });

  it('moves while asked to', async () => {
    const scene = sceneOf(fixed, 'U1');
    fixture.componentRef.setInput('content', { ...scene, layers: { ...scene.layers, deformed: true } });
    fixture.componentRef.setInput('moving', true);
    await settled();
    const mark = () => find('.label.ink')!.style.transform;
    const first = mark();
    for (let i = 0; i < 20 && mark() === first; i++) await settled();
    expect(mark()).not.toBe(first);
  });
});
