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
    expect(view.show()).toEqual({ result: 'U1', diagram: 'My', without: ['deformed'] });
    expect(view.resultTitle()).toBe('U1 Snow leading');
    view.showResult('W');
    expect(view.show().result).toBe('W');
    view.showResult('nothing of that name');
    expect(view.show().result).toBe('U1');
  });

  it('offers cases and combinations apart', () => {
    openDesign();
    const [cases, combinations] = TestBed.inject(ViewState).resultOptions();
    expect(cases!.items.map(({ id }) => id)).toEqual(['G', 'S', 'W', 'SU', 'WR', 'WA', 'WI']);
    expect(combinations!.items[0]!.label).toBe('U1 Snow leading');
  });

  it('offers envelopes, buckling shapes and modes, each under its heading', () => {
    openDesign();
    const view = TestBed.inject(ViewState);
    expect(view.resultOptions().map(({ label }) => label)).toEqual([
      'Load cases',
      'Combinations',
      'Envelope',
      'Buckling shapes',
      'Natural modes',
    ]);
    view.showResult('envelope.strength');
    expect(view.resultTitle()).toBe('Strength, all combinations');
    expect(view.diagramQuantity()).toBe('moment');
    view.diagram.set('N');
    expect(view.diagramQuantity()).toBe('force');
  });

  it('draws a shape without what belongs to forces, and lets it swing', () => {
    openDesign();
    const view = TestBed.inject(ViewState);
    view.deformed.set(true);
    view.showResult('mode.1');
    expect(view.shape()).toBeTrue();
    expect(view.layers()).toContain('moving');
    expect(view.layers()).not.toContain('deformed');
    expect(view.diagramQuantity()).toBeUndefined();
    expect(view.swings()).toBeFalse();
    view.moving.set(true);
    expect(view.swings()).toBeTrue();
  });

  it('holds the moving picture where it is, moves it on and back, and lets it go on', () => {
    openDesign();
    const view = TestBed.inject(ViewState);
    spyOn(performance, 'now').and.returnValue(1800 * 7.25);
    view.hold(true);
    expect(view.held()).toBeCloseTo(0.25, 9);
    view.stepSwing(1);
    expect(view.held()).toBeCloseTo(0.25 + 1 / 24, 9);
    for (let i = 0; i < 8; i++) view.stepSwing(-1);
    // Before the beginning is the end
    expect(view.held()).toBeCloseTo(0.25 + 1 / 24 - 8 / 24 + 1, 9);
    view.hold(false);
    expect(view.held()).toBeUndefined();
  });

  it('groups members only where no result is drawn', () => {
    openDesign(quickShed(), [address({ apart: 'section', sections: '1' })]);
    const view = TestBed.inject(ViewState);
    expect(view.show()).toEqual({ result: 'U1', diagram: 'My', sections: true, without: ['deformed'] });
    view.diagram.set('none');
    expect(view.show().groupBy).toBe('section');
    expect(view.layers()).toContain('sections');
  });

  it('opens what an address names, and passes over what it does not know', () => {
    openDesign(quickShed(), [
      address({ result: 'C2', diagram: 'N', loads: '0', deformed: '1', view: 'sideways', slice: 'row:3' }),
    ]);
    const view = TestBed.inject(ViewState);
    expect(view.show()).toEqual({
      result: 'C2',
      diagram: 'N',
      slice: { tag: 'row', value: 3 },
      without: ['loads'],
    });
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
    view.showLoads(false);
    await settled();
    expect(router.url).toBe('/?alternative=fixed&diagram=N&loads=0');
    view.diagram.set('My');
    view.showLoads(true);
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
