import { TestBed } from '@angular/core/testing';
import { Shown } from '../../testing/shown';
import { ViewState } from '../../state/view-state.service';
import { StageBarComponent } from './stage-bar.component';

describe('StageBarComponent', () => {
  const labels = ({ host }: Shown) =>
    [...host.querySelectorAll('label')].map((one) => one.textContent.trim()).filter((text) => text !== '');
  const diagrams = ({ host }: Shown) =>
    [...host.querySelectorAll('p-selectbutton')][0]
      ? [...host.querySelectorAll('p-togglebutton')].map((one) => one.textContent.trim())
      : [];

  it('offers the diagrams of a plane frame, and what else is drawn', async () => {
    const shown = await Shown.of(StageBarComponent);
    expect(diagrams(shown)).toEqual(['bare', 'N', 'V', 'M', 'σ', 'η']);
    expect(labels(shown)).toEqual(['loads', 'reactions', 'sections', 'deformed']);
  });

  it('leaves out of a shape what belongs to forces, and offers its scale', async () => {
    const shown = await Shown.of(StageBarComponent);
    TestBed.inject(ViewState).showResult('mode.1');
    await shown.settled();
    expect(diagrams(shown)).toEqual([]);
    expect(labels(shown)).toEqual(['loads', 'sections', 'moving']);
    expect(shown.host.querySelector('.factor')).not.toBeNull();
  });

  it('groups members only where no diagram is drawn', async () => {
    const shown = await Shown.of(StageBarComponent);
    const grouping = () => shown.host.querySelector('[aria-label="Group members by"]');
    expect(grouping()).toBeNull();
    TestBed.inject(ViewState).diagram.set('none');
    await shown.settled();
    expect(grouping()).not.toBeNull();
  });

  it('takes a typed scale of the deformed shape, and 1:1 and auto by a press', async () => {
    const shown = await Shown.of(StageBarComponent);
    const view = TestBed.inject(ViewState);
    view.deformed.set(true);
    await shown.settled();
    const field = shown.host.querySelector<HTMLInputElement>('.factor')!;
    field.value = '× 20';
    field.dispatchEvent(new Event('change'));
    expect(view.deformation()).toEqual({ kind: 'fixed', factor: 20 });
    field.value = 'nonsense';
    field.dispatchEvent(new Event('change'));
    expect(view.deformation()).toEqual({ kind: 'fixed', factor: 20 });
    await shown.press('1:1');
    expect(view.deformation()).toEqual({ kind: 'fixed', factor: 1 });
    await shown.press('auto');
    expect(view.deformation()).toEqual({ kind: 'automatic' });
  });
});
