import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Type } from '@angular/core';
import type { Rule } from '@hashira/core';
import { openDesign, quickShed } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { RulesLeafComponent } from './rules-leaf.component';
import { SelectionBarComponent } from '../stage-tools/selection-bar.component';
import { chooseOf } from '../../testing/menus';
import { takeFrom } from '../../testing/lists';

let workspace: DesignWorkspace;
let fixture: ComponentFixture<unknown> | undefined;
const host = () => fixture!.nativeElement as HTMLElement;
const settled = async () => {
  await new Promise((done) => setTimeout(done));
  await fixture!.whenStable();
};
const rules = () => workspace.state()!.design.rules;
const ruleOf = (id: string): Rule => rules().find((one) => one.id === id)!;

async function show(component: Type<unknown>): Promise<void> {
  workspace = openDesign(quickShed());
  fixture = TestBed.createComponent(component);
  document.body.append(host());
  await fixture.whenStable();
}
afterEach(() => {
  (fixture?.nativeElement as HTMLElement | undefined)?.remove();
  fixture = undefined;
});

describe('a rule that is open', () => {
  const open = async (id: string) => {
    TestBed.inject(Selection).openRule.set(id);
    await settled();
  };
  const field = (path: string) =>
    [...host().querySelectorAll<HTMLInputElement>('input')].find(({ id }) => `-${id}`.endsWith(`-${path}`))!;
  const change = async (path: string, value: string) => {
    field(path).value = value;
    field(path).dispatchEvent(new Event('change'));
    await settled();
  };
  const take = async (path: string, words: string) => {
    const list = [...host().querySelectorAll('[role=combobox]')].find(({ id }) =>
      `-${id}`.endsWith(`-${path}`),
    )!;
    await takeFrom(list, words);
    await settled();
  };
  const press = async (words: string) => {
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!.click();
    await settled();
  };

  it('has fields for what it gives, and writes what is typed', async () => {
    await show(RulesLeafComponent);
    await open('snow');
    await change('load-q', '-2 kN/m');
    expect((ruleOf('snow').load as { q: string }).q).toBe('-2 kN/m');
    await take('load-direction', 'x');
    expect((ruleOf('snow').load as { direction: string }).direction).toBe('x');
  });

  it('keeps what must be there when it is emptied, and takes away what may be left out', async () => {
    await show(RulesLeafComponent);
    await open('snow');
    const before = (ruleOf('snow').load as { q: string }).q;
    await change('load-q', ' ');
    expect((ruleOf('snow').load as { q: string }).q).toBe(before);
    expect(field('load-q').value).toBe(before);
    await change('load-from', '0.2');
    await change('load-from', '');
    expect(Object.keys(ruleOf('snow').load!)).not.toContain('from');
  });

  it('becomes another kind of load in the same case', async () => {
    await show(RulesLeafComponent);
    await open('snow');
    await take('r-snow-load', 'temperature');
    expect(ruleOf('snow').load).toEqual({ case: 'S', kind: 'temperature', uniform: '20 K' });
  });

  it('is switched off, moved, removed, and brought back by undo', async () => {
    await show(RulesLeafComponent);
    await open('snow');
    const at = rules().findIndex(({ id }) => id === 'snow');
    await press('earlier');
    expect(rules().findIndex(({ id }) => id === 'snow')).toBe(at - 1);
    await press('switch off');
    expect(ruleOf('snow').off).toBeTrue();
    await press('remove');
    expect(rules().some(({ id }) => id === 'snow')).toBeFalse();
    workspace.undo();
    expect(ruleOf('snow').off).toBeTrue();
  });

  it('counts for nothing until it is said for what, then stands open', async () => {
    await show(RulesLeafComponent);
    const { length } = rules();
    await chooseOf(
      host().querySelector<HTMLElement>('[aria-label="Add a rule that gives"]')!,
      'buckling lengths',
    );
    await settled();
    const draft = () => host().querySelector<HTMLElement>('app-new-rule')!;
    const add = () =>
      [...draft().querySelectorAll('button')].find((one) => one.textContent.trim() === 'Add the rule')!;
    expect(add().disabled).toBeTrue();
    expect(draft().textContent).toContain('until then it counts for none');
    draft().querySelector<HTMLButtonElement>('.all')!.click();
    await settled();
    await settled();
    // Two columns and two rafters
    expect(draft().textContent).toContain('It would be given to 4 members.');
    expect(rules().length).toBe(length);
    add().click();
    await settled();
    const added = rules().at(-1)!;
    expect(added.members).toBe('true');
    expect(added.lengths).toBe('buckling-analysis');
    expect(TestBed.inject(Selection).openRule()).toBe(added.id);
    expect(draft()).toBeNull();
    expect(document.activeElement!.classList).toContain('head');
    expect(document.activeElement!.getAttribute('aria-expanded')).toBe('true');
  });

  it('is given up by Escape', async () => {
    await show(RulesLeafComponent);
    const { length } = rules();
    await chooseOf(host().querySelector<HTMLElement>('[aria-label="Add a rule that gives"]')!, 'support');
    await settled();
    const draft = host().querySelector('app-new-rule')!;
    draft.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    await settled();
    expect(host().querySelector('app-new-rule')).toBeNull();
    expect(rules().length).toBe(length);
  });
});

describe('the selection bar', () => {
  it('is not there while nothing is selected', async () => {
    await show(SelectionBarComponent);
    expect(host().textContent.trim()).toBe('');
  });

  it('gives what is selected a support by a rule of the shortest condition, once', async () => {
    await show(SelectionBarComponent);
    const selection = TestBed.inject(Selection);
    selection.pick('nodes', ['shed.base.1', 'shed.base.2']);
    await settled();
    expect(host().textContent).toContain('2 nodes');
    const give = async (words: string) => {
      await chooseOf(host().querySelector<HTMLElement>('[aria-label=Give]')!, words);
      await settled();
    };
    const count = rules().length;
    await give('mass');
    expect(rules().at(-1)).toEqual(
      jasmine.objectContaining({ nodes: 'place == "base"', mass: '100 kg', title: '2 nodes: mass 100 kg' }),
    );
    expect(selection.openRule()).toBe(rules().at(-1)!.id);
    await give('mass');
    expect(rules().length).toBe(count + 1);
    // Loads add up, so that each is a rule of its own
    await give('load on nodes');
    await give('load on nodes');
    expect(rules().length).toBe(count + 3);
  });
});
