import { pressKey } from '../testing/keys';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Type } from '@angular/core';
import { quickShed, openDesign } from '../testing/open-design';
import { addRule, setRule } from '@hashira/core';
import type { DesignWorkspace } from '../state/design-workspace.service';
import { ViewState } from '../state/view-state.service';
import { ChoicesPanelComponent } from './choices/choices-panel.component';
import { LeavesComponent } from './leaves.component';
import { LoadsLeafComponent } from './loads/loads-leaf.component';
import { ParameterListComponent } from './parameters/parameter-list.component';
import { RulesLeafComponent } from './rules/rules-leaf.component';

let workspace: DesignWorkspace;
let fixture: ComponentFixture<unknown> | undefined;
const host = () => fixture!.nativeElement as HTMLElement;
const text = () => host().textContent.replace(/\s+/g, ' ');
const answered = () => new Promise((done) => setTimeout(done));

async function show(component: Type<unknown>, design = quickShed()): Promise<void> {
  workspace = openDesign(design);
  fixture = TestBed.createComponent(component);
  document.body.append(host());
  await fixture.whenStable();
}
afterEach(() => {
  // Holds for the specs of other files, too
  (fixture?.nativeElement as HTMLElement | undefined)?.remove();
  fixture = undefined;
});

describe('RulesLeafComponent', () => {
  const rule = (title: string) =>
    [...host().querySelectorAll<HTMLElement>('.rule')].find((row) => row.textContent.includes(title))!;

  it('tells rules in words under what they give, with how many they match', async () => {
    await show(RulesLeafComponent);
    expect([...host().querySelectorAll('h3')].map((h) => h.textContent)).toEqual([
      'Sections',
      'Supports',
      'Lengths and limits',
      'Loads',
    ]);
    expect(rule('Columns').querySelector('.number')!.textContent).toBe('2');
    expect(rule('Snow').textContent).toContain('in S');
  });

  it('lights up what a rule matches while it is pointed at', async () => {
    await show(RulesLeafComponent);
    const view = TestBed.inject(ViewState);
    rule('Columns').dispatchEvent(new PointerEvent('pointerenter'));
    await answered();
    expect(view.highlighted()).toEqual(['shed.column.1', 'shed.column.2']);
    rule('Columns').dispatchEvent(new PointerEvent('pointerleave'));
    expect(view.highlighted()).toEqual([]);
  });

  const headed = (title: string) =>
    [...host().querySelectorAll<HTMLElement>('.rule')].find((row) =>
      row.querySelector('.head')!.textContent.includes(title),
    );

  it('shows the rules as the shown alternative has them, and says by which option', async () => {
    await show(RulesLeafComponent);
    expect(rule('Bases').textContent).toContain('fixed');
    expect(rule('Bases').querySelector('.by')).toBeNull();
    workspace.select('pinned');
    await fixture!.whenStable();
    expect(rule('Bases').querySelector('.gives')!.textContent).toContain('pinned');
    expect(rule('Bases').querySelector('.by')!.textContent).toBe('as “pinned”');
    workspace.apply((design) => setRule(design, 'bases', { support: 'roller' }));
    await fixture!.whenStable();
    expect(rule('Bases').querySelector('.gives')!.textContent).toContain('roller');
    workspace.select('fixed');
    await fixture!.whenStable();
    expect(rule('Bases').querySelector('.gives')!.textContent).toContain('fixed');
  });

  it('adds a rule to the shown alternative alone where that was chosen', async () => {
    await show(RulesLeafComponent);
    workspace.select('pinned');
    workspace.scope.set('one');
    workspace.apply((design) =>
      addRule(design, { id: 'own', title: 'Left foot', nodes: 'place == "base"', support: 'roller' }),
    );
    await fixture!.whenStable();
    expect(headed('Left foot')!.querySelector('.by')!.textContent).toBe('as “Pinned bases”');
    workspace.select('fixed');
    await fixture!.whenStable();
    expect(headed('Left foot')).toBeUndefined();
  });

  it('says which rules override another one, and on how many members', async () => {
    const design = quickShed();
    design.rules.push({
      id: 'left',
      title: 'Left column',
      members: 'side == "left" and role == "column"',
      section: 'HEB 340',
    });
    await show(RulesLeafComponent, design);
    expect(rule('Columns').querySelector('.overridden')!.textContent).toBe('on 1 overridden by Left column');
    expect(host().querySelectorAll('.overridden').length).toBe(1);
  });

  it('says what is wrong with a rule, at the rule', async () => {
    const design = quickShed();
    design.rules.push({ id: 'braces', title: 'Braces', members: 'role == "brace"', section: 'IPE 80' });
    await show(RulesLeafComponent, design);
    expect(rule('Braces').querySelector('[role=alert]')!.textContent).toContain('matches nothing');
    expect(rule('Braces').querySelector('.number')!.textContent).toBe('0');
  });
});

