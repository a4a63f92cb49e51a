import { TestBed } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import type { DesignWorkspace } from './design-workspace.service';
import { MemberDrawing } from './member-drawing.service';

describe('MemberDrawing', () => {
  let workspace: DesignWorkspace;
  let drawing: MemberDrawing;
  beforeEach(() => {
    workspace = openDesign();
    drawing = TestBed.inject(MemberDrawing);
  });
  const steps = () => workspace.state()!.design.steps;

  it('draws a member from place to place, attached to both, as one change', async () => {
    const count = steps().length;
    drawing.begin();
    await drawing.point('shed.column.1', 0.34);
    expect(drawing.at()!.title).toBe('1/3 of left column');
    drawing.press();
    await drawing.point('shed.column.2', 0.98);
    expect(drawing.sketch()!.title).toBe('right eaves');
    drawing.press();
    expect(steps().length).toBe(count + 1);
    expect(steps().at(-1)!['points']).toEqual(['shed.column.1@1/3', 'shed.eaves.2']);
    // Ready for the next one
    expect(drawing.from()).toBeUndefined();
    expect(drawing.active()).toBeTrue();
    workspace.undo();
    expect(steps().length).toBe(count);
  });

  it('ends a member by a typed length towards what was pointed at, or by coordinates', async () => {
    drawing.begin();
    await drawing.point('shed.column.1', 0.5);
    drawing.press();
    await drawing.point('shed.column.2', 0.5);
    await drawing.point(undefined);
    expect(drawing.finish('nonsense')).toContain('nonsense');
    expect(drawing.finish('4 m')).toBe('');
    expect(steps().at(-1)!['points']).toEqual(['shed.column.1@1/2', ['4 m', '3.2 m']]);
    await drawing.point('shed.column.2', 0.5);
    drawing.press();
    expect(drawing.finish('span / 2, 1')).toBe('');
    expect(steps().at(-1)!['points']).toEqual(['shed.column.2@1/2', ['span / 2', '1 m']]);
  });

  it('does not end where it began, and goes back one step at a time', async () => {
    const count = steps().length;
    drawing.begin();
    await drawing.point('shed.column.1', 0.5);
    drawing.press();
    drawing.press();
    expect(steps().length).toBe(count);
    drawing.back();
    expect(drawing.from()).toBeUndefined();
    expect(drawing.active()).toBeTrue();
    drawing.back();
    expect(drawing.active()).toBeFalse();
    expect(drawing.sketch()).toBeUndefined();
  });

  it('has no place where nothing is pointed at, and takes none then', async () => {
    drawing.begin();
    await drawing.point('shed.column.1', 0.5);
    await drawing.point(undefined);
    expect(drawing.at()).toBeUndefined();
    drawing.press();
    expect(drawing.from()).toBeUndefined();
  });
});
