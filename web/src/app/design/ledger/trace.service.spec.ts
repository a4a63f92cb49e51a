import { TestBed } from '@angular/core/testing';
import { setParameter } from '@hashira/core';
import { openDesign } from '../../testing/open-design';
import { TraceService } from './trace.service';

describe('TraceService', () => {
  const figure = (name: string) =>
    ({ kind: 'figure', alternative: 'pinned', title: 'Pinned bases', figure: name, code: 'EN1993' }) as const;
  const answered = () => new Promise((done) => setTimeout(done));

  it('shows the way to a figure, and asks anew when results change', async () => {
    const workspace = openDesign();
    const traces = TestBed.inject(TraceService);
    traces.open(figure('vertical-reaction'));
    await answered();
    const before = traces.trace()!;
    expect(before.title).toBe('Vertical reaction');
    expect(before.about).toMatch(/^Pinned bases: (left|right) base, U\d$/);
    expect(before.steps.length).toBeGreaterThan(1);
    workspace.apply((design) => setParameter(design, 'span', '30 m'));
    await traces.refresh();
    expect(traces.trace()!.value).not.toBe(before.value);
  });

  it('of one load case alone', async () => {
    openDesign();
    const traces = TestBed.inject(TraceService);
    traces.open({ ...figure('vertical-reaction'), result: 'S' });
    await answered();
    // Half of 4.4 kN/m on 22 m
    expect(traces.trace()!.value).toBe('48.4\u00a0kN');
  });

  it('gives the focus back to what opened it', async () => {
    openDesign();
    const button = document.createElement('button');
    document.body.append(button);
    button.focus();
    const traces = TestBed.inject(TraceService);
    traces.open(figure('mass'));
    await answered();
    button.blur();
    traces.close();
    expect(document.activeElement).toBe(button);
    expect(traces.trace()).toBeUndefined();
    button.remove();
  });

  it('of what an alternative does not have is empty', async () => {
    openDesign();
    const traces = TestBed.inject(TraceService);
    traces.open({ ...figure('mass'), alternative: 'nobody' });
    await answered();
    expect(traces.trace()).toBeUndefined();
  });
});
