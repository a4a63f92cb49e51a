import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { duplicateAlternative, pickedOption, setParameter } from '@hashira/core';
import { openDesign, quickShed } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { ChoicesLeafComponent } from './choices-leaf.component';

describe('ChoicesLeafComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<ChoicesLeafComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const design = () => workspace.state()!.design;
  const button = (words: string) =>
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!;
  const radio = (label: string) => host().querySelector<HTMLInputElement>(`[aria-label="${label}"]`)!;
  const press = async (words: string) => {
    button(words).click();
    await fixture.whenStable();
  };
  const choice = () => design().choices.find(({ id }) => id === 'apex-joint')!;

  beforeEach(async () => {
    workspace = openDesign(quickShed());
    fixture = TestBed.createComponent(ChoicesLeafComponent);
    await fixture.whenStable();
  });

  it('marks what each alternative picks, and picks by one press', async () => {
    expect(radio('Three hinges, Apex: hinged').checked).toBeTrue();
    expect(radio('Fixed bases, Apex: hinged').checked).toBeFalse();
    radio('Fixed bases, Apex: hinged').click();
    await fixture.whenStable();
    const alternative = design().alternatives.find(({ title }) => title === 'Fixed bases')!;
    expect(pickedOption(design().choices, alternative, 'apex-joint')).toBe('hinged');
    expect(radio('Fixed bases, Apex: hinged').checked).toBeTrue();
  });

  it('opens an option to what it changes, in words', async () => {
    await press('hinged');
    expect(host().querySelector('.detail')!.textContent).toContain(
      'adds Hinge at the apex: turns freely, for apexes',
    );
  });

  it('records changes into an option: the design stays, the alternatives that pick it change', async () => {
    await press('hinged');
    await press('record changes into this option');
    workspace.apply((one) => setParameter(one, 'span', '30 m'));
    const common = design().parameters.find(({ name }) => name === 'span')!.value;
    expect(common).toBe('22 m');
    expect(choice().options.find(({ id }) => id === 'hinged')!.changes.parameters).toEqual({ span: '30 m' });
    await press('end recording');
    // The shown alternative has the option's value, which is what changes of it change; others follow the design
    workspace.apply((one) => setParameter(one, 'span', '31 m'));
    expect(choice().options.find(({ id }) => id === 'hinged')!.changes.parameters).toEqual({ span: '31 m' });
    workspace.select('fixed');
    workspace.apply((one) => setParameter(one, 'span', '25 m'));
    expect(design().parameters.find(({ name }) => name === 'span')!.value).toBe('25 m');
  });

  it('shows an alternative that picks the option, or makes one, before it records', async () => {
    const shown = () => workspace.selectedAlternative(design());
    workspace.select('fixed');
    workspace.beginRecording('apex-joint', 'hinged');
    expect(pickedOption(design().choices, shown(), 'apex-joint')).toBe('hinged');
    const count = design().alternatives.length;
    await press('+ option');
    const other = choice().options.at(-1)!;
    const [first] = design().choices;
    workspace.beginRecording(first!.id, design().choices[0]!.options.at(-1)!.id);
    expect(design().alternatives.length).toBe(count + 1);
    expect(pickedOption(design().choices, shown(), first!.id)).toBe(first!.options.at(-1)!.id);
    expect(other).toBeDefined();
    // Another alternative that does not pick it is looked at: said, and one press leads back
    workspace.select('fixed');
    expect(workspace.recordingShown()).toBeFalse();
    workspace.showRecorded();
    expect(workspace.recordingShown()).toBeTrue();
  });

  it('loses nothing that was recorded when alternatives or steps are added, or the whole design is replaced', async () => {
    workspace.beginRecording('apex-joint', 'hinged');
    workspace.apply((one) => setParameter(one, 'span', '30 m'));
    const recorded = choice().options.find(({ id }) => id === 'hinged')!.changes;
    const { steps, rules } = design();
    workspace.apply((one) => duplicateAlternative(one, 'pinned', 'New one').design);
    workspace.apply((one) => duplicateAlternative(one, 'fixed').design);
    workspace.replace({ ...design(), title: 'As text' });
    expect(choice().options.find(({ id }) => id === 'hinged')!.changes).toEqual(recorded);
    expect([design().steps, design().rules]).toEqual([steps, rules]);
    expect(design().parameters.find(({ name }) => name === 'span')!.value).toBe('22 m');
    await fixture.whenStable();
  });

  it('adds and removes options and choices, each undone', async () => {
    const before = design();
    await press('+ choice');
    expect(design().choices.length).toBe(before.choices.length + 1);
    await press('+ option');
    expect(design().choices[0]!.options.length).toBe(before.choices[0]!.options.length + 1);
    await press('remove this option');
    expect(design().choices[0]!.options.length).toBe(before.choices[0]!.options.length);
    host().querySelector<HTMLElement>('[aria-label="Remove the choice New choice"]')!.click();
    expect(design().choices.length).toBe(before.choices.length);
    for (let i = 0; i < 4; i++) workspace.undo();
    expect(design()).toEqual(before);
  });

  it('makes all combinations', async () => {
    await press('make the 14 missing combinations');
    const product = design().choices.reduce((count, { options }) => count * options.length, 1);
    const picks = new Set(
      design().alternatives.map((one) =>
        design()
          .choices.map(({ id }) => pickedOption(design().choices, one, id))
          .join(' '),
      ),
    );
    expect(picks.size).toBe(product);
  });

  it('takes parameters from a table, and says what is wrong with one', async () => {
    const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
    const give = async (text: string) => {
      const files = new DataTransfer();
      files.items.add(new File([text], 'values.csv'));
      input.files = files.files;
      input.dispatchEvent(new Event('change'));
      await new Promise((done) => setTimeout(done, 30));
      await fixture.whenStable();
    };
    await give('alternative,span\nPinned bases,24 m\n');
    expect(design().alternatives.find(({ title }) => title === 'Pinned bases')!.parameters).toEqual({
      span: '24 m',
    });
    await give('alternative,spam\nPinned bases,24 m\n');
    expect(host().querySelector('[role=alert]')!.textContent).toContain(
      '"values.csv": The column "spam" is no parameter',
    );
  });
});
