import { TestBed } from '@angular/core/testing';
import { startingPoints } from '@hashira/core';
import { Shown } from '../../testing/shown';
import { ViewState } from '../../state/view-state.service';
import { CutListComponent } from './cut-list.component';

let shown: Shown;
const rows = () =>
  [...shown.host.querySelectorAll('tbody tr')].map((row) =>
    [...row.querySelectorAll('th, td')].map((cell) => cell.textContent.trim()).join(' '),
  );

describe('CutListComponent', () => {
  it('lists equal pieces under one mark: the shed has two columns of 6.4 m and two rafters of 11 m / cos 9°', async () => {
    shown = await Shown.of(CutListComponent);
    expect(rows().length).toBe(2);
    // HEB 300: 117 kg/m (EN 10365) over 6.4 m
    expect(rows()[0]).toMatch(/^1 HEB 300 2 6400 square square 749 1498 left column; right column/);
    expect(rows()[1]).toContain(` ${(11000 / Math.cos((9 * Math.PI) / 180)).toFixed(0)} `);
    expect(shown.text).toContain('of steel in 4 pieces');
  });

  it('is put in the order of a column by its head: the longest last, then first', async () => {
    shown = await Shown.of(CutListComponent);
    const length = [...shown.host.querySelectorAll<HTMLElement>('thead th')].find((one) =>
      one.textContent.trim().startsWith('length'),
    )!;
    const marks = () => rows().map((row) => row.split(' ')[0]);
    length.click();
    await shown.settled();
    expect(marks()).toEqual(['1', '2']);
    length.click();
    await shown.settled();
    expect(marks()).toEqual(['2', '1']);
  });

  it('tells mitres: the corners of a bed are cut at 45°', async () => {
    const bed = startingPoints.find(({ kind }) => kind === 'machine-frame')!.design();
    shown = await Shown.of(CutListComponent, bed);
    expect(rows().some((row) => row.includes('45.0° 45.0°'))).toBeTrue();
  });

  it('lights up where the pieces of a row go', async () => {
    shown = await Shown.of(CutListComponent);
    const view = TestBed.inject(ViewState);
    shown.host.querySelector('tbody tr')!.dispatchEvent(new PointerEvent('pointerenter'));
    expect(view.highlighted()).toEqual(['shed.column.1', 'shed.column.2']);
    shown.host.querySelector('tbody tr')!.dispatchEvent(new PointerEvent('pointerleave'));
    expect(view.highlighted()).toEqual([]);
  });
});