describe('LoadsLeafComponent', () => {
  const field = (name: string) => host().querySelector<HTMLInputElement>(`[aria-label="Factor on ${name}"]`)!;
  const type = async (name: string, typed: string) => {
    field(name).value = typed;
    field(name).dispatchEvent(new Event('change'));
    await fixture!.whenStable();
  };
  const factors = () => workspace.state()!.design.combinations[0]!.factors;

  it('shows combinations as a matrix that takes factors', async () => {
    await show(LoadsLeafComponent);
    expect(field('S in U1').value).toBe('1.5');
    expect(field('W in U1').value).toBe('');
    await type('W in U1', '0,6');
    expect(factors()).toEqual({ G: 1.35, S: 1.5, W: 0.6 });
    await type('W in U1', '');
    expect(factors()).toEqual({ G: 1.35, S: 1.5 });
  });

  it('says what is no factor, and leaves the combination as it is', async () => {
    await show(LoadsLeafComponent);
    await type('S in U1', 'much');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('"much" is no factor on S in U1');
    expect(factors()['S']).toBe(1.5);
    await type('S in U1', '1.6');
    expect(host().querySelector('[role=alert]')).toBeNull();
  });

  it('shows combinations that a rule makes, to be read until they are taken over', async () => {
    await show(LoadsLeafComponent, {
      ...quickShed(),
      combinations: [],
      combine: { by: 'EN1990-6.10', states: ['strength'] },
    });
    expect(field('S in U2').readOnly).toBeTrue();
    [...host().querySelectorAll('button')].find((one) => one.textContent.includes('take them over'))!.click();
    await fixture!.whenStable();
    expect(field('S in U2').readOnly).toBeFalse();
    expect(workspace.state()!.design.combine).toBeUndefined();
    expect(workspace.state()!.design.combinations.length).toBeGreaterThan(4);
  });

  it('tells the loads of the case that is shown', async () => {
    await show(LoadsLeafComponent);
    const head = (id: string) =>
      [...host().querySelectorAll<HTMLElement>('.head')].find((one) =>
        one.textContent.trim().startsWith(id),
      )!;
    head('S').click();
    await fixture!.whenStable();
    expect(text()).toContain('Snow: −4.4 kN/m along z in S rafters');
    head('G').click();
    await fixture!.whenStable();
    expect(text()).toContain('own weight × 1');
  });
});

describe('ChoicesPanelComponent', () => {
  it('has the options that the selected alternative picked', async () => {
    await show(ChoicesPanelComponent);
    expect([...host().querySelectorAll('label')].map((label) => label.textContent)).toEqual([
      'Bases',
      'Apex',
      'Eaves',
    ]);
    expect(text()).toContain('fixed');
    workspace.select('pinned');
    await fixture!.whenStable();
    expect(text()).toContain('pinned');
  });
});

describe('ParameterListComponent', () => {
  it('shows parameters in groups, formulas beside their values', async () => {
    await show(ParameterListComponent);
    expect([...host().querySelectorAll('h3')].map((h) => h.textContent.trim())).toEqual([
      'Shape',
      'Loads',
      'Haunch',
      'Sections',
    ]);
    expect(host().querySelector<HTMLInputElement>('#p-haunch_length')!.value).toBe('2.2\u00a0m');
    expect(text()).toContain('span / 10');
  });

  it('changes the design, or the selected alternative alone', async () => {
    await show(ParameterListComponent);
    const type = async (typed: string) => {
      const input = host().querySelector<HTMLInputElement>('#p-span')!;
      input.focus();
      input.value = typed;
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await fixture!.whenStable();
    };
    await type('24 m');
    expect(workspace.state()!.design.parameters[0]!.value).toBe('24 m');
    workspace.scope.set('one');
    await type('26 m');
    const { parameters, alternatives } = workspace.state()!.design;
    expect(parameters[0]!.value).toBe('24 m');
    expect(alternatives[0]!.parameters).toEqual({ span: '26 m' });
    expect(alternatives[1]!.parameters).toBeUndefined();
  });
});

describe('LeavesComponent', () => {
  it('is a row of tabs that arrows go along', async () => {
    await show(LeavesComponent);
    const tabs = () => [...host().querySelectorAll<HTMLElement>('[role=tab]')];
    expect(tabs().map((tab) => tab.textContent.trim())).toEqual([
      'Parameters',
      'Recipe',
      'Rules',
      'Loads',
      'Choices',
      'Text',
    ]);
    tabs()[0]!.focus();
    pressKey(tabs()[0]!, 'ArrowRight');
    await fixture!.whenStable();
    expect(document.activeElement).toBe(tabs()[1]!);
    expect(tabs()[1]!.getAttribute('aria-selected')).toBe('true');
    expect(host().querySelector('app-recipe-leaf')).not.toBeNull();
    expect(tabs().filter((tab) => tab.tabIndex === 0).length).toBe(1);
  });
});
