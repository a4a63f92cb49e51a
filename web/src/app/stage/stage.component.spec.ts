import { ComponentFixture, TestBed } from '@angular/core/testing';
import type { View } from '@hashira/core';
import { known, sheetOf } from '../testing/slip-shed';
import type { DimensionChange } from './labels/dimension-label.component';
import { SheetRenderer } from './paint/sheet-renderer.service';
import { StageComponent } from './stage.component';
import type { PointedPlace, Pressed } from './types';
import type { StageContent } from './types';

describe('StageComponent', () => {
  const { scene } = known('fixed');
  const { layers, scales } = sheetOf(scene);
  const content: StageContent = { scene, layers, scales, dimensions: true };
  let fixture: ComponentFixture<StageComponent>;
  let views: View[];
  let changes: DimensionChange[];
  const host = () => fixture.nativeElement as HTMLElement;
  const find = (selector: string) => host().querySelector<HTMLElement>(selector);

  beforeEach(async () => {
    fixture = TestBed.createComponent(StageComponent);
    fixture.componentRef.setInput('name', 'Fixed bases');
    fixture.componentRef.setInput('content', content);
    host().style.cssText = 'display:block;width:800px;height:600px';
    document.body.append(host());
    views = [];
    changes = [];
    fixture.componentInstance.viewChange.subscribe((view) => views.push(view));
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
    expect(host().querySelectorAll('app-dimension-label button').length).toBe(3);
    expect(find('.label.plum')!.textContent).toContain('kN·m');
  });

  it('tells a press beside the frame from Escape, which picks nothing as well', async () => {
    const picks: Pressed[] = [];
    fixture.componentInstance.picked.subscribe((one) => picks.push(one));
    await press('Escape');
    host().setPointerCapture = () => undefined;
    const { left, top } = host().getBoundingClientRect();
    const at = { pointerId: 1, button: 0, clientX: left + 3, clientY: top + 3, bubbles: true };
    host().dispatchEvent(new PointerEvent('pointerdown', at));
    host().dispatchEvent(new PointerEvent('pointerup', at));
    expect(picks).toEqual([
      { of: 'members', ids: [], add: false },
      { of: 'members', ids: [], add: false, beside: true },
    ]);
  });

  it('leaves the keys of what lies on it alone', async () => {
    const picks: unknown[] = [];
    fixture.componentInstance.picked.subscribe((one) => picks.push(one));
    const label = host().querySelector<HTMLButtonElement>('app-dimension-label button')!;
    const enter = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true });
    label.dispatchEvent(enter);
    expect([enter.defaultPrevented, picks.length]).toEqual([false, 0]);
    await press('Enter');
    expect(picks.length).toBe(1);
  });

  it('points along members with the keyboard', async () => {
    const places: (PointedPlace | undefined)[] = [];
    fixture.componentInstance.pointedAt.subscribe((place) => places.push(place));
    await press('ArrowRight');
    await press('PageUp');
    await press('Escape');
    expect(places).toEqual([
      { member: 'shed.column.1', fraction: 0.05 },
      { member: 'shed.rafter.1.right', fraction: 0 },
      undefined,
    ]);
  });

  it('shows what is read at the place that is pointed at', async () => {
    await press('ArrowRight');
    const readout = { title: 'left column', about: 'HEB 300', rows: [['My', '12.3 kN·m'] as const] };
    fixture.componentRef.setInput('readout', readout);
    await settled();
    expect(find('.readout')!.textContent).toContain('12.3 kN·m');
    await press('Escape');
    expect(find('.readout')).toBeNull();
  });

  it('zooms, pans and fits with the keyboard', async () => {
    await press('+');
    await press('ArrowLeft', { shiftKey: true });
    expect(views.length).toBe(2);
    expect(views[1]!.scale).toBe(views[0]!.scale);
    expect(views[1]!.centre[0]).not.toBe(views[0]!.centre[0]);
    const label = () => find('app-dimension-label')!.style.transform;
    const moved = label();
    await press('0');
    expect(label()).not.toBe(moved);
  });

  it('leaves keys with Ctrl and in fields alone', async () => {
    await press('+', { ctrlKey: true });
    expect(views).toEqual([]);
  });

  it('steps a live dimension with the arrow keys, rounded to 0.1 m', () => {
    const button = host().querySelector<HTMLButtonElement>('app-dimension-label button')!;
    button.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    expect(changes).toEqual([jasmine.objectContaining({ expression: '22.1 m', gesture: true })]);
    expect(changes[0]!.dimension.written).toBe('span');
  });

  it('takes what is typed into a dimension', async () => {
    host().querySelector<HTMLButtonElement>('app-dimension-label button')!.click();
    await settled();
    const field = host().querySelector<HTMLInputElement>('app-dimension-label input')!;
    expect(field.value).toBe('22 m');
    field.value = '18.5 m';
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(changes).toEqual([jasmine.objectContaining({ expression: '18.5 m', gesture: false })]);
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

  it('leaves the wheel and the keys to what it tells, where that is long', async () => {
    fixture.componentRef.setInput('problems', [
      { code: 'mechanism', message: 'The frame can move. '.repeat(400), where: {} },
    ]);
    await settled();
    const told = find('.told')!;
    const stage = fixture.nativeElement as HTMLElement;
    expect(told.getBoundingClientRect().bottom).toBeLessThan(stage.getBoundingClientRect().bottom - 40);
    expect(told.scrollHeight).toBeGreaterThan(told.clientHeight);
    const wheel = () => new WheelEvent('wheel', { deltaY: 100, bubbles: true, cancelable: true });
    const key = () => new KeyboardEvent('keydown', { key: '+', bubbles: true, cancelable: true });
    expect(told.dispatchEvent(wheel())).toBeTrue();
    expect(told.dispatchEvent(key())).toBeTrue();
    expect(views.length).toBe(0);
    // On the sheet itself both are the stage's
    expect(find('canvas')!.dispatchEvent(wheel())).toBeFalse();
    expect(find('canvas')!.dispatchEvent(key())).toBeFalse();
    expect(views.length).toBe(2);
  });

  it('stands where it is held, and gives the swing as a film', async () => {
    const painted = spyOn(TestBed.inject(SheetRenderer), 'paint').and.callThrough();
    const phase = () => painted.calls.mostRecent().args[0].phase;
    fixture.componentRef.setInput('content', { ...content, layers: [...layers, 'deformed'] });
    fixture.componentRef.setInput('moving', true);
    for (const [held, expected] of [
      [0.25, 1],
      [0.75, -1],
      [1 / 12, 0.5],
    ] as const) {
      fixture.componentRef.setInput('held', held);
      await settled();
      expect(phase()).toBeCloseTo(expected, 9);
    }
    fixture.componentRef.setInput('moving', false);
    await settled();
    // At rest it stands where a swing is greatest
    expect(phase()).toBe(1);
    expect(fixture.componentInstance.film()).toContain('<animate attributeName="d" dur="1.8s"');
  });

  it('moves while asked to', async () => {
    const canvas = () => find('canvas') as HTMLCanvasElement;
    fixture.componentRef.setInput('content', { ...content, layers: [...layers, 'deformed'] });
    fixture.componentRef.setInput('moving', true);
    await settled();
    const first = canvas().toDataURL();
    for (let i = 0; i < 20 && canvas().toDataURL() === first; i++) await settled();
    expect(canvas().toDataURL()).not.toBe(first);
  });
});
