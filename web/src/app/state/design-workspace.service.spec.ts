import { TestBed } from '@angular/core/testing';
import { removeAlternative, setParameter, type Design } from '@hashira/core';
import { BehaviorSubject } from 'rxjs';
import { slipShed } from '../testing/slip-shed';
import type { CalculationState, KnownAlternative } from './calculation/calculation-state';
import { Calculation } from './calculation/calculation.service';
import { DesignWorkspace } from './design-workspace.service';
import { Saving } from './saving/saving.service';

describe('DesignWorkspace', () => {
  const state = new BehaviorSubject<CalculationState>({ alternatives: new Map(), version: 0 });
  let asked: { version: number; design: Design }[];
  let kept: Design[];
  let workspace: DesignWorkspace;

  beforeEach(() => {
    asked = [];
    kept = [];
    state.next({ alternatives: new Map(), version: 0 });
    const calculation = {
      state$: state,
      request: (version: number, design: Design) => void asked.push({ version, design }),
    };
    const saving = {
      state$: new BehaviorSubject({ kind: 'saved', revision: 1 }),
      begin: () => undefined,
      changed: (design: Design) => void kept.push(design),
    };
    TestBed.configureTestingModule({
      providers: [
        DesignWorkspace,
        { provide: Calculation, useValue: calculation },
        { provide: Saving, useValue: saving },
      ],
    });
    workspace = TestBed.inject(DesignWorkspace);
    workspace.open('x', 1, slipShed());
  });
  const spanOf = (design: Design | undefined) => design?.parameters[0]!.value;

  it('has every change calculated and saved, undo and redo too', () => {
    workspace.apply((design) => setParameter(design, 'span', '20 m'));
    workspace.undo();
    workspace.redo();
    expect(asked.map(({ design }) => spanOf(design))).toEqual(['22 m', '20 m', '22 m', '20 m']);
    expect(kept.map(spanOf)).toEqual(['20 m', '22 m', '20 m']);
  });

  it('says when the results belong to an older state', () => {
    const answer = (version: number) => state.next({ alternatives: new Map(), version });
    answer(asked.at(-1)!.version);
    expect(workspace.results().current).toBeTrue();
    workspace.apply((design) => setParameter(design, 'span', '20 m'));
    expect(workspace.results().current).toBeFalse();
    answer(asked.at(-1)!.version);
    expect(workspace.results().current).toBeTrue();
  });

  it('knows of each alternative by itself whether its results are of an older state', () => {
    const answer = (version: number, ids: readonly string[], failure?: string) =>
      state.next({
        alternatives: new Map(ids.map((id) => [id, { version } as KnownAlternative])),
        version: 0,
        ...(failure === undefined ? {} : { failure }),
      });
    const { version } = asked.at(-1)!;
    expect(workspace.isBehind('fixed')).toBeTrue();
    answer(version, ['fixed']);
    expect(workspace.isBehind('fixed')).toBeFalse();
    expect(workspace.isBehind('pinned')).toBeTrue();
    workspace.apply((design) => setParameter(design, 'span', '20 m'));
    expect(workspace.isBehind('fixed')).toBeTrue();
    answer(version + 1, ['fixed'], 'The worker has gone.');
    expect(workspace.isBehind('fixed')).toBeTrue();
  });

  it('takes a draft up as a change that can be undone', () => {
    workspace.open('x', 1, slipShed(), setParameter(slipShed(), 'span', '19 m'));
    expect(spanOf(workspace.state()!.design)).toBe('19 m');
    expect(spanOf(kept.at(-1))).toBe('19 m');
    workspace.undo();
    expect(spanOf(workspace.state()!.design)).toBe('22 m');
  });

  it('looks first at the alternative that the address names', () => {
    workspace.prefer('three-hinges');
    workspace.open('x', 1, slipShed());
    expect(workspace.selected()).toBe('three-hinges');
  });

  it('looks at another alternative when the selected one is removed', () => {
    workspace.select('pinned');
    workspace.apply((design) => removeAlternative(design, 'pinned'));
    expect(workspace.selected()).toBe('fixed');
  });

  it('records what an option can hold into the one that is recorded, and changes the design otherwise', () => {
    workspace.recording.set({ choice: 'apex-joint', option: 'hinged' });
    workspace.apply((design) => setParameter(design, 'span', '30 m'));
    const design = () => workspace.state()!.design;
    const option = () =>
      design()
        .choices.find(({ id }) => id === 'apex-joint')!
        .options.find(({ id }) => id === 'hinged')!;
    expect(spanOf(design())).toBe('22 m');
    expect(option().changes.parameters).toEqual({ span: '30 m' });
    // A title is nothing that an option holds
    workspace.apply((one) => ({ ...one, title: 'Other shed' }));
    expect(design().title).toBe('Other shed');
    workspace.undo();
    workspace.undo();
    expect(option().changes.parameters).toBeUndefined();
  });
});
