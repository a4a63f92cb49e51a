import { TestBed } from '@angular/core/testing';
import { setParameter } from '@hashira/core';
import { ReadersUnits } from '../ui/units.service';
import { Shown } from '../testing/shown';
import { DesignWorkspace } from '../state/design-workspace.service';
import { HeaderToolsComponent } from './header-tools.component';

describe('HeaderToolsComponent', () => {
  afterEach(() => {
    TestBed.inject(ReadersUnits).choose('metric');
  });
  const button = ({ host }: Shown, label: string) =>
    [...host.querySelectorAll('button')].find((one) => one.textContent.trim() === label);

  it('undoes and redoes where there is something to undo and redo', async () => {
    const shown = await Shown.of(HeaderToolsComponent);
    const workspace = TestBed.inject(DesignWorkspace);
    const span = () => workspace.state()!.design.parameters[0]!.value;
    const can = () => ['Undo', 'Redo'].map((label) => !button(shown, label)!.disabled);
    expect(can()).toEqual([false, false]);
    workspace.apply((design) => setParameter(design, 'span', '20 m'));
    await shown.settled();
    expect(can()).toEqual([true, false]);
    await shown.press('Undo');
    expect(span()).toBe('22 m');
    expect(can()).toEqual([false, true]);
    await shown.press('Redo');
    expect(span()).toBe('20 m');
    expect(can()).toEqual([true, false]);
  });

  it('changes the units and names those that are used', async () => {
    const shown = await Shown.of(HeaderToolsComponent);
    expect(button(shown, 'ft, kip')).toBeUndefined();
    await shown.press('m, kN');
    expect(TestBed.inject(ReadersUnits).system()).toBe('us');
    expect(button(shown, 'ft, kip')!.getAttribute('aria-label')).toContain('ft, kip: units');
  });
});
