import { ComponentFixture, TestBed } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import type { DesignWorkspace } from '../state/design-workspace.service';
import { ComparisonView } from '../state/comparison-view.service';
import { ViewState } from '../state/view-state.service';
import { ComparisonScreenComponent } from './comparison-screen.component';

describe('ComparisonScreenComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<ComparisonScreenComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 30));
    await fixture.whenStable();
  };
  const row = (title: string) =>
    [...host().querySelectorAll('tbody tr')].find(
      (one) => one.querySelector('.title')?.textContent.trim() === title,
    )!;
  const cells = (title: string) =>
    [...row(title).querySelectorAll('td')].map((cell) => cell.textContent.replace(/\s+/g, ' ').trim());

  beforeEach(async () => {
    workspace = openDesign();
    fixture = TestBed.createComponent(ComparisonScreenComponent);
    host().style.cssText = 'display:grid;width:1280px;height:760px';
    document.body.append(host());
    await settled();
  });
  afterEach(() => {
    fixture.destroy();
    host().remove();
  });

  it('has a stage and a column for each alternative, a row for each figure', () => {
    expect(host().querySelectorAll('app-stage').length).toBe(4);
    for (const { title } of workspace.state()!.design.figures) expect(row(title)).toBeDefined();
    expect(row('Steel mass').querySelectorAll('td').length).toBe(4);
  });

  it('differs from the reference, and from another when that is chosen', async () => {
    expect(cells('Moment at a base')[0]).toMatch(/kN·m$/);
    expect(cells('Moment at a base')[1]).toContain('−100 %');
    TestBed.inject(ComparisonView).against.set('three-hinges');
    await settled();
    expect(cells('Utilisation')[2]).not.toContain('%');
    expect(cells('Utilisation')[0]).toContain('−');
  });

  it('says above each stage in words what differs from the reference', async () => {
    const said = () => [...host().querySelectorAll('.differs')].map((one) => one.textContent.trim());
    expect(said()[0]).toBe('');
    expect(said()[1]).toBe('Bases: pinned');
    expect(said()[2]).toContain('; ');
    expect(host().querySelectorAll<HTMLElement>('.differs')[1]!.title).toBe('Bases: pinned instead of fixed');
    TestBed.inject(ComparisonView).against.set('pinned');
    await settled();
    expect(said()[1]).toBe('');
    expect(said()[0]).toBe('Bases: fixed');
  });

  it('says which alternative is beyond its limits, where and under what', () => {
    expect(cells('Apex deflection')[2]).toMatch(/over.*apex, C\d/);
    const headings = [...host().querySelectorAll('section h2')].map((h) => h.textContent);
    expect(headings[2]).toContain('limits do not');
    expect(headings[0]).not.toContain('limits');
  });

  it('says of each stage what it shows: of a shape what it comes to there', async () => {
    const shown = () =>
      [...host().querySelectorAll('section h2 > .soft')].map((one) =>
        one.textContent.replace(/\s+/g, ' ').trim(),
      );
    expect(shown()).toEqual(['U1', 'U1', 'U1', 'U1']);
    const view = TestBed.inject(ViewState);
    view.showResult('envelope.strength');
    await settled();
    expect(new Set(shown())).toEqual(new Set(['Strength, all combinations']));
    view.showResult('mode.1');
    await settled();
    expect(shown()[0]).toMatch(/^[\d.]+ Hz, sway$/);
    expect(shown()[1]).toMatch(/^[\d.]+ Hz, MAC 0\.\d\d, sway$/);
    // Fixed bases are stiffer than pinned ones
    const [fixed, pinned] = shown().map((text) => Number(/[\d.]+/.exec(text)![0]));
    expect(fixed!).toBeGreaterThan(pinned!);
  });

  it('tells the worst of all combinations while an envelope or a shape is shown, which stand for no loads alone', async () => {
    const worst = cells('Apex deflection');
    const view = TestBed.inject(ViewState);
    view.showResult('S');
    const screen = fixture.componentInstance as unknown as {
      chosenBasis: { set: (basis: string) => void };
      bases: () => { value: string }[];
    };
    screen.chosenBasis.set('shown');
    await settled();
    expect(cells('Apex deflection')).not.toEqual(worst);
    for (const shown of ['envelope.strength', 'mode.1']) {
      view.showResult(shown);
      await settled();
      expect(cells('Apex deflection')).toEqual(worst);
      expect(screen.bases().map(({ value }) => value)).toEqual(['governing']);
    }
  });

  it('tells figures of the shown loads alone', async () => {
    const view = TestBed.inject(ViewState);
    view.showResult('S');
    const screen = fixture.componentInstance as unknown as {
      chosenBasis: { set: (basis: string) => void };
    };
    screen.chosenBasis.set('shown');
    await settled();
    // Snow by hand: half of 4.4 kN/m on 22 m, in every alternative
    for (const cell of cells('Vertical reaction')) expect(cell).toContain('48.4 kN');
  });

  it('opens a difference to the shares, drawn on both frames, and goes back to the table', async () => {
    const difference = row('Eaves sway').querySelector<HTMLElement>('button.difference')!;
    difference.focus();
    difference.click();
    await settled();
    expect(host().querySelectorAll('app-stage').length).toBe(2);
    expect(host().querySelectorAll('app-stage .band').length).toBeGreaterThan(4);
    expect(host().querySelector('app-figures-table')).toBeNull();
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await settled();
    expect(host().querySelectorAll('app-stage').length).toBe(4);
    expect(document.activeElement!.getAttribute('aria-label')).toContain('Eaves sway');
  });

  it('lays the reference under the others', async () => {
    TestBed.inject(ComparisonView).overlay.set(true);
    await settled();
    const titles = [...host().querySelectorAll('section')].map((one) => one.getAttribute('aria-label'));
    expect(titles).toEqual(['Pinned bases', 'Three hinges', 'Pinned with haunches']);
    expect(host().querySelectorAll('app-stage-canvas.under').length).toBe(6);
    expect(host().querySelector('.differs')!.textContent).toContain('over Fixed bases');
  });

  it('has those on large stages that are chosen in the table or the strip', async () => {
    const box = (of: string) => host().querySelector<HTMLInputElement>(`[aria-label="${of}"]`)!;
    box('Fixed bases on a large stage').click();
    box('Three hinges, on a large stage').click();
    await settled();
    const titles = [...host().querySelectorAll('section')].map((one) => one.getAttribute('aria-label'));
    expect(titles).toEqual(['Pinned bases', 'Pinned with haunches']);
    expect(TestBed.inject(ComparisonView).inAddress()['large']).toBe('pinned,haunched');
  });

  it('turns a shape that is drawn the other way round, so that all move as the reference does', async () => {
    TestBed.inject(ViewState).showResult('mode.2');
    await settled();
    const { resultOf } = TestBed.inject(ViewState);
    expect(Object.keys(resultOf())).toEqual(['pinned', 'three-hinges', 'haunched']);
    fixture.destroy();
    expect(resultOf()).toEqual({});
  });
});
