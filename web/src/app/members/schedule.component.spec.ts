import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign, quickShed } from '../testing/open-design';
import { DesignWorkspace } from '../state/design-workspace.service';
import { MembersView } from '../state/members-view.service';
import { ScheduleComponent } from './schedule.component';
import { SectionChanges } from './section-changes.service';

describe('ScheduleComponent', () => {
  let fixture: ComponentFixture<ScheduleComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    for (let i = 0; i < 3; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await fixture.whenStable();
    }
  };
  const texts = (selector: string) =>
    [...host().querySelectorAll(selector)].map((one) => one.textContent.replace(/\s+/g, ' ').trim());

  async function open(design = quickShed()): Promise<void> {
    openDesign(design, [SectionChanges]);
    fixture = TestBed.createComponent(ScheduleComponent);
    document.body.append(host());
    await settled();
  }

  it('has a row a group with its section, worst member, condition and mass, and the limits below', async () => {
    await open();
    expect(texts('tbody .group .fold')).toEqual(['▸ Column section', '▸ Rafter section']);
    const [columns] = texts('tbody .group');
    expect(columns).toContain('HEB 300');
    expect(columns).toMatch(/(left|right) column/);
    expect(columns).toContain('kg');
    expect(texts('[aria-label="Limits"] .member').length).toBeGreaterThan(1);
    expect(host().querySelectorAll('tbody .group .ticks line').length).toBe(2 * 4);
  });

  it('opens a group to its members, and filters by how they stand', async () => {
    await open();
    host().querySelector<HTMLButtonElement>('.fold')!.click();
    await settled();
    expect(texts('tbody:first-of-type .member .name').sort()).toEqual(['left column', 'right column']);
    TestBed.inject(MembersView).filter.set('over');
    await settled();
    expect(host().textContent).toContain('No member is “over”.');
  });

  it('says over as such, with no bar for what is not covered', async () => {
    const weak = quickShed();
    weak.parameters = weak.parameters.map((one) =>
      one.name === 'rafter_section' ? { ...one, value: 'IPE 200' } : one,
    );
    weak.sections = [{ id: 'raw', material: 'S355', properties: { A: 1e-2, Iy: 2e-4, Wply: 2e-3 } }];
    weak.materials = [
      { id: 'S355', kind: 'steel', E: 2.1e11, G: 8.1e10, density: 7850, fy: 355e6, fu: 490e6 },
    ];
    weak.rules = [...weak.rules, { id: 'raw', title: 'Raw', members: 'role == "column"', section: 'raw' }];
    await open(weak);
    const rows = [...host().querySelectorAll('tbody .group')];
    const of = (name: string) => rows.find((row) => row.textContent.includes(name))!;
    expect(of('Rafter section').textContent).toContain('over');
    const raw = of('Raw').querySelector('td.number')!;
    expect(raw.textContent.trim()).toBe('not covered');
    expect(raw.classList).toContain('over');
    expect(raw.querySelector('.bar')).toBeNull();
  });

  it('tells what a change did until the next one', async () => {
    await open();
    const before = texts('tbody .group td.number')[0]!.split(' ')[0]!;
    TestBed.inject(SectionChanges).give({ id: 'column_section', kind: 'parameter' }, 'HEB 260');
    await settled();
    expect(texts('tbody .group td.number')[0]).toContain(`${before} → `);
    TestBed.inject(DesignWorkspace).undo();
    await settled();
    expect(texts('tbody .group td.number')[0]).toContain(`→ ${before}`);
  });

  it('a member that is pressed opens its sheet', async () => {
    await open();
    host().querySelector<HTMLButtonElement>('.group .name')!.click();
    expect(TestBed.inject(MembersView).member()).toMatch(/^shed\.column\./);
  });
});
