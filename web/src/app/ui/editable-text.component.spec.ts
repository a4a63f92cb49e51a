import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { EditableTextComponent } from './editable-text.component';

describe('EditableTextComponent', () => {
  let fixture: ComponentFixture<EditableTextComponent>;
  let changed: string[];
  const host = () => fixture.nativeElement as HTMLElement;
  const field = () => host().querySelector('input')!;

  async function show(text: string, placeholder = ''): Promise<void> {
    fixture = TestBed.createComponent(EditableTextComponent);
    fixture.componentRef.setInput('text', text);
    fixture.componentRef.setInput('label', 'Title');
    fixture.componentRef.setInput('placeholder', placeholder);
    changed = [];
    fixture.componentInstance.changed.subscribe((one) => changed.push(one));
    document.body.append(host());
    await fixture.whenStable();
  }
  async function type(text: string, key: 'Enter' | 'Escape'): Promise<void> {
    host().querySelector('button')!.click();
    await new Promise((done) => setTimeout(done));
    await fixture.whenStable();
    field().value = text;
    field().dispatchEvent(new KeyboardEvent('keydown', { key }));
    await fixture.whenStable();
  }

  it('is pressed and typed over; Enter keeps, once, without spaces around', async () => {
    await show('Snow');
    await type(' Drifted snow ', 'Enter');
    expect(changed).toEqual(['Drifted snow']);
    expect(host().querySelector('input')).toBeNull();
  });

  it('is as it was after Escape, and where nothing changed', async () => {
    await show('Snow');
    await type('Wind', 'Escape');
    await type('Snow', 'Enter');
    expect(changed).toEqual([]);
  });

  it('is not taken away, except where something stands in its place', async () => {
    await show('Snow');
    await type('', 'Enter');
    expect(changed).toEqual([]);
    host().remove();
    await show('Snow', 'no title');
    await type('', 'Enter');
    expect(changed).toEqual(['']);
  });

  it('gives the typing hand its field', async () => {
    await show('Snow');
    host().querySelector('button')!.click();
    await new Promise((done) => setTimeout(done));
    await fixture.whenStable();
    expect(document.activeElement).toBe(field());
    expect(field().getAttribute('aria-label')).toBe('Title');
  });
});
