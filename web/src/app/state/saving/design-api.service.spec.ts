import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { slipShed } from '../../testing/slip-shed';
import { ApiProblem, DesignApi } from './design-api.service';
import { readDesignFile } from './design-file';

describe('DesignApi', () => {
  let api: DesignApi;
  let http: HttpTestingController;

  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    api = TestBed.inject(DesignApi);
    http = TestBed.inject(HttpTestingController);
  });
  afterEach(() => http.verify());

  it('names the revision that a save is based on', () => {
    let revision = 0;
    api.save('x', 7, slipShed()).subscribe((saved) => (revision = saved));
    const request = http.expectOne({ method: 'PUT', url: '/api/designs/x' });
    expect(request.request.headers.get('If-Match')).toBe('"7"');
    request.flush({ revision: 8 });
    expect(revision).toBe(8);
  });

  it('turns problem details into their sentence', () => {
    let problem: unknown;
    api.remove('x', 1).subscribe({ error: (error: unknown) => (problem = error) });
    http
      .expectOne({ method: 'DELETE', url: '/api/designs/x' })
      .flush({ detail: 'It was changed elsewhere.' }, { status: 412, statusText: 'Precondition Failed' });
    expect(problem).toBeInstanceOf(ApiProblem);
    expect((problem as ApiProblem).status).toBe(412);
    expect((problem as ApiProblem).message).toBe('It was changed elsewhere.');
  });

  it('reads a document without keeping it, or says each thing that is wrong with it', () => {
    const read: string[] = [];
    let problem: ApiProblem | undefined;
    const take = {
      next: ({ title }: { title: string }) => void read.push(title),
      error: (error: unknown) => void (problem = error as ApiProblem),
    };
    api.read({ title: 'half' }).subscribe(take);
    const first = http.expectOne({ method: 'POST', url: '/api/designs/read' });
    expect(first.request.body).toEqual({ title: 'half' });
    first.flush({ document: slipShed() });
    expect(read).toEqual(['Slip shed']);
    api.read({}).subscribe(take);
    const problems = [
      { code: 'invalid-design', message: 'One thing', where: { path: '/steps' } },
      { code: 'invalid-design', message: 'Another', where: { path: '/rules/0' } },
    ];
    http
      .expectOne('/api/designs/read')
      .flush({ detail: 'One thing', problems }, { status: 422, statusText: 'Unprocessable Content' });
    expect(problem!.problems).toEqual(problems);
    expect(problem!.message).toBe('One thing');
  });

  it('says when nobody answers, and when an answer has no words', () => {
    const problems: ApiProblem[] = [];
    const take = { error: (error: unknown) => void problems.push(error as ApiProblem) };
    api.list().subscribe(take);
    http.expectOne('/api/designs').error(new ProgressEvent('error'));
    api.load('x').subscribe(take);
    http.expectOne('/api/designs/x').flush('<html>', { status: 502, statusText: 'Bad Gateway' });
    expect(problems.map((p) => p.status)).toEqual([0, 502]);
    expect(problems[0]!.message).toContain('does not answer');
    expect(problems[1]!.message).toContain('502');
  });

  it('duplicates, restores and creates with POST', () => {
    api.duplicate('x').subscribe();
    api.restore('x').subscribe();
    api.create({ any: 'thing' }).subscribe();
    for (const url of ['/api/designs/x/duplicate', '/api/designs/x/restore', '/api/designs'])
      http.expectOne({ method: 'POST', url }).flush({});
  });
});

describe('a chosen file', () => {
  it('is read as JSON', async () => {
    expect(await readDesignFile(new File(['{"a": 1}'], 'a.json'))).toEqual({ a: 1 });
  });

  it('that is something else is refused by its name', async () => {
    await expectAsync(readDesignFile(new File(['PNG'], 'photo.png'))).toBeRejectedWithError(
      /"photo.png" is not a design file/,
    );
  });
});
