import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { of, throwError } from 'rxjs';
import { ApiProblem, DesignApi } from '../state/saving/design-api.service';
import { rememberOpened } from '../state/saving/last-opened';
import { StartComponent } from './start.component';

describe('StartComponent', () => {
  const designs = [{ id: 'latest' }, { id: 'earlier' }];
  let list: jasmine.Spy;
  let went: unknown[];

  async function start(): Promise<HTMLElement> {
    const fixture = TestBed.createComponent(StartComponent);
    await new Promise((done) => setTimeout(done));
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  }

  beforeEach(() => {
    localStorage.removeItem('hashira.lastOpened');
    list = jasmine.createSpy('list').and.returnValue(of(designs));
    went = [];
    TestBed.configureTestingModule({
      providers: [provideRouter([]), { provide: DesignApi, useValue: { list } }],
    });
    spyOn(TestBed.inject(Router), 'navigate').and.callFake((where) => {
      went.push(where);
      return Promise.resolve(true);
    });
  });
  afterAll(() => localStorage.removeItem('hashira.lastOpened'));

  it('opens the design that was open last in this browser', async () => {
    rememberOpened('earlier');
    await start();
    expect(went).toEqual([['/designs', 'earlier']]);
  });

  it('opens the one that was changed last where none was open, or that one is gone', async () => {
    await start();
    rememberOpened('gone');
    await start();
    expect(went).toEqual([
      ['/designs', 'latest'],
      ['/designs', 'latest'],
    ]);
  });

  it('shows the list where there is no design', async () => {
    list.and.returnValue(of([]));
    await start();
    expect(went).toEqual([['/designs']]);
  });

  it('says what is wrong, and tries again', async () => {
    list.and.returnValue(throwError(() => new ApiProblem(0, 'The server does not answer.')));
    const host = await start();
    expect(host.querySelector('[role=alert]')!.textContent).toBe('The server does not answer.');
    list.and.returnValue(of(designs));
    host.querySelector('button')!.click();
    await new Promise((done) => setTimeout(done));
    expect(went).toEqual([['/designs', 'latest']]);
  });
});
