import { ComponentFixture, TestBed } from '@angular/core/testing';
import { setReference } from '@hashira/core';
import { openDesign } from '../testing/open-design';
import type { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';
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
    [...host().querySelectorAll('tbody tr')].find((one) => one.textContent.includes(title))!;
  const cells = (title: string) =>
    [...row(title).querySelectorAll('td')].map((cell) => cell.textContent.replace(/\s+/g, ' ').trim());

  beforeEach(async () => {
    workspace = openDesign();
    fixture = TestBed.createComponent(ComparisonScreenComponent);
    host().style.cssText = 'display:block;width:1280px;height:760px';
    document.body.append(host());
    await settled();
  });
  afterEach(() => {
    fixture.destroy();
    host().remove();
  });

  it('has a stage and a column for each alternative, a row for each figure', () => {
    expect(host().querySelectorAll('app-stage').length).toBe(4);
    expect(host().querySelectorAll('tbody tr').length).toBe(10);
    expect(row('Steel mass').querySelectorAll('td').length).toBe(4);
  });

  it('differs from the reference, and from another when that is chosen', async () => {
    expect(cells('Moment at a base')[0]).toMatch(/kN·m$/);
    expect(cells('Moment at a base')[1]).toContain('−100 %');
    workspace.apply((design) => setReference(design, 'three-hinges'));
    await settled();
    expect(cells('Utilisation')[2]).not.toContain('%');
    expect(cells('Utilisation')[0]).toContain('−');
  });

  it('says which alternative is beyond its limits, where and under what', () => {
    expect(cells('Apex deflection')[2]).toMatch(/over.*apex, C\d/);
    const headings = [...host().querySelectorAll('section h2')].map((h) => h.textContent);
    expect(headings[2]).toContain('limits do not');
    expect(headings[0]).not.toContain('limits');
  });

  it('tells figures of the shown loads alone', async () => {
    const view = TestBed.inject(ViewState);
    view.showResult('S');
    const screen = fixture.componentInstance as unknown as { basis: { set: (basis: string) => void } };
    screen.basis.set('shown');
    await settled();
    // Snow by hand: half of 4.4 kN/m on 22 m, in every alternative
    for (const cell of cells('Vertical reaction')) expect(cell).toContain('48.4 kN');
  });
});
