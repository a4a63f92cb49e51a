import { slipShed } from '../../../core/src/testing/designs.js';
import { fileURLToPath } from 'node:url';
import { DesignStore } from './design-store.js';
import { loadDemo } from './load-demo.js';
import { serve, type Served } from '../testing/serve.js';

const demoFolder = fileURLToPath(new URL('../../../core/demo', import.meta.url));

describe('the designs’ REST interface', () => {
  let served: Served;
  let base: string;

  beforeEach(async () => {
    served = await serve();
    base = `${served.url}/api/designs`;
  });
  afterEach(() => served.close());

  const send = (method: string, path: string, body?: unknown, revision?: number) =>
    fetch(base + path, {
      method,
      headers: {
        ...(body === undefined ? { 'X-Hashira': 'spec' } : { 'Content-Type': 'application/json' }),
        ...(revision === undefined ? {} : { 'If-Match': `"${revision}"` }),
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });

  async function create(): Promise<string> {
    const response = await send('POST', '', slipShed());
    expect(response.status).toBe(201);
    expect(response.headers.get('ETag')).toBe('"1"');
    return ((await response.json()) as { id: string }).id;
  }

  it('stores a design and gives it back as it was', async () => {
    const id = await create();
    const response = await send('GET', `/${id}`);
    const stored = (await response.json()) as { revision: number; document: unknown };
    expect(stored.document).toEqual(slipShed());
    expect(stored.revision).toBe(1);
    const list = (await (await send('GET', '')).json()) as Record<string, unknown>[];
    expect(list).toEqual([
      jasmine.objectContaining({ id, title: 'Slip shed', alternatives: 4, revision: 1 }),
    ]);
    expect(list[0]!['document']).toBeUndefined();
  });

  it('saves over the revision that a change is based on, and over no other', async () => {
    const id = await create();
    const unread = await fetch(`${base}/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': '"01"' },
      body: JSON.stringify(slipShed()),
    });
    expect(unread.status).toBe(400);
    const saved = await send('PUT', `/${id}`, { ...slipShed(), title: 'First' }, 1);
    expect(saved.status).toBe(200);
    expect(saved.headers.get('ETag')).toBe('"2"');
    const late = await send('PUT', `/${id}`, { ...slipShed(), title: 'Second' }, 1);
    expect(late.status).toBe(412);
    expect(late.headers.get('Content-Type')).toContain('application/problem+json');
    const problem = (await late.json()) as Record<string, unknown>;
    expect(problem).toEqual(
      jasmine.objectContaining({ type: 'urn:hashira:problem:conflict', status: 412, revision: 2 }),
    );
    const stored = (await (await send('GET', `/${id}`)).json()) as { document: { title: string } };
    expect(stored.document.title).toBe('First');
  });

  it('of twenty saves at once over one revision exactly one is taken', async () => {
    const id = await create();
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) => send('PUT', `/${id}`, { ...slipShed(), title: `T${i}` }, 1)),
    );
    const codes = answers.map((answer) => answer.status).sort((a, b) => a - b);
    expect(codes).toEqual([200, ...Array.from({ length: 19 }, () => 412)]);
  });

  it('wants a revision for every change', async () => {
    const id = await create();
    expect((await send('PUT', `/${id}`, slipShed())).status).toBe(428);
    expect((await send('DELETE', `/${id}`)).status).toBe(428);
    const response = await fetch(`${base}/${id}`, {
      method: 'DELETE',
      headers: { 'If-Match': '*', 'X-Hashira': 'spec' },
    });
    expect(response.status).toBe(400);
  });

  it('deletes so that it can be undone', async () => {
    const id = await create();
    expect((await send('DELETE', `/${id}`, undefined, 1)).status).toBe(204);
    expect((await send('GET', `/${id}`)).status).toBe(404);
    expect((await send('PUT', `/${id}`, slipShed(), 1)).status).toBe(404);
    expect(await (await send('GET', '')).json()).toEqual([]);
    expect((await send('POST', `/${id}/restore`)).status).toBe(200);
    expect((await send('GET', `/${id}`)).status).toBe(200);
  });

  it('lists what was decided, and the preview of the current revision', async () => {
    const id = await create();
    const decided = { ...slipShed(), decision: { alternative: 'pinned', note: 'cheaper footings' } };
    await send('PUT', `/${id}`, decided, 1);
    const preview = { reference: 'Fixed bases', figures: [], statuses: ['pass'], picture: '<svg ></svg>' };
    expect((await send('PUT', `/${id}/preview`, preview, 1)).status).toBe(412);
    expect((await send('PUT', `/${id}/preview`, preview, 2)).status).toBe(204);
    const wrong = await send('PUT', `/${id}/preview`, { ...preview, picture: '<script>' }, 2);
    expect(wrong.status).toBe(422);
    const list = async () => ((await (await send('GET', '')).json()) as Record<string, unknown>[])[0]!;
    expect(await list()).toEqual(
      jasmine.objectContaining({ decided: 'Pinned bases', decidedWhy: 'cheaper footings', preview }),
    );
    await send('PUT', `/${id}`, { ...decided, title: 'Other' }, 2);
    expect((await list())['preview']).toBeUndefined();
    expect((await send('PUT', '/none/preview', preview, 1)).status).toBe(404);
  });

  it('duplicates under a title of its own', async () => {
    const id = await create();
    await send('POST', `/${id}/duplicate`);
    await send('POST', `/${id}/duplicate`);
    const list = (await (await send('GET', '')).json()) as { title: string }[];
    expect(list.map((design) => design.title).sort()).toEqual([
      'Slip shed',
      'Slip shed, copy',
      'Slip shed, copy 2',
    ]);
  });

  it('answers bad requests with problem details', async () => {
    const cases: [Promise<Response>, number, string][] = [
      [send('POST', '', '{"a":'), 400, 'not-json'],
      [send('POST', '', { format: 'x' }), 422, 'invalid-design'],
      [send('POST', '', { ...slipShed(), version: 7 }), 422, 'invalid-design'],
      [send('POST', '', JSON.stringify({ a: 'x'.repeat(3 << 20) })), 413, 'too-large'],
      [
        fetch(base, { method: 'POST', body: 'title=x', headers: { 'Content-Type': 'text/plain' } }),
        415,
        'content-type',
      ],
      [send('GET', '/nothing'), 404, 'no-design'],
      [fetch(`${base}s`), 404, 'no-route'],
    ];
    for (const [request, status, code] of cases) {
      const response = await request;
      expect(response.status).withContext(code).toBe(status);
      const body = (await response.json()) as { type: string; detail: string };
      expect(body.type).toBe(`urn:hashira:problem:${code}`);
      expect(body.detail.length).toBeGreaterThan(10);
    }
    expect(await (await send('GET', '')).json()).toEqual([]);
  });

  it('reads large bodies beside its main thread, to the same answers', async () => {
    const spaced = (design: object) => `${JSON.stringify(design)}${' '.repeat(60_000)}`;
    expect((await send('POST', '', spaced(slipShed()))).status).toBe(201);
    const wrong = await send('POST', '', spaced({ ...slipShed(), figures: 'none' }));
    expect(wrong.status).toBe(422);
    expect(((await wrong.json()) as { detail: string }).detail).toContain('/figures');
    const broken = await send('POST', '', `${' '.repeat(60_000)}{"half`);
    expect(broken.status).toBe(400);
    // Threads that read TypeScript as it stands start slowly on a busy machine
  }, 60_000);

  it('reads a document without keeping it, and says where it is wrong', async () => {
    const { combinations: _, ...short } = slipShed();
    const read = await send('POST', '/read', short);
    expect(read.status).toBe(200);
    const { document } = (await read.json()) as { document: { title: string; combinations: unknown } };
    expect([document.title, document.combinations]).toEqual([short.title, []]);
    const wrong = await send('POST', '/read', { ...slipShed(), reference: 'nobody' });
    expect(wrong.status).toBe(422);
    const { problems } = (await wrong.json()) as { problems: { where: { path: string } }[] };
    expect(problems.map(({ where }) => where.path)).toEqual(['/reference']);
    expect((await send('GET', '/read')).status).toBe(405);
    expect(await (await send('GET', '')).json()).toEqual([]);
  });

  it('answers others while it reads a body of two megabytes', async () => {
    const reading = send('POST', '', `{"parameters":[${'{},'.repeat(600_000)}{}]}`);
    const health = base.replace('/api/designs', '/api/health');
    expect((await fetch(health)).status).toBe(200);
    expect((await reading).status).toBe(422);
  }, 60_000);

  it('sets headers that keep strangers out', async () => {
    const { headers } = await send('GET', '');
    expect(headers.get('Content-Security-Policy')).toContain("script-src 'self' 'wasm-unsafe-eval'");
    expect(headers.get('Cross-Origin-Embedder-Policy')).toBe('require-corp');
    expect(headers.get('X-Content-Type-Options')).toBe('nosniff');
    expect(headers.get('X-Powered-By')).toBeNull();
  });

  it('loads the demo designs once, not again after they were deleted', async () => {
    const store = new DesignStore(served.database);
    expect(await loadDemo(store, demoFolder)).toBe(5);
    const stored = await new DesignStore(served.database).list();
    expect(stored[0]!.title).toBe('Slip shed');
    // Validated from scratch: they are stored as the files have them
    expect(stored.map(({ unreadable }) => unreadable)).toEqual(Array.from({ length: 5 }, () => undefined));
    const [demo] = await store.list();
    await store.remove(demo!.id, demo!.revision);
    expect(await loadDemo(store, demoFolder)).toBe(0);
  });
});
