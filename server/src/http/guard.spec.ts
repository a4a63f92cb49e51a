import { request } from 'node:http';
import { connect } from 'node:net';
import { rawProblem, type ProblemDetails } from './problem-details.js';
import { serve, type Served } from '../testing/serve.js';

interface Answer {
  readonly status: number;
  readonly headers: Record<string, string | string[] | undefined>;
  readonly body: ProblemDetails;
}

/** Threads that read large documents run from source here, which is translated first; a busy machine takes its time for that, ms. */
const forThreads = 60_000;

describe('what the server lets in', () => {
  let served: Served;
  let port: number;

  beforeAll(async () => {
    served = await serve({ names: ['frames.example'] });
    served.server.on('clientError', (_error, socket) => socket.end(rawProblem(400)));
    ({ port } = served);
  });
  afterAll(() => served.close());

  /** A request with headers that `fetch` would not send. */
  const ask = (
    method: string,
    path: string,
    headers: Record<string, string> = {},
    body: string | Buffer = '',
  ): Promise<Answer> =>
    new Promise((resolve, reject) => {
      const sent = request({ port, host: '127.0.0.1', method, path, headers }, (response) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => {
          const text = Buffer.concat(parts).toString();
          resolve({
            status: response.statusCode!,
            headers: response.headers,
            body: (text.startsWith('{') ? JSON.parse(text) : {}) as ProblemDetails,
          });
        });
      });
      sent.on('error', reject);
      sent.end(body);
    });

  it('goes by addresses, localhost and the names it was given', async () => {
    for (const host of [`127.0.0.1:${port}`, `[::1]:${port}`, 'localhost', `frames.example:${port}`])
      expect((await ask('GET', '/api/health', { Host: host })).status)
        .withContext(host)
        .toBe(200);
    for (const host of ['evil.example', `evil.example:${port}`, 'localhost.evil.example']) {
      const { status, body } = await ask('GET', '/api/designs', { Host: host });
      expect(status).withContext(host).toBe(421);
      expect(body.detail).toContain('--allow-host');
    }
  });

  it('carries out nothing that another origin asks for', async () => {
    const own = `http://127.0.0.1:${port}`;
    expect((await ask('GET', '/api/designs', { Origin: own })).status).toBe(200);
    for (const headers of [
      { Origin: 'https://evil.example' },
      { Origin: 'null' },
      { 'Sec-Fetch-Site': 'cross-site' },
    ]) {
      const { status, body } = await ask('GET', '/api/designs', headers as unknown as Record<string, string>);
      expect([status, body.type]).toEqual([403, 'urn:hashira:problem:foreign-origin']);
    }
  });

  it('wants changes to be meant: JSON, or its own header', async () => {
    expect((await ask('POST', '/api/designs/x/duplicate')).status).toBe(415);
    expect((await ask('POST', '/api/designs/x/duplicate', { 'X-Hashira': 'spec' })).status).toBe(404);
    const form = { 'Content-Type': 'application/x-www-form-urlencoded' };
    expect((await ask('POST', '/api/designs', form, 'title=x')).status).toBe(415);
  });

  it('names the methods of an address', async () => {
    for (const [method, path, allow] of [
      ['PATCH', '/api/designs', 'GET, POST'],
      ['POST', '/api/designs/x', 'GET, PUT, DELETE'],
      ['DELETE', '/api/designs/x/revisions', 'GET'],
      ['PUT', '/api/health', 'GET'],
    ] as const) {
      const { status, headers } = await ask(method, path, { 'X-Hashira': 'spec' });
      expect([status, headers['allow']]).withContext(`${method} ${path}`).toEqual([405, allow]);
    }
  });

  it('lays what cannot be read at the client’s door, and nobody keeps an error', async () => {
    const json = { 'Content-Type': 'application/json' };
    for (const [method, path, headers, body] of [
      ['GET', '/api/designs/%E0%A4%A', {}, ''],
      ['POST', '/api/designs', { ...json, 'Content-Encoding': 'gzip' }, 'not gzip'],
      ['PUT', '/api/designs/x', { ...json, 'If-Match': `"${'9'.repeat(400)}"` }, '{}'],
    ] as const) {
      const answer = await ask(method, path, headers, body);
      expect(answer.status).withContext(path).toBe(400);
      expect(answer.headers['cache-control']).toBe('no-store');
      expect(answer.body.detail).toMatch(/^[A-Z].*\.$/);
    }
  });

  it(
    'tells fifty problems of a large document, and how many more there are',
    async () => {
      const parameters = Array.from({ length: 300_000 }, () => ({}));
      const body = JSON.stringify({ format: 'hashira-design', version: 2, title: 'x', parameters });
      const { status, body: answer } = await ask(
        'POST',
        '/api/designs',
        { 'Content-Type': 'application/json' },
        body,
      );
      expect(status).toBe(422);
      expect(answer.problems!.length).toBeLessThanOrEqual(51);
      expect(answer.detail.length).toBeLessThan(400);
    },
    forThreads,
  );

  it(
    'answers a document that is nested a hundred thousand times',
    async () => {
      const deep = `{"format":"hashira-design","version":2,"steps":${'['.repeat(1e5)}${']'.repeat(1e5)}}`;
      const { status, body } = await ask(
        'POST',
        '/api/designs',
        { 'Content-Type': 'application/json' },
        deep,
      );
      expect(status).toBe(422);
      expect(body.type).toBe('urn:hashira:problem:invalid-design');
    },
    forThreads,
  );

  it('answers bytes that are no request in the same form', async () => {
    const text = await new Promise<string>((resolve, reject) => {
      const socket = connect(port, '127.0.0.1', () => socket.write('NONSENSE\r\n\r\n'));
      let got = '';
      socket.on('data', (part) => (got += part.toString()));
      socket.on('end', () => resolve(got));
      socket.on('error', reject);
    });
    expect(text).toMatch(/^HTTP\/1\.1 400 /);
    expect(text).toContain('application/problem+json');
  });
});
