import { TestBed } from '@angular/core/testing';
import { pressKey } from '../testing/keys';
import { TypingComponent, type Typed } from './typing.component';

describe('TypingComponent', () => {
  async function typing(): Promise<{ field: HTMLInputElement; ended: Typed[] }> {
    const fixture = TestBed.createComponent(TypingComponent);
    fixture.componentRef.setInput('label', 'Title');
    fixture.componentRef.setInput('text', 'Fixed bases');
    const ended: Typed[] = [];
    fixture.componentInstance.finished.subscribe((one) => ended.push(one));
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
    return { field: (fixture.nativeElement as HTMLElement).querySelector('input')!, ended };
  }

  it('begins with the whole text selected', async () => {
    const { field } = await typing();
    expect(document.activeElement).toBe(field);
    expect(field.value.slice(field.selectionStart!, field.selectionEnd!)).toBe('Fixed bases');
    expect(field.getAttribute('aria-label')).toBe('Title');
  });

  it('Enter keeps what is typed, once, without spaces around it', async () => {
    const { field, ended } = await typing();
    field.value = '  Pinned bases ';
    pressKey(field, 'Enter');
    field.blur();
    expect(ended).toEqual([{ text: 'Pinned bases', byKey: true }]);
  });

  it('Escape gives up, leaving the field keeps', async () => {
    const first = await typing();
    first.field.value = 'x';
    pressKey(first.field, 'Escape');
    expect(first.ended).toEqual([{ text: undefined, byKey: true }]);
    const second = await typing();
    second.field.value = 'y';
    second.field.blur();
    expect(second.ended).toEqual([{ text: 'y', byKey: false }]);
  });
});
