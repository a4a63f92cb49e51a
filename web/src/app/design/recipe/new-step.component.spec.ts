import { TestBed } from '@angular/core/testing';
import { stepKinds } from '@hashira/core';
import { Shown } from '../../testing/shown';
import { undoable } from '../../testing/undoable';
import { StepPreview } from '../../state/preview.service';
import { ViewState } from '../../state/view-state.service';
import { NewStepComponent } from './new-step.component';
import { RecipeLeafComponent } from './recipe-leaf.component';

let shown: Shown;
const cards = () => [...shown.host.querySelectorAll<HTMLElement>('.card')];
const card = (title: string) => cards().find((one) => one.textContent.trim() === title)!;
const take = async (title: string) => {
  card(title).click();
  await shown.settled();
};

describe('NewStepComponent', () => {
  it('has a drawn card for each kind of step that a plane design can have', async () => {
    shown = await Shown.of(NewStepComponent);
    expect(cards().length).toBe(stepKinds.filter(({ solidOnly }) => !solidOnly).length);
    for (const one of cards())
      expect(decodeURIComponent(one.querySelector('img')!.src)).toMatch(/<line|<path|<polygon/);
  });

  it('shows a step on the stage before it is accepted, and leaves the design as it is', async () => {
    shown = await Shown.of(NewStepComponent);
    const before = JSON.stringify(shown.design);
    await take('Lines');
    const preview = TestBed.inject(StepPreview);
    // More than the portal's five nodes
    expect(preview.scene()!.points.length / 3).toBeGreaterThan(5);
    await shown.enter('Role', 'hanger');
    expect(preview.step()!['role']).toBe('hanger');
    expect(JSON.stringify(shown.design)).toBe(before);
    await shown.press('back to the cards');
    expect(preview.scene()).toBeUndefined();
  });

  it('says why a step would not do', async () => {
    shown = await Shown.of(NewStepComponent);
    await take('Remove');
    await shown.enter('Members', 'role == "hoop"');
    expect(shown.host.querySelector('[role=alert]')!.textContent).toContain('role == "hoop"');
  });

  it('adds it with a section for members that no rule knows, as one change', async () => {
    shown = await Shown.of(NewStepComponent);
    await take('Lines');
    await undoable(shown, () => shown.press('add to the recipe'));
    await take('Lines');
    await shown.press('add to the recipe');
    expect(shown.design.steps.at(-1)).toEqual(jasmine.objectContaining({ id: 'line', make: 'line' }));
    expect(shown.design.rules[0]).toEqual(
      jasmine.objectContaining({ members: 'step == "line"', section: 'IPE 200' }),
    );
    expect(shown.workspace.results().alternatives.get('fixed')!.summary.problems).toEqual([]);
  });
});

describe('a step that others need', () => {
  it('goes only after what would lose its hold was told', async () => {
    shown = await Shown.of(RecipeLeafComponent);
    shown.host.querySelector<HTMLElement>('.title')!.click();
    await shown.settled();
    const before = shown.design.steps.length;
    await shown.press('remove');
    expect(shown.host.querySelector('.losing')!.textContent).toContain('Without it:');
    expect(shown.design.steps.length).toBe(before);
    await shown.press('keep it');
    expect(shown.host.querySelector('.losing')).toBeNull();
    await shown.press('remove');
    await shown.press('remove it all the same');
    expect(shown.design.steps.length).toBe(before - 1);
  });

  it('stands in ink alone only as long as the recipe is looked at', async () => {
    shown = await Shown.of(RecipeLeafComponent);
    shown.host.querySelector<HTMLElement>('.title')!.click();
    const view = TestBed.inject(ViewState);
    expect(view.step()).toBe('shed');
    shown.close();
    expect(view.step()).toBeUndefined();
  });

  it('shows a small picture of what each step made', async () => {
    shown = await Shown.of(RecipeLeafComponent);
    const pictures = [...shown.host.querySelectorAll<HTMLImageElement>('.title img')];
    // The fixed bases have no haunches: that step is off
    expect(pictures.length).toBe(shown.design.steps.filter(({ off }) => !off).length);
    expect(pictures[0]!.getAttribute('src')).toContain('data:image/svg+xml');
  });
});
