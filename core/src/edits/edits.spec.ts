import { slipShed } from '../testing/designs.js';
import {
  dropOwnParameter,
  duplicateAlternative,
  insertAlternative,
  pickOption,
  decideFor,
  removeAlternative,
  renameAlternative,
  setOwnParameter,
  setParameter,
  setReference,
  setStep,
  setTitle,
} from './index.js';

describe('changes of a design', () => {
  it('leave the design they start from as it is', () => {
    const design = slipShed();
    const before = JSON.stringify(design);
    setParameter(design, 'span', '30 m');
    setOwnParameter(design, 'pinned', 'span', '30 m');
    pickOption(design, 'pinned', 'apex-joint', 'hinged');
    removeAlternative(design, 'pinned');
    duplicateAlternative(design, 'pinned');
    setStep(design, 'shed', { roof: 'flat' });
    setTitle(design, 'Other');
    expect(JSON.stringify(design)).toBe(before);
  });

  it('touch one alternative only', () => {
    const design = slipShed();
    const changed = pickOption(design, 'pinned', 'apex-joint', 'hinged');
    expect(changed.alternatives[0]).toBe(design.alternatives[0]);
    expect(changed.alternatives[1]!.picks['apex-joint']).toBe('hinged');
    expect(changed.alternatives[2]).toBe(design.alternatives[2]);
  });

  it('an own value can be dropped without a trace', () => {
    const design = slipShed();
    const own = setOwnParameter(design, 'pinned', 'span', '12 m');
    expect(own.alternatives[1]!.parameters).toEqual({ span: '12 m' });
    expect(dropOwnParameter(own, 'pinned', 'span')).toEqual(design);
  });

  it('new alternatives get titles and ids of their own', () => {
    const first = duplicateAlternative(slipShed(), 'pinned');
    const second = duplicateAlternative(first.design, 'pinned');
    expect(second.design.alternatives.map((a) => a.title)).toEqual([
      'Fixed bases',
      'Pinned bases',
      'Pinned bases 3',
      'Pinned bases 2',
      'Three hinges',
      'Pinned with haunches',
    ]);
    expect(new Set(second.design.alternatives.map((a) => a.id)).size).toBe(6);
    expect(duplicateAlternative(slipShed(), 'pinned', 'Fixed bases').id).toBe('fixed-bases-2');
  });

  it('the reference moves when it is removed, and the last alternative stays', () => {
    let design = removeAlternative(setReference(slipShed(), 'pinned'), 'haunched');
    design = removeAlternative(design, 'pinned');
    expect(design.reference).toBe('fixed');
    design = removeAlternative(removeAlternative(design, 'fixed'), 'three-hinges');
    expect(design.alternatives.map((a) => a.id)).toEqual(['three-hinges']);
    expect(renameAlternative(design, 'three-hinges', 'Only').alternatives[0]!.title).toBe('Only');
  });
});

describe('a decision', () => {
  it('is for an alternative with a note, is taken back, and goes with its alternative', () => {
    const decided = decideFor(slipShed(), 'pinned', 'cheaper footings');
    expect(decided.decision).toEqual({ alternative: 'pinned', note: 'cheaper footings' });
    expect(decideFor(decided, 'haunched').decision).toEqual({ alternative: 'haunched' });
    expect(decideFor(decided, undefined)).toEqual(slipShed());
    expect(removeAlternative(decided, 'fixed').decision?.alternative).toBe('pinned');
    expect(removeAlternative(decided, 'pinned').decision).toBeUndefined();
  });
});

describe('bringing an alternative back', () => {
  it('puts it where it was, although other things changed since', () => {
    const design = slipShed();
    const removed = setParameter(removeAlternative(design, 'pinned'), 'span', '30 m');
    const back = insertAlternative(removed, design.alternatives[1]!, 1);
    expect(back.alternatives).toEqual(design.alternatives);
    expect(back.parameters[0]!.value).toBe('30 m');
    expect(insertAlternative(back, design.alternatives[1]!, 0)).toBe(back);
  });
});
