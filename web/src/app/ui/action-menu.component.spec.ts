import { TestBed } from '@angular/core/testing';
import { providePrimeNG } from 'primeng/config';
import { ActionMenuComponent } from './action-menu.component';
import { librarySettings } from './library/library-settings';
import { openMenu } from '../testing/menus';

describe('a menu of actions', () => {
  async function menuOf(chosen: string[]): Promise<HTMLElement> {
    TestBed.configureTestingModule({ providers: [providePrimeNG(librarySettings)] });
    const fixture = TestBed.createComponent(ActionMenuComponent);
    fixture.componentRef.setInput('text', '+ load');
    fixture.componentRef.setInput('choices', [
      { key: 'point', label: 'at a place' },
      { key: 'line', label: 'along members' },
    ]);
    fixture.componentInstance.chosen.subscribe((key) => chosen.push(key));
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).querySelector('button')!;
  }

  const shown = () =>
    [...document.querySelectorAll('[role=menuitem]')].map(({ textContent }) => textContent.trim());
  const passing = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

  it('tells what was chosen, and nothing before', async () => {
    const chosen: string[] = [];
    const button = await menuOf(chosen);
    const entries = await openMenu(button);
    expect([...entries.keys()]).toEqual(['at a place', 'along members']);
    expect(chosen).toEqual([]);
    entries.get('along members')!.click();
    expect(chosen).toEqual(['line']);
  });

  it('opens again when it is pressed right after a choice, and stays open', async () => {
    const button = await menuOf([]);
    (await openMenu(button)).get('at a place')!.click();
    await passing(20);
    expect(shown()).toEqual([]);
    await openMenu(button);
    await passing(300);
    expect(shown()).toEqual(['at a place', 'along members']);
    button.click();
    await passing(20);
    expect(shown()).toEqual([]);
  });
});
