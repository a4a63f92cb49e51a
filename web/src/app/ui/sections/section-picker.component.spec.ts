import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { pressKey } from '../../testing/keys';
import { SectionPickerComponent } from './section-picker.component';

describe('SectionPickerComponent', () => {
  let fixture: ComponentFixture<SectionPickerComponent>;
  const chosen: string[] = [];
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 30));
    await fixture.whenStable();
  };
  const search = () => document.querySelector<HTMLInputElement>('[role=searchbox]')!;
  const options = () => [...document.querySelectorAll<HTMLElement>('[role=option]')];
  const type = async (text: string) => {
    search().value = text;
    search().dispatchEvent(new Event('input'));
    await settled();
  };
  const key = async (name: string) => {
    pressKey(search(), name);
    await settled();
  };

  beforeEach(async () => {
    chosen.length = 0;
    fixture = TestBed.createComponent(SectionPickerComponent);
    fixture.componentRef.setInput('label', 'Columns');
    fixture.componentRef.setInput('value', 'HEB 300');
    fixture.componentInstance.changed.subscribe((name) => chosen.push(name));
    const host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    await fixture.whenStable();
    host.querySelector('button')!.click();
    await settled();
  });
  afterEach(() => {
    (fixture.nativeElement as HTMLElement).remove();
    fixture.destroy();
  });

  it('opens at the section that is chosen, among those of its series', () => {
    const names = options().map((one) => one.querySelector('strong')!.textContent);
    expect(names.every((name) => name.startsWith('HEB'))).toBeTrue();
    expect(document.querySelector('.row.active strong')!.textContent).toBe('HEB 300');
  });

  it('finds by a part of a name, in any spelling, and takes a row that is pressed', async () => {
    await type('ipe30');
    expect(options()[0]!.querySelector('strong')?.textContent).toBe('IPE 300');
    options()[0]!.click();
    await settled();
    expect(chosen).toEqual(['IPE 300']);
  });

  it('shows sizes, mass and moduli of each: HEA 300 has 290 × 300 mm, 88.3 kg/m, Wpl,y 1383 cm³', async () => {
    await type('HEA 300');
    const words = options()[0]!.textContent.replace(/\s+/g, ' ');
    expect(words).toContain('290 × 300');
    expect(words).toContain('88.3');
    expect(words).toContain('1383');
  });

  it('answers questions, and says which it does not understand', async () => {
    await type('lightest HEA with Wpl,y above 1200 cm3');
    expect(options()[0]!.querySelector('strong')?.textContent).toBe('HEA 300');
    await type('reddest of all');
    expect(document.querySelector('.picker [role=alert]')!.textContent).toContain('reddest');
    expect(options().length).toBe(0);
  });

  it('goes through the rows by the arrow keys and takes one by Enter', async () => {
    await type('HEB 2');
    await key('ArrowDown');
    await key('ArrowDown');
    await key('ArrowUp');
    expect(document.querySelector('.row.active')!.querySelector('strong')?.textContent).toBe('HEB 220');
    await key('Enter');
    expect(chosen).toEqual(['HEB 220']);
  });

  it('is not led by rows that come to lie under a pointer at rest, only by one that moves', async () => {
    await type('HEB 2');
    const [, second] = options();
    const active = () => document.querySelector('.row.active')!.querySelector('strong')?.textContent;
    second!.dispatchEvent(new PointerEvent('pointermove', { bubbles: true }));
    await settled();
    expect(active()).toBe('HEB 200');
    second!.dispatchEvent(new PointerEvent('pointermove', { bubbles: true, movementX: 3 }));
    await settled();
    expect(active()).toBe('HEB 220');
  });

  it('draws what is pointed at over what is chosen, and keeps to a series', async () => {
    await type('HEB 200');
    expect(document.querySelectorAll('figure path').length).toBe(2);
    await type('');
    [...document.querySelectorAll<HTMLElement>('.series button')]
      .find((one) => one.textContent.trim() === 'IPE')!
      .click();
    await settled();
    expect(options().every((one) => one.querySelector('strong')?.textContent!.startsWith('IPE '))).toBeTrue();
  });
});
