import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { startingPoints } from '@hashira/core';
import { of, throwError } from 'rxjs';
import { ApiProblem, DesignApi } from '../state/saving/design-api.service';
import { NewDesignComponent } from './new-design.component';

describe('NewDesignComponent', () => {
  const created: string[] = [];
  const api = {
    list: () => of([{ title: 'Arch' }]),
    create: ({ title }: { title: string }) => {
      created.push(title);
      return of({ id: 'fresh' });
    },
  };
  let fixture: ComponentFixture<NewDesignComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const card = (title: string) =>
    [...host().querySelectorAll<HTMLButtonElement>('.card')].find((one) => one.textContent.includes(title))!;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 10));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    created.length = 0;
    TestBed.configureTestingModule({
      providers: [provideRouter([]), { provide: DesignApi, useValue: api }],
    });
    fixture = TestBed.createComponent(NewDesignComponent);
    await settled();
  });

  it('shows every starting point with a picture of its own frame', () => {
    const pictures = [...host().querySelectorAll('img')].map(({ src }) => decodeURIComponent(src));
    expect(pictures.length).toBe(startingPoints.length);
    for (const picture of pictures) expect(picture).toMatch(/<line x1="\d/);
    expect(new Set(pictures).size).toBe(pictures.length);
  });

  it('begins a design with a title that is not taken, and opens it', async () => {
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    card('Arch').click();
    await settled();
    expect(created).toEqual(['Arch 2']);
    expect(navigate).toHaveBeenCalledWith(['/designs', 'fresh']);
  });

  it('says why it could not', async () => {
    spyOn(api, 'create').and.returnValue(throwError(() => new ApiProblem(507, 'The disk is full.')));
    card('Beam').click();
    await settled();
    expect(host().querySelector('[role=alert]')!.textContent).toBe('The disk is full.');
    expect(card('Beam').disabled).toBeFalse();
  });
});
