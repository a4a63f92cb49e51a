import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Warning } from '@hashira/core';
import { openDesign, quickShed } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { ViewState } from '../../state/view-state.service';
import { ModelCheckComponent } from './model-check.component';

describe('ModelCheckComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<ModelCheckComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const line = () => host().querySelector<HTMLButtonElement>('.line')!;
  /** What the check itself finds in a design with a rule for members that no alternative has. */
  const found = () => workspace.results().alternatives.get('fixed')!.summary.warnings!;

  async function given(warnings: readonly Warning[] | undefined): Promise<void> {
    fixture.componentRef.setInput('found', warnings);
    await fixture.whenStable();
  }

  beforeEach(() => {
    const shed = quickShed();
    workspace = openDesign({
      ...shed,
      rules: [...shed.rules, { id: 'idle', members: 'role == "girder"', section: 'IPE 200' }],
    });
    fixture = TestBed.createComponent(ModelCheckComponent);
  });

  it('says that it is looking, that all is sound, or how much it found', async () => {
    await given(undefined);
    expect(line().textContent.trim()).toBe('Model check: looking …');
    await given([]);
    expect(line().textContent.trim()).toBe('Model check: sound');
    expect(line().disabled).toBeTrue();
    await given(found());
    expect(line().textContent.trim()).toBe('Model check: 1 warning');
    expect(host().querySelector('ul')).toBeNull();
  });

  it('is silent about a rule that another alternative needs', async () => {
    const [idle] = found();
    await given([{ ...idle!, rule: 'columns' }]);
    expect(line().textContent.trim()).toBe('Model check: sound');
  });

  it('opens to sentences, lights up where each is, and fixes by one press that undoes', async () => {
    const parts: Warning[] = found().map((one) => ({ ...one, members: ['shed.column.1'] }));
    await given(parts);
    line().click();
    await fixture.whenStable();
    const [sentence, press] = [...host().querySelectorAll<HTMLButtonElement>('li button')];
    expect(sentence!.textContent).toContain('matches nothing');
    const view = TestBed.inject(ViewState);
    sentence!.dispatchEvent(new Event('focus'));
    expect(view.highlighted()).toEqual(['shed.column.1']);
    sentence!.dispatchEvent(new Event('blur'));
    expect(view.highlighted()).toEqual([]);
    const rules = () => workspace.state()!.design.rules.map(({ id }) => id);
    expect(rules()).toContain('idle');
    press!.click();
    expect(rules()).not.toContain('idle');
    workspace.undo();
    expect(rules()).toContain('idle');
  });
});
