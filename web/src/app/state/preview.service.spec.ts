import { TestBed } from '@angular/core/testing';
import { initialStep, kindOf } from '@hashira/core';
import { openDesign } from '../testing/open-design';
import { StepPreview } from './preview.service';

describe('StepPreview', () => {
  const arch = kindOf({ make: 'arch' })!;
  let preview: StepPreview;
  beforeEach(() => {
    openDesign();
    preview = TestBed.inject(StepPreview);
  });

  it('draws a step into what is there before it is added', () => {
    expect(preview.scene()).toBeUndefined();
    preview.step.set(initialStep(arch, 'arch'));
    expect(preview.scene()!.drawing.strokes.length).toBeGreaterThan(0);
    expect(preview.problem()).toBe('');
  });

  it('says at its field why a step would not do, and keeps the last drawing of it', () => {
    preview.step.set({ ...initialStep(arch, 'arch'), rise: '0 m' });
    expect(preview.scene()).toBeUndefined();
    expect(preview.fieldProblems()['rise']).toContain('rise');
    expect(preview.problem()).toBe('');
    preview.step.set(initialStep(arch, 'arch'));
    const drawn = preview.scene();
    expect(drawn).toBeDefined();
    preview.step.set({ ...initialStep(arch, 'arch'), rise: '0 m' });
    expect(preview.scene()).toBe(drawn);
    // Another step has nothing of this one
    preview.step.set({ ...initialStep(arch, 'other'), rise: '0 m' });
    expect(preview.scene()).toBeUndefined();
  });
});
