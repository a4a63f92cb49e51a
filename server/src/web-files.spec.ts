import { mkdirSync, writeFileSync } from 'node:fs';
import { get, type IncomingMessage } from 'node:http';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib';
import { serve, type Served } from './testing/serve.js';

describe('the files of the web application', () => {
  const script = 'export const frame = 1;\n'.repeat(100);
  const page = '<!doctype html><title>frame</title><app-root ngCspNonce="page-nonce"></app-root>';
  let served: Served;

  beforeAll(async () => {
    served = await serve((folder) => {
      const webRoot = join(folder, 'web');
      mkdirSync(webRoot);
      writeFileSync(join(webRoot, 'index.html'), page);
      writeFileSync(join(webRoot, 'app-1A2B.js'), script);
      writeFileSync(join(webRoot, 'app-1A2B.js.br'), brotliCompressSync(script));
      writeFileSync(join(webRoot, 'app-1A2B.js.gz'), gzipSync(script));
      writeFileSync(join(folder, 'secret.txt'), 'not for the page');
      return { webRoot };
    });
  });
  afterAll(() => served.close());

  /** What is sent, as it travels. */
  function ask(path: string, encodings: string): Promise<{ response: IncomingMessage; body: Buffer }> {
    const { port } = served;
    return new Promise((resolve, reject) => {
      const options = { port, host: '127.0.0.1', path, headers: { 'Accept-Encoding': encodings } };
      get(options, (response) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => resolve({ response, body: Buffer.concat(parts) }));
      }).on('error', reject);
    });
  }

  it('are sent as they were compressed when they were built, by what the browser can read', async () => {
    const brotli = await ask('/app-1A2B.js', 'gzip, deflate, br');
    expect(brotli.response.headers['content-encoding']).toBe('br');
    expect(brotliDecompressSync(brotli.body).toString()).toBe(script);
    const gzip = await ask('/app-1A2B.js', 'gzip');
    expect(gzip.response.headers['content-encoding']).toBe('gzip');
    expect(gunzipSync(gzip.body).toString()).toBe(script);
    const plain = await ask('/app-1A2B.js', 'identity');
    expect(plain.response.headers['content-encoding']).toBeUndefined();
    expect(plain.body.toString()).toBe(script);
    for (const { response } of [brotli, gzip, plain]) {
      expect(response.headers['content-type']).toMatch(/^text\/javascript/);
      expect(response.headers.vary).toMatch(/Accept-Encoding/i);
      expect(response.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    }
  });

  it('give way to the page itself where an address names a view, which is asked for again each time', async () => {
    const nonces = new Set<string>();
    for (const path of ['/', '/designs/1?result=U1']) {
      const { response, body } = await ask(path, 'identity');
      expect(response.statusCode).toBe(200);
      expect(response.headers['cache-control']).toBe('no-cache');
      const policy = String(response.headers['content-security-policy']);
      const nonce = /style-src 'self' 'nonce-([\w+/=]{24})'/.exec(policy)![1]!;
      expect(body.toString()).toBe(page.replace('page-nonce', nonce));
      nonces.add(nonce);
      expect(policy).toContain("font-src 'self';");
    }
    expect(nonces.size).toBe(2);
  });

  it('are none outside their folder, and none of a name that is not there', async () => {
    for (const path of ['/../secret.txt', '/%2e%2e/secret.txt', '/app-0000.js', '/app-1A2B.js.zip'])
      expect((await ask(path, 'br')).response.statusCode)
        .withContext(path)
        .toBe(404);
  });
});
