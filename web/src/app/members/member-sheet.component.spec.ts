import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import { DesignWorkspace } from '../state/design-workspace.service';
import { MemberSheetComponent } from './member-sheet.component';
import { SectionChanges } from './section-changes.service';

describe('MemberSheetComponent', () => {
  let fixture: ComponentFixture<MemberSheetComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    for (let i = 0; i < 4; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await fixture.whenStable();
    }
  };
  const text = (selector: string) => host().querySelector(selector)!.textContent.replace(/\s+/g, ' ').trim();
  const cursor = () => host().querySelector<HTMLElement>('[role=slider]')!;
  const press = async (key: string) => {
    cursor().dispatchEvent(new KeyboardEvent('keydown', { key }));
    await settled();
  };

  beforeEach(async () => {
    openDesign(undefined, [SectionChanges]);
    fixture = TestBed.createComponent(MemberSheetComponent);
    fixture.componentRef.setInput('member', 'left rafter');
    document.body.append(host());
    await settled();
  });

  it('has the section, lengths, conditions worst first, and the sections beside its own', () => {
    expect(text('h2')).toBe('left rafter');
    expect(text('.about')).toContain('IPE 500 in S355');
    expect(text('.lengths')).toContain('Lcr,z');
    const used = [...host().querySelectorAll('summary .number')].map((one) => Number(one.textContent));
    expect(used).toEqual([...used].sort((a, b) => b - a));
    const names = [...host().querySelectorAll('.neighbour button')].map((one) => one.textContent.trim());
    expect(names).toEqual(['IPE 400', 'IPE 450', 'IPE 550', 'IPE 600']);
  });

  it('reads all curves at one cursor, by keys', async () => {
    await press('Home');
    expect(cursor().getAttribute('aria-valuetext')).toMatch(/^0\sm: N .*; V .*; M .*; w .*; utilisation /);
    const start = cursor().getAttribute('aria-valuenow');
    await press('ArrowRight');
    expect(Number(cursor().getAttribute('aria-valuenow'))).toBeGreaterThan(Number(start));
    await press('End');
    expect(cursor().getAttribute('aria-valuenow')).toBe(cursor().getAttribute('aria-valuemax'));
  });

  it('gives another section to its group, or to this member alone by a rule', async () => {
    const workspace = TestBed.inject(DesignWorkspace);
    const take = async () => {
      for (let i = 0; i < 50 && !host().querySelector('.neighbour button'); i++) await settled();
      host().querySelector<HTMLButtonElement>('.neighbour button')!.click();
      await settled();
    };
    await take();
    expect(workspace.state()!.design.parameters.find(({ name }) => name === 'rafter_section')!.value).toBe(
      'IPE 400',
    );
    workspace.undo();
    await settled();
    [...host().querySelectorAll<HTMLElement>('p-togglebutton')]
      .find((one) => one.textContent.includes('this member'))!
      .click();
    await settled();
    await take();
    const rule = workspace.state()!.design.rules.at(-1)!;
    expect([rule.title, rule.section]).toEqual(['left rafter: IPE 400', 'IPE 400']);
  });
});
