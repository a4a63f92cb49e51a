import { duplicateStep } from '@hashira/core';
import { quickShed } from '../testing/open-design';
import { Shown } from '../testing/shown';
import { EditableTextComponent } from '../ui/editable-text.component';
import { AlternativesStripComponent } from './alternatives/alternatives-strip.component';
import { ChoicesLeafComponent } from './choices/choices-leaf.component';
import { RecipeLeafComponent } from './recipe/recipe-leaf.component';
import { RulesLeafComponent } from './rules/rules-leaf.component';

const wait = (ms = 20) => new Promise((done) => setTimeout(done, ms));
const focused = () => document.activeElement as HTMLElement;
/** What has the focus, in words. */
const words = () =>
  (focused().getAttribute('aria-label') ?? focused().textContent).replace(/\s+/g, ' ').trim();

/** Presses a button by its words or its label. */
async function press(shown: Shown, name: string): Promise<void> {
  await shown.press(name);
  await wait();
}

describe('the focus stays where something was done', () => {
  it('to a step: moved, duplicated, removed', async () => {
    const shown = await Shown.of(RecipeLeafComponent, duplicateStep(quickShed(), 'shed').design);
    const moves = () => [...shown.host.querySelectorAll<HTMLButtonElement>('[aria-label^="Move"]')];
    moves()
      .find((one) => !one.disabled)!
      .click();
    await wait();
    expect(words()).toMatch(/^Move .* up$/);
    expect(focused().closest('[data-step]')!.getAttribute('data-step')).toBe('shed');
    shown.host.querySelector<HTMLElement>('.title')!.click();
    await shown.settled();
    await press(shown, 'duplicate');
    expect(focused().classList).toContain('title');
    await press(shown, 'remove');
    expect(focused().classList).toContain('title');
    expect(shown.host.contains(focused())).toBeTrue();
  });

  it('to a rule: moved, removed', async () => {
    const shown = await Shown.of(RulesLeafComponent);
    shown.host.querySelector<HTMLElement>('.head')!.click();
    await shown.settled();
    await press(shown, 'later');
    expect(words()).toBe('later');
    await press(shown, 'remove');
    expect(focused().classList).toContain('head');
  });

  it('to an alternative: added, removed', async () => {
    const shown = await Shown.of(AlternativesStripComponent);
    await press(shown, '+ alternative');
    expect(words()).toBe('New alternative');
    // It begins as what was shown
    const [first, added] = shown.design.alternatives;
    expect(added!.picks).toEqual(first!.picks);
    await press(shown, 'Actions for New alternative');
    const remove = [...document.querySelectorAll<HTMLElement>('[role=menuitem]')].find((one) =>
      one.textContent.includes('Remove'),
    )!;
    (remove.querySelector<HTMLElement>('.p-menu-item-content') ?? remove).click();
    await wait(60);
    expect(focused().getAttribute('aria-checked')).toBe('true');
    expect(shown.design.alternatives.length).toBe(4);
  });

  it('to a choice and its options: added, removed', async () => {
    const shown = await Shown.of(ChoicesLeafComponent);
    await press(shown, '+ choice');
    expect(words()).toBe('New choice');
    await press(shown, '+ option');
    expect(focused().classList).toContain('option');
    await press(shown, 'remove this option');
    expect(focused().classList).toContain('option');
    await press(shown, 'Remove the choice New choice');
    expect(words()).toBe('+ choice');
  });

  it('where a name was typed, after Enter and after Escape', async () => {
    const shown = await Shown.of(ChoicesLeafComponent);
    const name = shown.child(EditableTextComponent);
    for (const key of ['Enter', 'Escape']) {
      name.start();
      await wait();
      const field = focused() as HTMLInputElement;
      expect(field.tagName).toBe('INPUT');
      field.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await wait();
      expect(focused().tagName).toBe('BUTTON');
      expect(focused().closest('app-editable-text')).not.toBeNull();
    }
  });
});
