import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { addRule, type Design } from '@hashira/core';
import { openDesign, quickShed } from '../testing/open-design';
import { slipShed } from '../testing/slip-shed';
import type { DesignWorkspace } from '../state/design-workspace.service';
import { ViewState } from '../state/view-state.service';
import { DesignScreenComponent } from './design-screen.component';

describe('DesignScreenComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<DesignScreenComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const find = (selector: string) => host().querySelector<HTMLElement>(selector);
  const words = (selector: string) => find(selector)?.textContent.replace(/\s+/g, ' ').trim() ?? '';
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 20));
    await fixture.whenStable();
  };
  const valueOf = (name: string) => workspace.state()!.design.parameters.find((p) => p.name === name)!.value;

  async function show(design: Design = quickShed()): Promise<void> {
    workspace = openDesign(design);
    fixture = TestBed.createComponent(DesignScreenComponent);
    host().style.cssText = 'width:1280px;height:760px';
    document.body.append(host());
    await settled();
  }
  /** Drags a dimension's label by px. */
  async function drag(text: string, dx: number): Promise<void> {
    const label = [...host().querySelectorAll<HTMLButtonElement>('app-dimension-label button')].find((one) =>
      one.textContent.replace(/\s/g, ' ').includes(text),
    )!;
    label.setPointerCapture = () => undefined;
    label.releasePointerCapture = () => undefined;
    const send = (type: string, clientX: number) =>
      label.dispatchEvent(new PointerEvent(type, { bubbles: true, clientX, clientY: 300, pointerId: 1 }));
    send('pointerdown', 300);
    send('pointermove', 300 + dx / 2);
    send('pointermove', 300 + dx);
    send('pointerup', 300 + dx);
    await settled();
  }
  afterEach(() => {
    fixture.destroy();
    host().remove();
  });

  it('says which alternative under which loads is drawn, what it comes to, and how it was calculated', async () => {
    await show();
    expect(words('.caption')).toContain('Fixed bases');
    expect(words('.caption')).toContain('Snow leading');
    expect(words('.verdict')).toMatch(/^passes ?0\.\d+ ?αcr \d/);
    expect(words('.verdict')).toContain('first order');
  });

  it('offers first to take back what made the frame a mechanism, in words', async () => {
    await show();
    const loose = { id: 'loose', title: 'Loose', nodes: 'place == "base"', support: 'roller' } as const;
    workspace.apply((design) => addRule(design, loose));
    await settled();
    expect(words('app-stage .problems')).toContain('Not calculated');
    const back = [...host().querySelectorAll<HTMLButtonElement>('app-stage .problems button')].find((one) =>
      one.textContent.includes('take back'),
    )!;
    expect(back.textContent).toContain('Rule "Loose" added');
    back.click();
    await settled();
    expect(workspace.state()!.design.rules.some(({ id }) => id === 'loose')).toBeFalse();
    expect(find('app-stage .problems')).toBeNull();
  });

  it('shows another alternative when it is selected, and what is beyond its limit as loudly as a failure', async () => {
    await show();
    workspace.select('three-hinges');
    await settled();
    expect(words('.caption')).toContain('Three hinges');
    expect(words('.verdict')).toContain('checks pass, limits do not');
    expect(find('.verdict')!.classList).toContain('loud');
  });

  it('changes the parameter of a dimension that is dragged, within its range, as one change', async () => {
    await show();
    const before = valueOf('span');
    await drag('22 m', 40);
    expect(Number.parseFloat(valueOf('span'))).toBeGreaterThan(22);
    await drag(
      valueOf('span')
        .replace(/(\.\d\d)\d* /, '$1 ')
        .slice(0, 2),
      20_000,
    );
    expect(Number.parseFloat(valueOf('span'))).toBeLessThanOrEqual(40);
    workspace.undo();
    workspace.undo();
    expect(valueOf('span')).toBe(before);
  });

  it('changes the selected alternative alone where that was chosen', async () => {
    await show();
    workspace.scope.set('one');
    await drag('22 m', 40);
    expect(valueOf('span')).toBe('22 m');
    const own = workspace.state()!.design.alternatives.find(({ id }) => id === 'fixed')!.parameters;
    expect(Number.parseFloat(own!['span']!)).toBeGreaterThan(22);
  });

  it('names the option into which changes go', async () => {
    await show();
    workspace.recording.set({ choice: 'apex-joint', option: 'hinged' });
    await settled();
    expect(words('.recording')).toContain('recording into "hinged"');
  });

  it('heads a drawing by its own loads while those that were chosen are worked out', async () => {
    await show();
    const view = TestBed.inject(ViewState);
    view.showResult('W');
    // Before the drawing follows
    fixture.componentRef.changeDetectorRef.detectChanges();
    expect(words('.caption')).toContain('Snow leading');
    expect(words('.caption')).toContain('W Wind from the left is being worked out');
    await settled();
    expect(words('.caption')).toContain('Wind from the left');
    expect(words('.caption')).not.toContain('is being worked out');
  });

  it('past its critical load says so, with αcr, and draws forces of first order as such', async () => {
    const shed = slipShed();
    // The shed buckles at about 50 times its design loads
    const snow = shed.parameters.find(({ name }) => name === 'snow')!;
    Object.assign(snow, { value: '200 kN/m^2', max: '400 kN/m^2' });
    Object.assign(
      shed.parameters.find(({ name }) => name === 's_line')!,
      { max: '2000 kN/m' },
    );
    await show({ ...shed, analysis: { order: 2, imperfections: false } });
    expect(words('.verdict')).toMatch(/^past its critical load ?αcr 0\.\d+ ?forces drawn: first order$/);
    expect(find('.verdict')!.classList).toContain('loud');
    expect(words('app-legend')).toContain('forces of first order: past its critical load');
    expect(words('.ledger')).not.toContain('Utilisation');
  });

  it('keeps the last frame that could be built, and says so', async () => {
    await show();
    const design = workspace.state()!.design;
    workspace.apply(() => ({
      ...design,
      parameters: design.parameters.map((p) => (p.name === 'span' ? { ...p, value: 'nonsense' } : p)),
    }));
    await settled();
    expect(find('app-stage')).not.toBeNull();
    expect(words('.caption')).toContain('the last frame that could be built');
    expect(words('.ledger')).toContain('No figures');
    workspace.undo();
    await settled();
    expect(words('.caption')).not.toContain('last frame');
  });

  it('asks for second order where the checks need it, and switches it on by one press', async () => {
    // A slender frame whose columns have system lengths
    const shed = quickShed();
    await show({
      ...shed,
      parameters: shed.parameters.map((p) => (p.name === 'column_section' ? { ...p, value: 'HEB 120' } : p)),
    });
    workspace.select('pinned');
    await settled();
    const press = [...host().querySelectorAll<HTMLButtonElement>('.verdict button')];
    expect(press.length).toBe(1);
    press[0]!.click();
    expect(workspace.state()!.design.analysis).toEqual({ order: 2, imperfections: true });
  });
});
