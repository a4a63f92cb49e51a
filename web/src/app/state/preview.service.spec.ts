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

  it('says why a step would not do', () => {
    preview.step.set({ ...initialStep(arch, 'arch'), rise: '0 m' });
    expect(preview.scene()).toBeUndefined();
    expect(preview.problem()).toContain('rise');
  });
});
