import { Component, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { QuantityName } from '@hashira/core';
import { pressKey } from '../../testing/keys';
import { openDesign } from '../../testing/open-design';
import { ExpressionDirective } from './expression.directive';

@Component({
  imports: [ExpressionDirective],
  template: `<input
    aria-label="Value"
    [appExpression]="quantity()"
    [readsTags]="tags()"
    (keydown.enter)="entered.set(entered() + 1)"
    (keydown.arrowdown)="stepped.set(stepped() + 1)"
  />`,
})
class FieldComponent {
  readonly quantity = signal<QuantityName | ''>('length');
  readonly tags = signal(false);
  readonly entered = signal(0);
  readonly stepped = signal(0);
}

describe('ExpressionDirective', () => {
  let fixture: ComponentFixture<FieldComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const field = () => host().querySelector('input')!;
  const panel = () => document.querySelector('app-expression-panel');
  const told = () => panel()?.querySelector('.told')?.textContent.replace(/\s/g, ' ');
  const names = () => [...document.querySelectorAll('[role=option] strong')].map((one) => one.textContent);
  const type = async (text: string) => {
    field().focus();
    await new Promise((done) => setTimeout(done));
    field().value = text;
    field().setSelectionRange(text.length, text.length);
    field().dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const press = async (key: string) => {
    pressKey(field(), key);
    await fixture.whenStable();
  };

  beforeEach(async () => {
    openDesign();
    fixture = TestBed.createComponent(FieldComponent);
    document.body.append(host());
    await fixture.whenStable();
  });

  it('tells the value of what is typed, with its unit, and what is wrong', async () => {
    await type('span / 10');
    expect(told()).toBe('= 2.20000 m');
    await type('span /');
    expect(panel()!.querySelector('.told')!.classList).toContain('wrong');
    await type('3 kN');
    expect(told()).toBe('This needs a value in m.');
  });

  it('offers names; arrows choose, Enter takes, and the field hears neither', async () => {
    await type('2 * sp');
    expect(names()).toEqual(['span', 'spacing']);
    expect(field().getAttribute('aria-autocomplete')).toBe('list');
    await press('ArrowDown');
    await press('ArrowDown');
    expect(panel()!.querySelector('.active strong')!.textContent).toBe('spacing');
    expect(field().getAttribute('aria-activedescendant')).toBe(panel()!.querySelector('.active')!.id);
    await press('Enter');
    expect(field().value).toBe('2 * spacing');
    expect(told()).toBe('= 11.0000 m');
    expect([fixture.componentInstance.entered(), fixture.componentInstance.stepped()]).toEqual([0, 0]);
    // With nothing to choose they are the field's again
    await press('ArrowDown');
    await press('Enter');
    expect([fixture.componentInstance.entered(), fixture.componentInstance.stepped()]).toEqual([1, 1]);
  });

  it('stands under the field, or over it at the foot of the page', async () => {
    const box = (of: Element) => of.getBoundingClientRect();
    await type('2 * sp');
    expect(box(panel()!).top).toBeGreaterThanOrEqual(box(field()).bottom);
    field().dispatchEvent(new Event('blur'));
    Object.assign(host().style, { position: 'fixed', bottom: '0', left: '0' });
    await type('2 * sp');
    await new Promise((drawn) => requestAnimationFrame(drawn));
    expect(box(panel()!).height).toBeGreaterThan(40);
    expect(box(panel()!).bottom).toBeLessThanOrEqual(box(field()).top);
  });

  it('takes a name in the middle of a formula, a function with its bracket', async () => {
    await type('sq + 1');
    field().setSelectionRange(2, 2);
    field().dispatchEvent(new Event('input'));
    await fixture.whenStable();
    document.querySelector<HTMLElement>('[role=option]')!.click();
    await fixture.whenStable();
    expect(field().value).toBe('sqrt( + 1');
    expect(field().selectionStart).toBe(5);
  });

  it('Escape puts the names away, leaving the field ends it all', async () => {
    await type('sp');
    await press('Escape');
    expect(names()).toEqual([]);
    field().dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(panel()).toBeNull();
    expect(field().hasAttribute('aria-autocomplete')).toBeFalse();
  });

  it('knows tags only where they can be read', async () => {
    await type('sto');
    expect(names()).toEqual([]);
    fixture.componentInstance.tags.set(true);
    fixture.componentInstance.quantity.set('');
    await fixture.whenStable();
    await type('sto');
    expect(names()).toEqual(['storey']);
  });
});
