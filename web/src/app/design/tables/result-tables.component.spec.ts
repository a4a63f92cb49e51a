import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign } from '../../testing/open-design';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { ViewState } from '../../state/view-state.service';
import { ResultTablesComponent } from './result-tables.component';

describe('ResultTablesComponent', () => {
  let fixture: ComponentFixture<ResultTablesComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 10));
    await fixture.whenStable();
    await new Promise((done) => setTimeout(done, 10));
    await fixture.whenStable();
  };
  const cells = () =>
    [...host().querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].map((cell) => cell.textContent.trim()),
    );
  const press = async (words: string) => {
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!.click();
    await settled();
  };

  beforeEach(async () => {
    openDesign();
    TestBed.inject(ViewState).showResult('S');
    fixture = TestBed.createComponent(ResultTablesComponent);
    document.body.append(host());
    await settled();
  });
  afterEach(() => host().remove());

  it('begins with the reactions of what is shown: half of 4.4 kN/m on 22 m at each base', () => {
    const rows = cells();
    expect(rows.map(([name]) => name)).toEqual(['left base', 'right base']);
    expect(rows.map((row) => row[2])).toEqual(['48.4', '48.4']);
    expect(host().textContent).toContain('S Snow, all nodes');
  });

  it('show 0 for what is nothing beside the greatest, and its digits on hover', async () => {
    const soft = { ux: 'fixed', uz: 'fixed', ry: '0.1 N m/rad' } as const;
    TestBed.inject(DesignWorkspace).apply((design) => ({
      ...design,
      rules: design.rules.map((rule) => (rule.id === 'bases' ? { ...rule, support: soft } : rule)),
    }));
    await settled();
    expect(cells().map((row) => row[3])).toEqual(['0', '0']);
    for (const row of host().querySelectorAll('tbody tr'))
      expect(row.querySelectorAll('td')[3]!.title).toMatch(/^−?[1-9.e-]+.* kN·m$/);
  });

  it('of a shown envelope say which side each row is of; a shape has none', async () => {
    const view = TestBed.inject(ViewState);
    view.showResult('envelope.strength');
    await settled();
    expect(cells().map(([name, side]) => `${name!}, ${side!}`)).toEqual([
      'left base, greatest',
      'left base, least',
      'right base, greatest',
      'right base, least',
    ]);
    expect(host().textContent).toContain('Strength, all combinations, all nodes');
    view.showResult('mode.1');
    await settled();
    expect(cells()).toEqual([[jasmine.stringContaining('a shape is shown, which has none')]]);
  });

  it('keeps to what is selected, and selects what is pressed', async () => {
    await press('Forces along members');
    expect(cells().length).toBe(4 * 5);
    TestBed.inject(Selection).pick('members', ['shed.column.1']);
    await settled();
    expect(cells().length).toBe(5);
    expect(host().textContent).toContain('1 selected');
    await press('Reactions');
    await press('right base');
    expect(TestBed.inject(Selection).selected()).toEqual({ of: 'nodes', ids: ['shed.base.2'] });
  });

  it('lights up the place of a row that is pointed at', () => {
    const view = TestBed.inject(ViewState);
    const [row] = host().querySelectorAll('tbody tr');
    row!.dispatchEvent(new PointerEvent('pointerenter'));
    expect(view.highlighted()).toEqual(['shed.base.1']);
    row!.dispatchEvent(new PointerEvent('pointerleave'));
    expect(view.highlighted()).toEqual([]);
  });

  it('shows the envelope: two rows a place, each value with the combination that it comes from', async () => {
    const box = host().querySelector<HTMLInputElement>('input[type=checkbox]')!;
    box.click();
    await settled();
    expect(cells().map((row) => row[1])).toEqual(['greatest', 'least', 'greatest', 'least']);
    expect(host().querySelector('td.number')!.getAttribute('title')).toMatch(/ under U\d/);
  });
});
