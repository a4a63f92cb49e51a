import type { RequestHandler } from 'express';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { HttpProblem } from './problem-details.js';

/** Header by which our own page says that a change without a body is meant. */
export const ownHeader = 'X-Hashira';

/** The host of a `Host` header without its port; IPv6 without brackets. */
function nameOf(host: string): string {
  const [, six, plain] = /^(?:\[([^\]]*)\]|([^:]*))(?::\d+)?$/.exec(host) ?? [];
  return (six ?? plain ?? '').toLowerCase();
}

/**
 * Refuses requests under names that the server does not go by: a foreign page whose own name was made to point here (DNS rebinding) would
 * send them. Addresses cannot be made to point elsewhere and are always let in.
 */
export function onlyNames(names: readonly string[]): RequestHandler {
  const allowed = new Set([
    'localhost',
    hostname().toLowerCase(),
    ...names.map((name) => name.toLowerCase()),
  ]);
  return (request, _response, next) => {
    const host = nameOf(request.get('Host') ?? '');
    if (host === '')
      next(
        new HttpProblem(
          400,
          'no-host',
          'No host',
          'The request does not say which server it is for: it lacks the header Host.',
        ),
      );
    else if (isIP(host) !== 0 || allowed.has(host)) next();
    else
      next(
        new HttpProblem(
          421,
          'foreign-host',
          'Not this server',
          `The server does not go by the name "${host.slice(0, 100)}"; start it with --allow-host ${host.slice(0, 100)} to let it in.`,
        ),
      );
  };
}

/** Refuses requests that pages of other origins send. */
export const ownOrigin: RequestHandler = (request, _response, next) => {
  const origin = request.get('Origin');
  const foreign =
    (origin !== undefined && origin.replace(/^https?:\/\//, '') !== request.get('Host')) ||
    request.get('Sec-Fetch-Site') === 'cross-site';
  if (foreign)
    next(
      new HttpProblem(
        403,
        'foreign-origin',
        'Foreign origin',
        'Requests of other sites are not carried out; open the application under its own address.',
      ),
    );
  else next();
};

/** Changes need a body of JSON or our own header: forms of other pages can send neither. */
export const meantChanges: RequestHandler = (request, _response, next) => {
  const reads = ['GET', 'HEAD', 'OPTIONS'].includes(request.method);
  if (reads || request.is('application/json') || request.get(ownHeader) !== undefined) next();
  else
    next(
      new HttpProblem(
        415,
        'content-type',
        'Unsupported media type',
        `Send application/json, or the header ${ownHeader} with a change that has no body.`,
      ),
    );
};

/** Answers methods that an address does not have. */
export function only(methods: string): RequestHandler {
  return (request, response, next) => {
    response.setHeader('Allow', methods);
    next(
      new HttpProblem(
        405,
        'method',
        'Method not allowed',
        `${request.method} is not possible here; there are ${methods}.`,
      ),
    );
  };
}
