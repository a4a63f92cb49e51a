import { connect } from 'node:net';
import { generator } from '../../core/src/testing/random.js';
import { Application } from '../application.js';
import { isTrace, short, type Report } from './report.js';

const methods = ['GET', 'PUT', 'POST', 'DELETE', 'PATCH', 'OPTIONS', 'TRACE', 'BREW', 'HEAD', 'get', ''];
const paths = [
  '/',
  '/api/designs',
  '/api/designs/none',
  '/api/designs/%',
  '/api/designs/%00',
  '/api/designs/..%2f..%2fetc%2fpasswd',
  '/api/designs/none/revisions/99999999999999999999',
  '/api/designs/none/revisions/1e3/restore',
  '/api/health',
  '/api/none',
  '/../package.json',
  '/index.html?%',
  `/${'a'.repeat(9000)}`,
  '*',
  'http://elsewhere.example/api/designs',
];
const headers = [
  'If-Match: "1"',
  `If-Match: "${'9'.repeat(400)}"`,
  'If-Match: W/"x"',
  'Content-Type: application/json',
  'Content-Type: application/json; charset=utf-16',
  'Content-Type: text/plain',
  'Content-Encoding: gzip',
  'Content-Encoding: rot13',
  'Transfer-Encoding: chunked',
  'Content-Length: -1',
  'Content-Length: 99999999999',
  'Range: bytes=9999999-',
  'Range: bytes=-1,5-2',
  'If-None-Match: *',
  'If-Modified-Since: yesterday',
  'Origin: http://elsewhere.example',
  'Host: elsewhere.example',
  'Accept-Encoding: br;q=x',
  'Cookie: \u0001',
  ' folded',
  `X: ${'y'.repeat(20_000)}`,
];
const bodies = [
  '',
  '{',
  '[]',
  'null',
  '"x"',
  '['.repeat(50_000),
  '{"__proto__":{"x":1}}',
  `{"parameters":[${'{},'.repeat(2000)}{}]}`,
  '\u0000\u0001',
  '5\r\nhello\r\n0\r\n\r\n',
  `{"format":"hashira-design","title":"${'x'.repeat(5000)}"}`,
];

/** Sends malformed requests through raw sockets: each is answered, none with an error of the server's own. */
export async function requests(count: number, seed: number): Promise<Report> {
  const random = generator(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(of.length * random())]!;
  const findings: string[] = [];
  const answers = new Map<string, number>();
  let slowest = 0;
  let health = 0;
  const app = new Application();
  try {
    await app.start();
    const { hostname, port } = new URL(app.url);
    for (let k = 0; k < count; k++) {
      const own = Array.from({ length: Math.floor(4 * random()) }, () => pick(headers));
      const body = pick(bodies);
      const head = [
        `${pick(methods)} ${pick(paths)} HTTP/1.1`,
        ...(random() < 0.8 ? [`Host: ${hostname}:${port}`] : []),
        ...(random() < 0.5 ? ['X-Hashira: attack'] : []),
        ...own,
        ...(random() < 0.8 ? [`Content-Length: ${Buffer.byteLength(body)}`] : []),
        'Connection: close',
      ];
      const sent =
        random() < 0.05
          ? Buffer.from(Array.from({ length: 200 }, () => 256 * random()))
          : `${head.join('\r\n')}\r\n\r\n${body}`;
      const from = performance.now();
      const text = await exchange(Number(port), hostname, sent);
      slowest = Math.max(slowest, performance.now() - from);
      const status = /^HTTP\/1\.1 (\d{3})/.exec(text)?.[1] ?? 'closed';
      answers.set(status, (answers.get(status) ?? 0) + 1);
      if (status === '500' || isTrace(text.replace(/^[^]*?\r\n\r\n/, '')))
        findings.push(`${short(head.join(' | '))} gives ${short(text)}`);
      if (k % 50 === 0) health = Math.max(health, await healthTime(app.url));
    }
    health = Math.max(health, await healthWhileValidating(app.url));
  } finally {
    await app.stop();
    app.remove();
  }
  const counted = [...answers].sort().map(([status, n]) => `${status}: ${n}`);
  return {
    figures: {
      requests: count,
      answers: counted.join(', '),
      'slowest answer, ms': Math.round(slowest),
      'slowest health, ms': Math.round(health),
    },
    findings: slowest > 5000 ? [...findings, `an answer took ${Math.round(slowest)} ms`] : findings,
  };
}

/** Sends bytes and reads until the other side closes, or says nothing for a second and a half. */
function exchange(port: number, host: string, bytes: string | Buffer): Promise<string> {
  return new Promise((resolve) => {
    let text = '';
    const socket = connect(port, host, () => socket.write(bytes));
    socket.setTimeout(1500, () => socket.destroy());
    socket.on('data', (data) => (text += data.toString('latin1')));
    // A connection that is reset is an answer too
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(text));
  });
}

async function healthTime(url: string): Promise<number> {
  const from = performance.now();
  await (await fetch(`${url}/api/health`)).text();
  return performance.now() - from;
}

/** How long the health takes at most while a body of 2 MB is validated. */
async function healthWhileValidating(url: string): Promise<number> {
  const body = `{"parameters":[${'{},'.repeat(690_000)}{}]}`;
  const headersOfAll = { 'Content-Type': 'application/json' };
  const answered = new AbortController();
  const sending = fetch(`${url}/api/designs`, { method: 'POST', headers: headersOfAll, body }).finally(() =>
    answered.abort(),
  );
  let most = 0;
  do most = Math.max(most, await healthTime(url));
  while (!answered.signal.aborted);
  await sending;
  return most;
}
