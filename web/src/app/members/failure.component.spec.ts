import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import { LONG_WORKER } from '../state/calculation/long-work.service';
import { WorkerInPage } from '../testing/worker-in-page';
import { FailureFrameComponent } from './failure-frame.component';
import { FailurePath } from './failure-path.service';
import { FailureComponent } from './failure.component';

describe('FailureComponent', () => {
  let fixture: ComponentFixture<FailureComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    for (let i = 0; i < 3; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await fixture.whenStable();
    }
  };
  const press = async (words: string) => {
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === words)!.click();
    for (let i = 0; i < 100 && TestBed.inject(FailurePath).state().running; i++) await settled();
    await settled();
  };

  beforeEach(async () => {
    openDesign(undefined, [FailurePath, { provide: LONG_WORKER, useValue: () => new WorkerInPage() }]);
    fixture = TestBed.createComponent(FailureComponent);
    document.body.append(host());
    await settled();
  });

  it('raises the first variable case over the permanent ones, and tells the verdict and every event', async () => {
    expect(host().querySelector<HTMLInputElement>('input[placeholder=nothing]')!.value).toBe('G=1');
    await press('Raise until it fails');
    expect(host().querySelector('.verdict')!.textContent).toMatch(/yields first, at/);
    const events = [...host().querySelectorAll('ol li')].map((one) => one.textContent);
    expect(events.length).toBeGreaterThan(1);
    expect(host().querySelectorAll('.event').length).toBe(events.length);
  });

  it('the frame follows the cursor along the path', async () => {
    await press('Raise until it fails');
    const path = TestBed.inject(FailurePath);
    const frame = TestBed.createComponent(FailureFrameComponent);
    frame.componentRef.setInput('of', path.result());
    frame.componentRef.setInput('name', 'shed');
    const lookAt = (index: number) => {
      path.lookAt(index);
      frame.componentRef.setInput('at', path.at());
      frame.detectChanges();
      const element = frame.nativeElement as HTMLElement;
      return {
        failed: element.querySelectorAll('.failed').length,
        first: element.querySelector('.now')!.getAttribute('d'),
        before: element.querySelector('.before')!.getAttribute('d'),
      };
    };
    const start = lookAt(0);
    expect(start.failed).toBe(0);
    const end = lookAt(path.result()!.curve.length - 1);
    expect(end.failed).toBeGreaterThan(0);
    expect(end.first).not.toBe(end.before);
  });

  it('refuses a factor that is none, at its place', async () => {
    const most = host().querySelector<HTMLInputElement>('input[inputmode=decimal]')!;
    most.value = 'x';
    most.dispatchEvent(new Event('input'));
    await press('Raise until it fails');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('a number above zero');
  });
});
