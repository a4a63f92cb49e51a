import { ComponentFixture, TestBed } from '@angular/core/testing';
import { openDesign } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { ViewState } from '../../state/view-state.service';
import { RecipeLeafComponent } from './recipe-leaf.component';

describe('RecipeLeafComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<RecipeLeafComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const steps = () => workspace.state()!.design.steps;
  const press = async (words: string) => {
    const button = [...host().querySelectorAll<HTMLElement>('button')].find((one) =>
      one.textContent.trim().startsWith(words),
    )!;
    button.click();
    await fixture.whenStable();
  };

  beforeEach(async () => {
    workspace = openDesign();
    fixture = TestBed.createComponent(RecipeLeafComponent);
    document.body.append(host());
    await fixture.whenStable();
  });

  it('tells each step in a few words, with the values of the selected alternative', () => {
    expect(host().querySelector('.step')!.textContent).toContain('22\u00a0m × 6.4\u00a0m, duo-pitch 9°');
  });

  it('opens a step with a form made from its declaration, and shows its members in ink', async () => {
    await press('Portal');
    const labels = [...host().querySelectorAll('app-field > label')].map((label) => label.textContent);
    expect(labels.slice(0, 4)).toEqual(['Bays', 'Eaves', 'Roof', 'Pitch']);
    // Roofs are drawn
    expect(host().querySelectorAll('#f-shed-roof img').length).toBeGreaterThanOrEqual(3);
    // What belongs to another roof is not asked for
    expect(labels).not.toContain('Pieces of the curve');
    expect(TestBed.inject(ViewState).step()).toBe('shed');
    await press('Portal');
    expect(host().querySelector('app-field')).toBeNull();
    expect(TestBed.inject(ViewState).step()).toBeUndefined();
  });

  it('writes what is chosen and typed as it is, and says at the field what is wrong with it', async () => {
    await press('Portal');
    const roofs = [...host().querySelectorAll<HTMLElement>('#f-shed-roof label')];
    roofs
      .find((label) => label.textContent.trim() === 'mono')!
      .querySelector('input')!
      .click();
    await fixture.whenStable();
    expect(steps()[0]!['roof']).toBe('mono');
    const eaves = () => host().querySelector<HTMLInputElement>('#f-shed-eaves')!;
    eaves().value = 'spann / 3';
    eaves().dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(steps()[0]!['eaves']).toBe('spann / 3');
    expect(eaves().getAttribute('aria-invalid')).toBe('true');
    expect(host().querySelector('#f-shed-eaves-problem')!.textContent).toContain('"spann"');
  });

  it('adds a step that works as it begins', async () => {
    await press('+ step');
    await press('Divide');
    await press('add to the recipe');
    expect(steps().at(-1)).toEqual(jasmine.objectContaining({ id: 'divide', edit: 'divide', parts: 2 }));
    expect(workspace.results().alternatives.get('fixed')!.summary.problems).toEqual([]);
    expect(host().querySelector('#f-divide-parts')).not.toBeNull();
  });

  it('every kind of generator begins with a frame', async () => {
    for (const [words, kind] of [
      ['Portal', 'portal'],
      ['Arch', 'arch'],
      ['Braced bay', 'braced-bay'],
      ['Truss', 'truss'],
      ['Lines', 'line'],
    ] as const) {
      await press('+ step');
      const cards = [...host().querySelectorAll<HTMLElement>('.card')];
      cards.find((card) => card.textContent.trim() === words)!.click();
      await fixture.whenStable();
      await press('add to the recipe');
      const step = steps().at(-1)!;
      expect(step.make).toBe(kind);
      const { problems } = workspace.results().alternatives.get('fixed')!.summary;
      expect(problems.filter(({ where }) => where['step'] === step.id))
        .withContext(kind)
        .toEqual([]);
      workspace.undo();
    }
  });

  it('moves, duplicates, switches off and removes steps, each undone by one press', async () => {
    await press('+ step');
    await press('Divide');
    await press('add to the recipe');
    const ids = () => steps().map(({ id, off }) => (off ? `${id} off` : id));
    host().querySelector<HTMLElement>('[aria-label="Move Divide up"]')!.click();
    expect(ids()).toEqual(['divide', 'shed']);
    await fixture.whenStable();
    await press('switch off');
    expect(ids()).toEqual(['divide off', 'shed']);
    await press('duplicate');
    expect(ids().length).toBe(3);
    await press('remove');
    expect(ids()).toEqual(['divide off', 'shed']);
    for (let i = 0; i < 5; i++) workspace.undo();
    expect(ids()).toEqual(['shed']);
  });
});
