import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { Router, urlencoded, type Request, type RequestHandler, type Response } from 'express';
import { HttpProblem } from './problem-details.js';
import { keyPage } from './key-page.js';
import { nonceOf } from './nonce.js';

/** The key in a file; one is made where there is no file yet. @throws KeyProblem where the file cannot be used */
export function readKey(file: string): { key: string; made: boolean } {
  try {
    return readOrMake(file);
  } catch (error) {
    if (error instanceof KeyProblem) throw error;
    const reason = error instanceof Error ? error.message : String(error);
    throw new KeyProblem(`The key file ${file} cannot be used: ${reason}. Name another with --key-file.`);
  }
}

function readOrMake(file: string): { key: string; made: boolean } {
  if (!existsSync(file)) {
    const key = randomBytes(24).toString('base64url');
    writeFileSync(file, `${key}\n`, { mode: 0o600, flag: 'wx' });
    return { key, made: true };
  }
  const key = readFileSync(file, 'utf8').trim();
  if (key.length < shortest)
    throw new KeyProblem(
      `The key in ${file} is shorter than ${shortest} characters; remove the file to have one made, or write a longer one into it.`,
    );
  return { key, made: false };
}

/** The key file cannot be used; the message says why and what to do. */
export class KeyProblem extends Error {}

/** Characters that a key has at the least. */
const shortest = 16;
/** Tries of one address, and in how long, ms. */
const mostTries = 5;
const within = 60_000;
const cookieName = 'hashira-key';
/** Days for which a browser is let in. */
const days = 30;

/** Lets in who has the key: in a cookie that scripts do not see, or as `Authorization: Bearer`. Others get a page that asks for it. */
export function onlyWithKey(key: string, secure: boolean): RequestHandler {
  const tries = new Tries();
  // What browsers keep is not the key itself
  const token = createHmac('sha256', key).update('browser').digest('base64url');
  const router = Router();
  router.post('/key', urlencoded({ extended: false, limit: '2kb' }), (request, response) => {
    const { key: given, to } = (request.body ?? {}) as { key?: unknown; to?: unknown };
    const address = request.ip ?? '';
    if (!tries.mayTry(address)) {
      askForKey(
        response.status(429),
        pathOf(to),
        'Five tries a minute are let through; wait a minute and try again.',
      );
      return;
    }
    if (typeof given !== 'string' || !isSame(given.trim(), key)) {
      tries.failed(address);
      askForKey(
        response.status(401),
        pathOf(to),
        'That is not the key. It was printed when the server was first started, and stands in its key file.',
      );
      return;
    }
    response.cookie(cookieName, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure,
      maxAge: days * 86_400_000,
    });
    response.redirect(303, pathOf(to));
  });
  router.use((request, response, next) => {
    if (isSame(cookieOf(request), token) || bearerIsKey(request, key, tries)) next();
    else if (request.path.startsWith('/api/') || request.method !== 'GET')
      throw new HttpProblem(
        401,
        'no-key',
        'Key needed',
        'This server asks for its key; load the page anew and enter it, or send it as "Authorization: Bearer …".',
      );
    else askForKey(response.status(401), request.originalUrl, '');
  });
  return router;
}

function askForKey(response: Response, to: string, problem: string): void {
  response.setHeader('Cache-Control', 'no-store');
  response.type('html').send(keyPage(to, problem, nonceOf(response)));
}

/** A path of this server to go on to; never another address. */
function pathOf(to: unknown): string {
  return typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to.slice(0, 500) : '/';
}

function bearerIsKey(request: Request, key: string, tries: Tries): boolean {
  const given = /^Bearer (\S+)$/.exec(request.get('Authorization') ?? '')?.[1];
  if (given === undefined) return false;
  const address = request.ip ?? '';
  if (!tries.mayTry(address)) return false;
  if (isSame(given, key)) return true;
  tries.failed(address);
  return false;
}

function cookieOf(request: Request): string {
  const pairs = (request.get('Cookie') ?? '').split(';').map((pair) => pair.trim());
  return pairs.find((pair) => pair.startsWith(`${cookieName}=`))?.slice(cookieName.length + 1) ?? '';
}

/** Whether two texts are the same, in a time that tells nothing of how alike they are. */
function isSame(given: string, wanted: string): boolean {
  const digest = (text: string) => createHmac('sha256', 'compare').update(text).digest();
  return timingSafeEqual(digest(given), digest(wanted));
}

/** Wrong keys by address. */
class Tries {
  private readonly failures = new Map<string, number[]>();

  mayTry(address: string): boolean {
    const recent = (this.failures.get(address) ?? []).filter((at) => at > performance.now() - within);
    if (recent.length === 0) this.failures.delete(address);
    else this.failures.set(address, recent);
    return recent.length < mostTries;
  }

  failed(address: string): void {
    this.failures.set(address, [...(this.failures.get(address) ?? []), performance.now()]);
  }
}
