import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import { DesignWorkspace } from '../state/design-workspace.service';
import { BenchComponent } from './bench.component';

describe('BenchComponent', () => {
  let fixture: ComponentFixture<BenchComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    for (let i = 0; i < 4; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await fixture.whenStable();
    }
  };
  const press = async (words: string) => {
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!.click();
    await settled();
  };
  const part = (name: string) =>
    host().querySelector<SVGGElement>(`svg.bench [role=slider][aria-label^="${name}"]`)!;
  const key = async (name: string, one: string) => {
    part(name).dispatchEvent(new KeyboardEvent('keydown', { key: one }));
    await settled();
  };

  beforeEach(async () => {
    openDesign();
    fixture = TestBed.createComponent(BenchComponent);
    fixture.componentRef.setInput('member', 'left rafter');
    document.body.append(host());
    await settled();
  });

  it('shows the member with the loads that stand on it', () => {
    expect(host().querySelector('h2')!.textContent).toContain('left rafter, on the bench');
    expect(part('S, load along')).not.toBeNull();
    expect(host().querySelector('[aria-label="Give back"]')).toBeNull();
  });

  it('what is put on moves by keys, and its curves and utilisation follow', async () => {
    await press('+ load');
    const used = host().querySelector('.used')!.textContent;
    expect(used).toContain('→');
    const from = Number(part('10.0').getAttribute('aria-valuenow'));
    await key('10.0', 'ArrowLeft');
    expect(Number(part('10.0').getAttribute('aria-valuenow'))).toBeLessThan(from);
    await key('10.0', 'Delete');
    expect(part('10.0')).toBeNull();
  });

  it('says in a sentence where it cannot stand, and keeps the last curves', async () => {
    await press('+ hinge');
    await press('+ hinge');
    await press('+ hinge');
    await press('+ hinge');
    expect(host().querySelector('[role=alert]')?.textContent ?? '').toMatch(/falls|mechanism|move/i);
  });

  it('gives back what the design can hold as one change, after telling it', async () => {
    await press('+ load');
    expect(host().querySelector('[aria-label="Give back"]')!.textContent).toMatch(
      /The design would get: 10\.0\skN down at/,
    );
    const before = TestBed.inject(DesignWorkspace).state()!.design;
    await press('Give back');
    const workspace = TestBed.inject(DesignWorkspace);
    expect(workspace.state()!.design.rules.length).toBe(before.rules.length + 1);
    workspace.undo();
    expect(workspace.state()!.design).toBe(before);
  });
});
