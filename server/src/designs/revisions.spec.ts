import { slipShed } from '../../../core/src/testing/designs.js';
import { DesignStore } from './design-store.js';
import { serve, type Served } from '../testing/serve.js';

interface Revision {
  revision: number;
  title: string;
  savedAt: string;
  name: string | null;
  changed: string[] | null;
}

describe('revisions of a design', () => {
  let served: Served;
  let store: DesignStore;
  let base: string;
  let id: string;

  beforeEach(async () => {
    served = await serve();
    ({ store } = served);
    base = `${served.url}/api/designs`;
    ({ id } = (await (await send('POST', '', slipShed())).json()) as { id: string });
  });
  afterEach(() => served.close());

  const send = (method: string, path: string, body?: unknown, revision?: number) =>
    fetch(base + path, {
      method,
      headers: {
        ...(body === undefined ? { 'X-Hashira': 'spec' } : { 'Content-Type': 'application/json' }),
        ...(revision === undefined ? {} : { 'If-Match': `"${revision}"` }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  const saveTitle = (title: string, revision: number) =>
    send('PUT', `/${id}`, { ...slipShed(), title }, revision);
  const list = async () => (await (await send('GET', `/${id}/revisions`)).json()) as Revision[];

  it('are kept with every save, and restored as a new one', async () => {
    await saveTitle('Second', 1);
    await saveTitle('Third', 2);
    expect((await list()).map(({ revision, title }) => [revision, title])).toEqual([
      [3, 'Third'],
      [2, 'Second'],
      [1, 'Slip shed'],
    ]);
    const second = (await (await send('GET', `/${id}/revisions/2`)).json()) as {
      document: { title: string };
    };
    expect(second.document.title).toBe('Second');
    const restored = await send('POST', `/${id}/revisions/2/restore`, undefined, 3);
    expect(restored.headers.get('ETag')).toBe('"4"');
    expect(((await restored.json()) as { document: { title: string } }).document.title).toBe('Second');
    expect((await list()).length).toBe(4);
    expect((await send('POST', `/${id}/revisions/1/restore`, undefined, 3)).status).toBe(412);
  });

  it('say in words what they changed; of many changes how many more there are', async () => {
    const shed = slipShed();
    const wider = {
      ...shed,
      parameters: shed.parameters.map((p) => (p.name === 'span' ? { ...p, value: '24 m' } : p)),
    };
    await send('PUT', `/${id}`, wider, 1);
    const renamed = wider.parameters.map((p) => ({ ...p, title: `${p.title} (new)` }));
    await send('PUT', `/${id}`, { ...wider, parameters: renamed }, 2);
    const [third, second, first] = await list();
    expect(first!.changed).toBeNull();
    expect(second!.changed).toEqual(['Span: 22 m → 24 m']);
    expect(third!.changed!.length).toBe(12);
    expect(third!.changed!.at(-1)).toBe(`and ${renamed.length - 11} more`);
  });

  it('are not made by a save that changes nothing', async () => {
    expect((await send('PUT', `/${id}`, slipShed(), 1)).headers.get('ETag')).toBe('"1"');
    expect((await list()).length).toBe(1);
  });

  it('can be named, and unknown ones are told', async () => {
    expect((await send('PUT', `/${id}/revisions/1`, { name: '  As tendered ' })).status).toBe(200);
    expect((await list())[0]!.name).toBe('As tendered');
    expect((await send('PUT', `/${id}/revisions/1`, { name: 7 })).status).toBe(422);
    expect((await send('PUT', `/${id}/revisions/9`, { name: 'x' })).status).toBe(404);
    expect((await send('GET', `/${id}/revisions/x`)).status).toBe(404);
  });

  it('are thinned to the last of each day beyond the newest hundred; named ones stay', async () => {
    for (let n = 1; n < 150; n++) {
      await saveTitle(`T${n}`, n);
      if (n === 3) await store.nameRevision(id, 3, 'Kept');
    }
    const numbers = (await list()).map(({ revision }) => revision);
    expect(numbers.slice(0, 100)).toEqual(Array.from({ length: 100 }, (_, i) => 150 - i));
    // Of the fifty older ones, all of today: the last and the named one
    expect(numbers.slice(100)).toEqual([50, 3]);
  }, 30_000);

  it('tell every open page that a design was saved', async () => {
    const stream = await fetch(`${base}/events`);
    expect(stream.headers.get('Content-Type')).toContain('text/event-stream');
    const reader = stream.body!.getReader();
    const decoder = new TextDecoder();
    await saveTitle('Second', 1);
    let text = '';
    while (!text.includes('data:')) text += decoder.decode((await reader.read()).value as Uint8Array);
    expect(text).toContain(`data: ${JSON.stringify({ id, revision: 2 })}`);
    await reader.cancel();
    // Who asks only for the head is not kept waiting
    expect((await fetch(`${base}/events`, { method: 'HEAD' })).status).toBe(200);
  });

  it('go with their design, thirty days after it was deleted', async () => {
    await send('DELETE', `/${id}`, undefined, 1);
    const deleted = (await (await send('GET', '/deleted')).json()) as {
      keptDays: number;
      designs: { id: string }[];
    };
    expect(deleted.keptDays).toBe(30);
    expect(deleted.designs.map((design) => design.id)).toEqual([id]);
    expect(await store.purge(new Date(Date.now() + 29 * 86_400_000))).toBe(0);
    expect(await store.purge(new Date(Date.now() + 31 * 86_400_000))).toBe(1);
    expect((await send('POST', `/${id}/restore`)).status).toBe(404);
    expect(await store.revisions(id)).toEqual([]);
  });
});
