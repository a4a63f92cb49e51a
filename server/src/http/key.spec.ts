import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { addressesOf, checkReach, StartProblem } from '../listening.js';
import { KeyProblem, readKey } from './key.js';
import { expectationProblem, type ProblemDetails } from './problem-details.js';
import { serve, type Served } from '../testing/serve.js';

describe('a server that asks for its key', () => {
  const key = 'a-key-of-the-spec-1234';
  let served: Served;
  let base: string;

  beforeEach(async () => {
    served = await serve({ key });
    served.server.on('checkExpectation', (_request, response) => expectationProblem(response));
    base = served.url;
  });
  afterEach(() => served.close());

  const enter = (given: string, to = '/designs/x') =>
    fetch(`${base}/key`, {
      method: 'POST',
      body: new URLSearchParams({ key: given, to }),
      redirect: 'manual',
    });

  it('lets nobody in without it: pages get a form, the interface a problem', async () => {
    const page = await fetch(`${base}/designs/"><script>`);
    expect(page.status).toBe(401);
    const text = await page.text();
    expect(text).toContain('Key of this server');
    expect(text).not.toContain('<script>');
    const answer = await fetch(`${base}/api/designs`);
    expect(answer.status).toBe(401);
    expect(((await answer.json()) as ProblemDetails).type).toBe('urn:hashira:problem:no-key');
  });

  it('lets a browser in by a cookie that scripts do not see, and goes on to the page that was asked for', async () => {
    const entered = await enter(key);
    expect([entered.status, entered.headers.get('Location')]).toEqual([303, '/designs/x']);
    const cookie = entered.headers.get('Set-Cookie')!;
    expect(cookie).toContain('HttpOnly');
    expect(cookie).toContain('SameSite=Strict');
    expect(cookie).not.toContain(key);
    const list = await fetch(`${base}/api/designs`, { headers: { Cookie: cookie.split(';')[0]! } });
    expect(list.status).toBe(200);
    const forged = await fetch(`${base}/api/designs`, { headers: { Cookie: `hashira-key=${key}` } });
    expect(forged.status).toBe(401);
  });

  it('leads to no other address', async () => {
    for (const to of ['//elsewhere.example', 'https://elsewhere.example', '/\\elsewhere.example'])
      expect((await enter(key, to)).headers.get('Location')).toBe('/');
  });

  it('lets five tries a minute through, of programs too', async () => {
    for (let k = 0; k < 4; k++) expect((await enter('wrong')).status).toBe(401);
    const bearer = (given: string) =>
      fetch(`${base}/api/designs`, { headers: { Authorization: `Bearer ${given}` } });
    expect((await bearer(key)).status).toBe(200);
    expect((await bearer('wrong')).status).toBe(401);
    const late = await enter(key);
    expect(late.status).toBe(429);
    expect(await late.text()).toContain('wait a minute');
    expect((await bearer(key)).status).toBe(401);
  });

  it('makes the key once, for its owner alone', () => {
    const file = join(served.folder, 'key');
    const { key: made, made: isNew } = readKey(file);
    expect(isNew).toBeTrue();
    expect(made.length).toBeGreaterThan(30);
    expect(statSync(file).mode & 0o077).toBe(0);
    expect(readKey(file)).toEqual({ key: made, made: false });
    expect(readFileSync(file, 'utf8').trim()).toBe(made);
    writeFileSync(file, 'short');
    expect(() => readKey(file)).toThrowError(KeyProblem, /shorter than 16/);
    expect(() => readKey(join(served.folder, 'no', 'key'))).toThrowError(KeyProblem, /cannot be used/);
  });

  it('is the only one that listens beyond this machine', () => {
    expect(() => checkReach({ host: '0.0.0.0' })).toThrowError(StartProblem, /--key-file/);
    expect(() => checkReach({ host: '127.0.0.1', behindProxy: true })).toThrowError(
      StartProblem,
      /--key-file/,
    );
    expect(() => checkReach({ host: '127.0.0.1', certificate: 'c' })).toThrowError(StartProblem, /both/);
    for (const host of ['localhost', '::1', '127.0.0.1']) checkReach({ host });
    checkReach({ host: '0.0.0.0', keyFile: 'key' });
    expect(addressesOf({ host: '::1' }, 4600)).toEqual(['http://[::1]:4600']);
    expect(addressesOf({ host: '0.0.0.0', certificate: 'c', certificateKey: 'k' }, 1)[0]).toBe(
      'https://localhost:1',
    );
  });

  it('answers requests without a host, with an address that cannot be read, and with expectations, in words', async () => {
    const { port } = served;
    const { connect } = await import('node:net');
    const raw = (text: string) =>
      new Promise<string>((resolve) => {
        let got = '';
        const socket = connect(port, '127.0.0.1', () => socket.end(text));
        socket.on('data', (data) => (got += data.toString()));
        socket.on('close', () => resolve(got));
      });
    const cases = [
      ['GET /api/designs HTTP/1.1\r\nConnection: close\r\n\r\n', '400', 'lacks the header Host'],
      [
        `GET /%ff HTTP/1.1\r\nHost: localhost\r\nAuthorization: Bearer ${key}\r\nConnection: close\r\n\r\n`,
        '40',
        'detail',
      ],
      [
        'GET / HTTP/1.1\r\nHost: localhost\r\nExpect: a miracle\r\nConnection: close\r\n\r\n',
        '417',
        'without it',
      ],
    ] as const;
    for (const [text, status, words] of cases) {
      const answer = await raw(text);
      expect(answer).withContext(text).toContain(`HTTP/1.1 ${status}`);
      expect(answer).withContext(text).toContain('application/problem+json');
      expect(answer).withContext(text).toContain(words);
    }
  });
});
