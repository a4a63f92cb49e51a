import { Component, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { providePrimeNG } from 'primeng/config';
import { ActionMenuComponent } from '../action-menu.component';
import { ChoiceComponent } from '../choice.component';
import { SectionPickerComponent } from '../sections/section-picker.component';
import { librarySettings } from './library-settings';

const scrolls = 'height: 80px; overflow: auto';

@Component({
  imports: [ActionMenuComponent],
  template: `
    <div class="scroller" style="${scrolls}">
      <div style="height: 400px"></div>
      <app-action-menu text="+ load" [choices]="[{ key: 'point', label: 'at a place' }]" />
      <div style="height: 400px"></div>
    </div>
  `,
})
class ScrolledMenuComponent {}

@Component({
  imports: [ChoiceComponent],
  template: `
    <div class="scroller" style="${scrolls}">
      <div style="height: 400px"></div>
      <app-choice label="Load" value="point" [options]="[{ value: 'point', label: 'at a place' }]" />
      <div style="height: 400px"></div>
    </div>
  `,
})
class ScrolledListComponent {}

@Component({
  imports: [SectionPickerComponent],
  template: `
    <div class="scroller" style="${scrolls}">
      <div style="height: 400px"></div>
      <app-section-picker label="Section" value="IPE 300" />
      <div style="height: 400px"></div>
    </div>
  `,
})
class ScrolledPickerComponent {}

const passing = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

for (const [what, host, opener, entry] of [
  ['a menu', ScrolledMenuComponent, 'button', '[role=menuitem]'],
  ['a list', ScrolledListComponent, '[role=combobox]', '[role=option]'],
  ['a section picker', ScrolledPickerComponent, 'button', '[role=dialog]'],
] as [string, Type<unknown>, string, string][]) {
  describe(`${what} whose opener lies in what scrolls`, () => {
    async function openedAtFocus(): Promise<HTMLElement> {
      TestBed.configureTestingModule({ providers: [providePrimeNG(librarySettings)] });
      const fixture = TestBed.createComponent(host);
      const element = fixture.nativeElement as HTMLElement;
      document.body.append(element);
      await fixture.whenStable();
      const button = element.querySelector<HTMLElement>(opener)!;
      button.focus();
      button.click();
      await passing(300);
      expect(document.querySelectorAll(entry).length).toBe(1);
      return element.querySelector<HTMLElement>('.scroller')!;
    }

    it('stays open when what scrolled before is told of late', async () => {
      const scroller = await openedAtFocus();
      // Focus has scrolled to the opener; a browser with much to do tells so only after the list has opened
      expect(scroller.scrollTop).toBeGreaterThan(0);
      scroller.dispatchEvent(new Event('scroll'));
      await passing(300);
      expect(document.querySelectorAll(entry).length).toBe(1);
    });

    it('stays open when rows come in above', async () => {
      const scroller = await openedAtFocus();
      const before = scroller.scrollTop;
      const row = document.createElement('p');
      row.style.cssText = 'height: 30px; margin: 0';
      scroller.prepend(row);
      await passing(300);
      // The browser keeps what is seen in its place by scrolling
      expect(scroller.scrollTop).toBe(before + 30);
      expect(document.querySelectorAll(entry).length).toBe(1);
    });

    it('follows its opener', async () => {
      const scroller = await openedAtFocus();
      const top = () => document.querySelector(entry)!.getBoundingClientRect().top;
      const before = top();
      scroller.scrollBy(0, 20);
      await passing(300);
      expect(top()).toBeCloseTo(before - 20, 0);
    });

    it('goes when its opener is out of sight', async () => {
      const scroller = await openedAtFocus();
      scroller.scrollBy(0, 200);
      await passing(300);
      expect(document.querySelectorAll(entry).length).toBe(0);
    });
  });
}
