import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { metric } from '@hashira/core';
import { ReadersUnits } from '../../ui/units.service';
import { known, sheetOf } from '../../testing/slip-shed';
import { DimensionLabelComponent, type DimensionChange } from './dimension-label.component';
import { placeDimensions } from '../view/dimension-lines';

describe('DimensionLabelComponent', () => {
  const { scene } = known('fixed');
  const { view, size } = sheetOf(scene);
  const placed = (field: string) =>
    placeDimensions(scene, { view, size, units: metric }).find(({ dimension }) => dimension.field === field)!;
  let fixture: ComponentFixture<DimensionLabelComponent>;
  let changes: Pick<DimensionChange, 'expression' | 'gesture'>[];
  let ends: number;
  const host = () => fixture.nativeElement as HTMLElement;
  const button = () => host().querySelector('button')!;
  const settled = async () => {
    await new Promise((done) => setTimeout(done));
    await fixture.whenStable();
  };

  async function show(field: string, live = true): Promise<void> {
    fixture = TestBed.createComponent(DimensionLabelComponent);
    fixture.componentRef.setInput('placed', placed(field));
    fixture.componentRef.setInput('live', live);
    changes = [];
    ends = 0;
    fixture.componentInstance.changed.subscribe(({ expression, gesture }) =>
      changes.push({ expression, gesture }),
    );
    fixture.componentInstance.gestureEnd.subscribe(() => ends++);
    document.body.append(host());
    await settled();
  }
  afterEach(() => {
    host().remove();
    TestBed.inject(ReadersUnits).choose('metric');
  });

  const type = async (text: string) => {
    button().click();
    await settled();
    const field = host().querySelector('input')!;
    field.value = text;
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await settled();
  };

  it('says its value, and that it can be typed over', async () => {
    await show('eaves');
    expect(button().textContent.trim()).toBe('6.4\u00a0m');
    expect(button().getAttribute('aria-label')).toBe('Eaves height 6.4\u00a0m, press to type');
    await show('eaves', false);
    expect(host().querySelector('button')).toBeNull();
    expect(host().textContent.trim()).toBe('6.4\u00a0m');
  });

  it('takes a formula as it is, and a bare number in the unit that is shown', async () => {
    await show('eaves');
    await type('span / 3');
    await type('7,5');
    TestBed.inject(ReadersUnits).choose('us');
    await type('24');
    expect(changes.map(({ expression }) => expression)).toEqual(['span / 3', '7.5 m', '24 ft']);
    expect(changes.every(({ gesture }) => !gesture)).toBeTrue();
  });

  it('of an angle takes degrees', async () => {
    await show('pitch');
    await type('12');
    expect(changes[0]!.expression).toBe('12 deg');
  });

  it('changes nothing where nothing was typed, or Escape was pressed', async () => {
    await show('eaves');
    await type('');
    button().click();
    await settled();
    host()
      .querySelector('input')!
      .dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await settled();
    expect(changes).toEqual([]);
    expect(document.activeElement).toBe(button());
  });

  it('steps by 0.1 m with the arrows; separate presses are separate changes', async () => {
    await show('eaves');
    const press = (key: string, repeat = false) =>
      button().dispatchEvent(new KeyboardEvent('keydown', { key, repeat, bubbles: true }));
    press('ArrowUp');
    press('ArrowDown');
    expect(changes.map(({ expression }) => expression)).toEqual(['6.5 m', '6.3 m']);
    expect(ends).toBe(2);
    press('ArrowUp', true);
    expect(ends).toBe(2);
    press('a');
    expect(changes.length).toBe(3);
  });
});
