import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign, quickShed } from '../../testing/open-design';
import { offeredBy, takeFrom } from '../../testing/lists';
import { chooseOf, openMenu } from '../../testing/menus';
import { ConditionChipsComponent } from './condition-chips.component';

describe('ConditionChipsComponent', () => {
  let fixture: ComponentFixture<ConditionChipsComponent>;
  let told: string[];
  const host = () => fixture.nativeElement as HTMLElement;
  const chips = () => [...host().querySelectorAll('.chip')].map((chip) => chip.getAttribute('aria-label'));
  /** The button that asks for more. */
  const asking = () =>
    [...host().querySelectorAll('button')].find((one) =>
      /^(and|only those whose) …$/.test(one.textContent.trim()),
    )!;
  const lists = () => [...host().querySelectorAll('[role=combobox]')];
  const labelled = (label: string, k = 0) =>
    [...host().querySelectorAll<HTMLInputElement>('[role=combobox], input, button')].filter(
      (one) => one.getAttribute('aria-label') === label,
    )[k]!;

  async function show(condition: string, of: 'members' | 'nodes' = 'members'): Promise<void> {
    openDesign(quickShed());
    fixture = TestBed.createComponent(ConditionChipsComponent);
    fixture.componentRef.setInput('condition', condition);
    fixture.componentRef.setInput('of', of);
    told = [];
    // What is told comes back as the rule's condition
    fixture.componentInstance.changed.subscribe((text) => {
      told.push(text);
      fixture.componentRef.setInput('condition', text);
    });
    document.body.append(host());
    await settled();
  }
  const settled = async () => {
    await fixture.whenStable();
    await new Promise((done) => setTimeout(done));
    await fixture.whenStable();
  };
  async function choose(field: HTMLInputElement, value: string): Promise<void> {
    field.value = value;
    field.dispatchEvent(new Event('change'));
    await settled();
  }
  async function take(list: string, words: string): Promise<void> {
    await takeFrom(labelled(list), words);
    await settled();
  }

  it('says a condition chip by chip, with the values that the frame has', async () => {
    await show('role == "rafter" and z >= eaves + 0.5 m');
    expect(chips()).toEqual(['role == "rafter"', 'z >= eaves + 0.5 m']);
    expect(await offeredBy(labelled('Value of role'))).toEqual(['rafter', 'column']);
    expect(await offeredBy(labelled('How z compares'))).toEqual([
      'is',
      'is not',
      'from',
      'up to',
      'above',
      'below',
    ]);
    expect(labelled('Value of z').value).toBe('eaves + 0.5 m');
  });

  it('changes how and with what a tag compares', async () => {
    await show('role == "rafter" and z >= 3 m');
    await take('How role compares', 'is not');
    await choose(labelled('Value of z'), '4 m');
    await take('How z compares', 'below');
    expect(told).toEqual([
      'role != "rafter" and z >= 3 m',
      'role != "rafter" and z >= 4 m',
      'role != "rafter" and z < 4 m',
    ]);
  });

  it('takes another value of the same tag', async () => {
    await show('role == "rafter"');
    await chooseOf(labelled('or … another value of role'), 'column');
    expect(told).toEqual(['role == "rafter" or role == "column"']);
    expect(chips()).toEqual(['role == "rafter" or role == "column"']);
    expect(host().querySelector('[aria-label^=or]')).toBeNull();
  });

  it('asks for more, from what the frame has, and leaves chips out again', async () => {
    await show('true', 'nodes');
    expect(host().textContent).toContain('all nodes');
    const offered = await openMenu(asking());
    expect(offered.has('place')).toBeTrue();
    expect(offered.has('length')).toBeFalse();
    offered.get('place')!.click();
    await settled();
    // Nothing is asked before it is said what
    expect(told).toEqual([]);
    await chooseOf(labelled('choose … value of place'), 'base');
    expect(told.at(-1)).toBe('place == "base"');
    await chooseOf(asking(), 'z');
    await choose(labelled('Value of z'), '0 m');
    expect(told.at(-1)).toBe('place == "base" and z >= 0 m');
    host().querySelector<HTMLButtonElement>('.chip [aria-label^="Leave out"]')!.click();
    await settled();
    expect(told.at(-1)).toBe('z >= 0 m');
  });

  it('selects nothing while it is blank, until all are meant', async () => {
    await show('');
    fixture.componentRef.setInput('blank', true);
    await settled();
    expect(host().textContent).toContain('none yet');
    host().querySelector<HTMLButtonElement>('.all')!.click();
    await settled();
    expect(told).toEqual(['true']);
    expect(host().textContent).toContain('all members');
  });

  it('leaves what no chip can say as it is typed', async () => {
    await show('(bay == 1 or side == "left") and role == "column"');
    expect(chips()).toEqual(['bay == 1 or side == "left"', 'role == "column"']);
    expect(lists().map((one) => one.getAttribute('aria-label'))).not.toContain('Value of bay');
    await take('Value of role', 'rafter');
    expect(told).toEqual(['(bay == 1 or side == "left") and role == "rafter"']);
  });

  it('calls steps by their titles', async () => {
    await show('step == "shed"');
    const list = labelled('Value of step');
    const title = quickShed().steps.find(({ id }) => id === 'shed')!.title!;
    expect(list.textContent.trim()).toBe(title);
    expect(await offeredBy(list)).toContain(title);
  });

  it('passes over values that are emptied', async () => {
    await show('z >= 3 m');
    await choose(labelled('Value of z'), ' ');
    expect(told).toEqual([]);
  });
});
