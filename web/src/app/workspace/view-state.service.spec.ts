import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, Router } from '@angular/router';
import { openDesign, quickShed } from '../testing/open-design';
import { ViewState } from './view-state.service';

const address = (query: Record<string, string>) => ({
  provide: ActivatedRoute,
  useValue: { snapshot: { queryParamMap: convertToParamMap(query) } },
});

describe('ViewState', () => {
  it('shows the first combination and its moments until something else is chosen', () => {
    openDesign();
    const view = TestBed.inject(ViewState);
    expect(view.show()).toEqual({ result: 'U1', diagram: 'My' });
    expect(view.resultTitle()).toBe('U1 Snow leading');
    view.showResult('W');
    expect(view.show().result).toBe('W');
    view.showResult('nothing of that name');
    expect(view.show().result).toBe('U1');
  });

  it('offers cases and combinations apart', () => {
    openDesign();
    const [cases, combinations] = TestBed.inject(ViewState).resultOptions();
    expect(cases!.items.map(({ id }) => id)).toEqual(['G', 'S', 'W']);
    expect(combinations!.items[0]!.label).toBe('U1  Snow leading');
  });

  it('opens what an address names, and passes over what it does not know', () => {
    openDesign(quickShed(), [
      address({ result: 'C2', diagram: 'N', loads: '0', deformed: '1', view: 'sideways', slice: 'row:3' }),
    ]);
    const view = TestBed.inject(ViewState);
    expect(view.show()).toEqual({ result: 'C2', diagram: 'N', slice: { tag: 'row', value: 3 } });
    expect([view.loads(), view.reactions(), view.deformed()]).toEqual([false, true, true]);
    expect(view.direction()).toBe('oblique');
  });

  it('writes what is shown into the address, and nothing that is as usual', async () => {
    openDesign();
    const view = TestBed.inject(ViewState);
    const router = TestBed.inject(Router);
    const settled = async () => {
      TestBed.tick();
      await new Promise((done) => setTimeout(done));
    };
    await settled();
    expect(router.url).toBe('/?alternative=fixed');
    view.diagram.set('N');
    view.loads.set(false);
    await settled();
    expect(router.url).toBe('/?alternative=fixed&diagram=N&loads=0');
    view.diagram.set('My');
    view.loads.set(true);
    await settled();
    expect(router.url).toBe('/?alternative=fixed');
  });

  it('shows layers as they are asked for', () => {
    openDesign();
    const view = TestBed.inject(ViewState);
    expect(view.layers()).toContain('diagram');
    view.diagram.set('none');
    view.reactions.set(false);
    view.deformed.set(true);
    expect(view.layers()).not.toContain('diagram');
    expect(view.layers()).not.toContain('reactions');
    expect(view.layers()).toContain('deformed');
  });
});
