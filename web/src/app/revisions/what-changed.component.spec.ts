import { ComponentFixture, TestBed } from '@angular/core/testing';
import { setOwnParameter, setParameter, type AlternativeSummary, type Design } from '@hashira/core';
import { of, throwError } from 'rxjs';
import { CalculationAside } from '../state/calculation/calculation-aside.service';
import { ApiProblem, DesignApi } from '../state/saving/design-api.service';
import { known } from '../testing/slip-shed';
import { openDesign, quickShed } from '../testing/open-design';
import { WhatChangedComponent } from './what-changed.component';
import { WhatChanged } from './what-changed.service';

describe('WhatChangedComponent', () => {
  let fixture: ComponentFixture<WhatChangedComponent>;
  let changed: WhatChanged;
  let stored: Design;
  const host = () => fixture.nativeElement as HTMLElement;
  const text = () => host().textContent.replace(/\s+/g, ' ');
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 20));
    await fixture.whenStable();
  };

  beforeEach(() => {
    stored = quickShed();
    const worked: AlternativeSummary = known('fixed').summary;
    openDesign(setParameter(quickShed(), 'span', '24 m'), [
      WhatChanged,
      {
        provide: CalculationAside,
        useValue: {
          calculate: (_: Design, __: string[], told: (summary: AlternativeSummary) => boolean) => {
            told(worked);
            return Promise.resolve();
          },
          end: () => undefined,
        },
      },
      {
        provide: DesignApi,
        useValue: {
          revision: (_: string, revision: number) =>
            revision === 9
              ? throwError(
                  () => new ApiProblem(404, 'The design has no revision 9; it may have been thinned.'),
                )
              : of({ revision, document: stored }),
          read: (document: unknown) => of(document),
        },
      },
    ]);
    fixture = TestBed.createComponent(WhatChangedComponent);
    host().style.cssText = 'display:grid;width:1000px;height:600px';
    document.body.append(host());
    changed = TestBed.inject(WhatChanged);
  });
  afterEach(() => {
    host().remove();
    fixture.destroy();
  });

  it('tells in sentences what changed since a revision, and lights up the places', async () => {
    await changed.compare({ kind: 'revision', revision: 1 }, { kind: 'alternative', id: 'fixed' });
    await settled();
    expect(text()).toContain('revision 1, Fixed bases → Fixed bases');
    expect(text()).toMatch(/Span: 22 m → 24 m/);
    const buttons = [...host().querySelectorAll<HTMLElement>('li button')];
    expect(buttons[0]!.textContent).toMatch(/right.*moved by X 2\.00\sm/);
    buttons[0]!.dispatchEvent(new FocusEvent('focus'));
    expect(changed.highlighted().length).toBeGreaterThan(0);
    buttons[0]!.dispatchEvent(new FocusEvent('blur'));
    expect(changed.highlighted()).toEqual([]);
    expect(host().querySelectorAll('tbody tr').length).toBe(10);
  });

  it('compares two alternatives', async () => {
    await changed.compare({ kind: 'alternative', id: 'fixed' }, { kind: 'alternative', id: 'pinned' });
    await settled();
    expect(text()).toContain('Bases: pinned instead of fixed');
  });

  it('says that nothing changed where that is so', async () => {
    stored = setParameter(quickShed(), 'span', '24 m');
    await changed.compare({ kind: 'revision', revision: 1 }, { kind: 'alternative', id: 'fixed' });
    await settled();
    expect(text()).toContain('Nothing changed.');
  });

  it('takes a file, and says what is wrong with one that is damaged', async () => {
    const other = setOwnParameter(quickShed(), 'fixed', 'eaves', '7 m');
    await changed.compareWithFile(new File([JSON.stringify(other)], 'other.json'));
    await settled();
    expect(text()).toContain('other.json, Fixed bases');
    await changed.compareWithFile(new File(['{'], 'broken.json'));
    expect(changed.problem()).toContain('"broken.json" is not a design file');
    expect(changed.found()).toBeUndefined();
  });

  it('says why a revision cannot be compared', async () => {
    await changed.compare({ kind: 'revision', revision: 9 }, { kind: 'alternative', id: 'fixed' });
    expect(changed.problem()).toContain('no revision 9');
    stored = { ...quickShed(), steps: [] };
    await changed.compare({ kind: 'revision', revision: 1 }, { kind: 'alternative', id: 'fixed' });
    expect(changed.problem()).toMatch(/^revision 1, Fixed bases cannot be built: /);
  });
});
