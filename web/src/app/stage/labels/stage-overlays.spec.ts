import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { StageOverlays, StageOverlayDirective } from './stage-overlays';

/** A sheet of 400 × 300 px, 10 px from the page's corner, with two things over it. */
@Component({
  selector: 'app-laid-over',
  imports: [StageOverlayDirective],
  providers: [StageOverlays],
  template: `
    <div class="sheet" style="position: absolute; left: 10px; top: 10px; width: 400px; height: 300px"></div>
    <p
      appStageOverlay
      style="position: absolute; left: 33px; top: 20px; margin: 0; height: 16px"
      [style.width.px]="wide()"
    ></p>
    @if (second()) {
      <p appStageOverlay style="position: absolute; left: 210px; top: 282px; width: 80px; height: 20px"></p>
    }
  `,
})
class LaidOverComponent {
  readonly wide = signal(50);
  readonly second = signal(true);
}

describe('what stands over a sheet', () => {
  const observed = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 20)));

  it('is told as boxes from the sheet’s corner, whole steps of 8 px round it', async () => {
    const fixture = TestBed.createComponent(LaidOverComponent);
    const host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    const over = fixture.debugElement.injector.get(StageOverlays);
    over.setSheet(host.querySelector('.sheet')!);
    await fixture.whenStable();
    await observed();
    // 23 to 73 and 10 to 26; 200 to 280 and 288 (with the margin of a paragraph) to 308
    const first = { left: 16, top: 8, width: 64, height: 24 };
    const [one, two] = over.boxes();
    expect(one).toEqual(first);
    expect({ left: two!.left, width: two!.width }).toEqual({ left: 200, width: 80 });

    const size = { width: 400, height: 300 };
    expect(over.floor(size)).toBe(300);

    // A little wider it is within the same box, much wider in another
    const before = over.boxes();
    fixture.componentInstance.wide.set(54);
    await fixture.whenStable();
    await observed();
    expect(over.boxes()).toBe(before);
    fixture.componentInstance.wide.set(90);
    fixture.componentInstance.second.set(false);
    await fixture.whenStable();
    await observed();
    expect(over.boxes()).toEqual([{ ...first, width: 104 }]);

    // What lies over more than half of the width is where the sheet ends for what has to be read
    fixture.componentInstance.wide.set(390);
    await fixture.whenStable();
    await observed();
    expect(over.floor(size)).toBe(8);
    host.remove();
  });
});
