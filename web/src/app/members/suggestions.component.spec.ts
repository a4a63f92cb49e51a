import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign, quickShed } from '../testing/open-design';
import { DesignWorkspace } from '../state/design-workspace.service';
import { LONG_WORKER } from '../state/calculation/long-work.service';
import { WorkerInPage } from '../testing/worker-in-page';
import { SectionChanges } from './section-changes.service';
import { SuggestionsComponent } from './suggestions.component';

describe('SuggestionsComponent', () => {
  let fixture: ComponentFixture<SuggestionsComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    for (let i = 0; i < 3; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await fixture.whenStable();
    }
  };
  const press = async (words: string) => {
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!.click();
    for (let i = 0; i < 400 && host().querySelector('.running'); i++) await settled();
    await settled();
  };
  const parameter = (name: string) =>
    TestBed.inject(DesignWorkspace)
      .state()!
      .design.parameters.find((one) => one.name === name)!.value;

  beforeEach(async () => {
    const design = quickShed();
    // One combination, so that it is quick
    design.combinations = design.combinations.filter(({ id }) => id === 'U1' || id === 'C1');
    delete design.combine;
    openDesign(design, [SectionChanges, { provide: LONG_WORKER, useValue: () => new WorkerInPage() }]);
    fixture = TestBed.createComponent(SuggestionsComponent);
    document.body.append(host());
    await settled();
    // The rafters stay
    host().querySelectorAll<HTMLInputElement>('fieldset input')[1]!.click();
    await settled();
  });

  it('finds a lighter section, shows both, and takes it over as one change', async () => {
    await press('Find the lightest that pass');
    expect(host().querySelector('h2')!.textContent).toBe('The lightest set that passes');
    const found = host().querySelector('tbody strong')!.textContent;
    expect(found).toMatch(/^HEB /);
    expect(host().querySelector('tbody app-section-outline .before')).not.toBeNull();
    await press('take over');
    expect(parameter('column_section')).toBe(found);
    expect(host().textContent).toContain('taken over');
    TestBed.inject(DesignWorkspace).undo();
    expect(parameter('column_section')).toBe('HEB 300');
  });

  it('asks for numbers, and for something that may change', async () => {
    const [target] = host().querySelectorAll<HTMLInputElement>('input[inputmode=decimal]');
    target!.value = 'none';
    target!.dispatchEvent(new Event('input'));
    await press('Find the lightest that pass');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('a number above zero');
    target!.value = '1';
    target!.dispatchEvent(new Event('input'));
    host().querySelectorAll<HTMLInputElement>('fieldset input')[0]!.click();
    await settled();
    await press('Find the lightest that pass');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('at least one group');
  });

  it('says what the work says where there is no answer', async () => {
    const depth = host().querySelectorAll<HTMLInputElement>('input[inputmode=decimal]')[1]!;
    depth.value = '0,05';
    depth.dispatchEvent(new Event('input'));
    await press('Find the lightest that pass');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('deep; allow more depth');
  });
});
