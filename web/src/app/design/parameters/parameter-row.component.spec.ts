import { ComponentFixture, TestBed } from '@angular/core/testing';
import type { QuantityParameter } from '@hashira/core';
import { ParameterRowComponent } from './parameter-row.component';

describe('ParameterRowComponent', () => {
  const span: QuantityParameter = {
    name: 'span',
    title: 'Span',
    kind: 'quantity',
    quantity: 'length',
    value: '22 m',
  };
  let fixture: ComponentFixture<ParameterRowComponent>;
  let changes: { text: string; gesture: boolean }[];
  const field = () => (fixture.nativeElement as HTMLElement).querySelector('input')!;

  beforeEach(async () => {
    fixture = TestBed.createComponent(ParameterRowComponent);
    fixture.componentRef.setInput('parameter', span);
    fixture.componentRef.setInput('value', 22);
    fixture.componentRef.setInput('range', { min: 8, max: 40, step: 0.1 });
    changes = [];
    fixture.componentInstance.changed.subscribe((change) => changes.push(change));
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
  });

  function type(text: string, key = 'Enter'): void {
    field().focus();
    field().value = text;
    field().dispatchEvent(new KeyboardEvent('keydown', { key }));
  }

  it('shows the value with its unit, and the expression while it is typed', () => {
    expect(field().value).toBe('22\u00a0m');
    field().focus();
    expect(field().value).toBe('22 m');
  });

  it('gives a long value the room for its unit', async () => {
    const wanted = (text: string) => {
      const probe = document.createElement('canvas').getContext('2d')!;
      probe.font = getComputedStyle(field()).font;
      return probe.measureText(text).width;
    };
    fixture.componentRef.setInput('parameter', { ...span, quantity: 'areaLoad', value: '12.3456 kN/m^2' });
    for (const value of [22.25, 12345.6]) {
      fixture.componentRef.setInput('value', value);
      await fixture.whenStable();
      // Between the paddings
      expect(field().clientWidth - 8).toBeGreaterThanOrEqual(wanted(field().value));
    }
    expect(field().value).toBe('12.346\u00a0kN/m²');
  });

  it('takes a formula as it is and a bare number in the unit shown', () => {
    type('spacing * 4');
    type('24');
    type('24,5');
    expect(changes.map((c) => c.text)).toEqual(['spacing * 4', '24 m', '24.5 m']);
  });

  it('gives up with Escape and sends nothing when nothing changed', () => {
    type('99 m', 'Escape');
    type('22 m');
    expect(changes).toEqual([]);
  });

  it('steps with the arrow keys inside the range', () => {
    field().focus();
    field().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    expect(changes).toEqual([{ text: '22.1 m', gesture: true }]);
  });

  it('counts every press, also those that come before the first is calculated', () => {
    field().focus();
    for (let i = 0; i < 3; i++) field().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    expect(changes.map(({ text }) => text)).toEqual(['22.1 m', '22.2 m', '22.3 m']);
    // What is typed over it is where the next press begins
    field().value = '22 m';
    field().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown' }));
    expect(changes.at(-1)!.text).toBe('21.9 m');
  });

  it('does not overwrite what is being typed when a result arrives', async () => {
    field().focus();
    field().value = '2';
    fixture.componentRef.setInput('value', 30);
    await fixture.whenStable();
    expect(field().value).toBe('2');
  });

  it('says what is wrong beside the number', async () => {
    fixture.componentRef.setInput('problem', 'needs a value in m');
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).querySelector('[role=alert]')!.textContent).toContain(
      'needs a value in m',
    );
    expect(field().getAttribute('aria-invalid')).toBe('true');
  });
});
