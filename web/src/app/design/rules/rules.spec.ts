import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Type } from '@angular/core';
import type { Rule } from '@hashira/core';
import { openDesign, quickShed } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { RulesLeafComponent } from './rules-leaf.component';
import { SelectionBarComponent } from '../stage-tools/selection-bar.component';

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
    [...host().querySelectorAll<HTMLInputElement>('input, select')].find(({ id }) =>
      `-${id}`.endsWith(`-${path}`),
    )!;
  const change = async (path: string, value: string) => {
    field(path).value = value;
    field(path).dispatchEvent(new Event('change'));
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
    await change('load-direction', 'x');
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
    await change('r-snow-load', 'temperature');
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

  it('is added for all, and stands open', async () => {
    await show(RulesLeafComponent);
    const select = host().querySelector<HTMLSelectElement>('.add select')!;
    const index = [...select.options].findIndex(({ text }) => text.trim() === 'buckling lengths') - 1;
    select.value = String(index);
    select.dispatchEvent(new Event('change'));
    await settled();
    const added = rules().at(-1)!;
    expect(added.members).toBe('true');
    expect(added.lengths).toBe('buckling-analysis');
    expect(TestBed.inject(Selection).openRule()).toBe(added.id);
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
      const select = host().querySelector<HTMLSelectElement>('select.give')!;
      select.value = String([...select.options].findIndex(({ text }) => text.trim() === words) - 1);
      select.dispatchEvent(new Event('change'));
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
