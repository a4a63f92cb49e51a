import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { takeFrom } from '../../testing/lists';
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
      [...row.querySelectorAll('td')].map((cell) => cell.textContent.replace(/\s+/g, ' ').trim()),
    );
  const press = async (words: string) => {
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!.click();
    await settled();
  };

  const tell = async (title: string) => {
    await takeFrom(host().querySelector('p-select [role=combobox]')!, title);
    await settled();
  };

  beforeEach(async () => {
    openDesign();
    TestBed.inject(ViewState).showResult('S');
    fixture = TestBed.createComponent(ResultTablesComponent);
    document.body.append(host());
    await settled();
  });

  it('begins with the reactions of what is shown: half of 4.4 kN/m on 22 m at each base', () => {
    const rows = cells();
    expect(rows.map(([name]) => name)).toEqual(['left base', 'right base']);
    expect(rows.map((row) => row[2])).toEqual(['48.4 up', '48.4 up']);
    expect(host().textContent).toContain('under S Snow, all nodes');
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
    expect(host().textContent).toContain('under Strength, all combinations, all nodes');
    view.showResult('mode.1');
    await settled();
    expect(cells()).toEqual([[jasmine.stringContaining('a shape is shown, which has none')]]);
  });

  it('keeps to what is selected, and selects what is pressed', async () => {
    await tell('What members carry, from end to end');
    expect(cells().length).toBe(4 * 5);
    TestBed.inject(Selection).pick('members', ['shed.column.1']);
    await settled();
    expect(cells().length).toBe(5);
    expect(host().textContent).toContain('1 selected');
    await tell('What the ground pushes with');
    await press('right base');
    expect(TestBed.inject(Selection).selected()).toEqual({ of: 'nodes', ids: ['shed.base.2'] });
  });

  it('tell which way each number is in words, and where along a member the greatest stands', async () => {
    const heads = () =>
      [...host().querySelectorAll('th')].map((head) => head.textContent.replace(/\s+/g, ' ').trim());
    expect(heads().slice(1)).toEqual(['sideways kN', 'up or down kN', 'turning kN·m']);
    // The arch action of a portal under snow: its bases are pushed inwards
    expect(cells().map((row) => row[1])).toEqual([
      jasmine.stringMatching(/^[\d.]+ right$/),
      jasmine.stringMatching(/^[\d.]+ left$/),
    ]);
    await tell('What members carry at most');
    TestBed.inject(Selection).pick('members', ['shed.column.1']);
    await settled();
    const [greatest, least] = cells();
    expect(greatest!.slice(0, 2)).toEqual(['left column', 'greatest']);
    for (const row of [greatest!, least!]) expect(row[2]).toMatch(/^48\.4 compression x = /);
    expect(least![4]).toMatch(/x = (0|6\.40) m$/);
  });

  it('have the pieces for the workshop as the last', async () => {
    await tell('Pieces to cut');
    expect(host().textContent).toContain('of steel in 4 pieces');
    await tell('Where nodes move');
    expect(host().querySelector('app-cut-list')).toBeNull();
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
    expect(host().querySelector('td.number')!.getAttribute('title')).toMatch(/, U\d/);
  });
});
