import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ActionDirective } from './action.directive';

@Component({
  imports: [ActionDirective],
  template: `<button appAction class="add" (click)="pressed = pressed + 1">+ step</button>`,
})
class Host {
  pressed = 0;
}

describe('an action', () => {
  it('is a small text button of the library that submits nothing, and keeps its own class', async () => {
    const fixture = TestBed.createComponent(Host);
    await fixture.whenStable();
    const button = (fixture.nativeElement as HTMLElement).querySelector('button')!;
    for (const name of ['p-button', 'p-button-text', 'p-button-sm', 'press', 'add'])
      expect(button.classList).toContain(name);
    expect(button.type).toBe('button');
    button.click();
    expect(fixture.componentInstance.pressed).toBe(1);
  });
});
