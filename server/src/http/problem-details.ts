import type { ErrorRequestHandler, Response } from 'express';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Problem } from '@hashira/core';
import { DatabaseGone } from '../database/design-database.js';
import { seldom } from './seldom.js';

/** RFC 9457 problem details; `problems` lists what is wrong, each with its place. */
export interface ProblemDetails {
  type: string;
  title: string;
  status: number;
  detail: string;
  problems?: readonly Problem[];
  /** Current revision of the design in a conflict. */
  revision?: number;
}

/** An error that becomes a problem details response. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    detail: string,
    readonly more: Pick<ProblemDetails, 'problems' | 'revision'> = {},
  ) {
    super(detail);
  }
}

function send(response: Response, problem: HttpProblem): void {
  const body: ProblemDetails = {
    type: `urn:hashira:problem:${problem.code}`,
    title: problem.title,
    status: problem.status,
    detail: problem.message,
    ...problem.more,
  };
  // An error is nobody's to keep
  response.setHeader('Cache-Control', 'no-store');
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
}

/** Turns every error into problem details; what is not expected is logged and answered without internals. */
export const problemHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const known =
    error instanceof HttpProblem ? error : (fromBodyParser(error) ?? fromStorage(error) ?? fromClient(error));
  if (known) {
    if (known.status > 500) seldom(known.code, () => request.log.error(known.message));
    send(response, known);
    return;
  }
  request.log.error({ err: error }, 'unexpected error');
  send(
    response,
    new HttpProblem(
      500,
      'internal',
      'Internal error',
      'The server met an unexpected error; its log says more. Nothing was changed.',
    ),
  );
};

/** The errors of the JSON body parser, in words. */
function fromBodyParser(error: unknown): HttpProblem | undefined {
  const { type, limit, message } = error as { type?: string; limit?: number; message?: string };
  switch (type) {
    case 'entity.too.large':
      return new HttpProblem(
        413,
        'too-large',
        'Too large',
        `The body is larger than the limit of ${Math.round((limit ?? 0) / 1024)} KiB.`,
      );
    case 'entity.parse.failed':
      return new HttpProblem(
        400,
        'not-json',
        'Not JSON',
        `The body is not JSON: ${message ?? 'it cannot be read'}.`,
      );
    case 'encoding.unsupported':
    case 'charset.unsupported':
      return new HttpProblem(415, 'encoding', 'Unsupported encoding', 'Send the body as UTF-8 JSON.');
    case 'request.aborted':
    case 'request.size.invalid':
      return new HttpProblem(400, 'aborted', 'Incomplete request', 'The body ended before it was complete.');
    default:
      return undefined;
  }
}

/** What the database cannot store, in words. */
function fromStorage(error: unknown): HttpProblem | undefined {
  if (error instanceof DatabaseGone)
    return new HttpProblem(503, 'database-gone', 'Database gone', error.message);
  const { code } = error as { code?: unknown };
  if (typeof code !== 'string') return undefined;
  if (code === 'SQLITE_FULL')
    return new HttpProblem(
      507,
      'disk-full',
      'No space left',
      'The disk is full: nothing was stored. Free some space and try again.',
    );
  if (code.startsWith('SQLITE_READONLY'))
    return new HttpProblem(
      507,
      'read-only',
      'Read only',
      'The database file cannot be written: nothing was stored. Make it writable and try again.',
    );
  if (code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED'))
    return new HttpProblem(
      503,
      'busy',
      'Database busy',
      'Another program holds the database: nothing was stored. Try again in a moment.',
    );
  if (code.startsWith('SQLITE_'))
    return new HttpProblem(
      507,
      'database-damaged',
      'Database damaged',
      'The database can no longer be read or written as it should. Stop the server: on its next start it says what is wrong.',
    );
  return undefined;
}

const clientWords: Readonly<Record<number, string>> = {
  400: 'The request cannot be read; check its address, headers and encoding.',
  412: 'A condition in the headers of the request does not hold.',
  416: 'The range that was asked for does not exist.',
};

/** Errors that middleware lays at the client's door. */
function fromClient(error: unknown): HttpProblem | undefined {
  const { status, statusCode = status } = error as { status?: unknown; statusCode?: unknown };
  if (typeof statusCode !== 'number' || statusCode < 400 || statusCode > 499) return undefined;
  return new HttpProblem(
    statusCode,
    'bad-request',
    'Bad request',
    clientWords[statusCode] ?? 'The request cannot be carried out as it was sent.',
  );
}

/** The answer while the database is being opened. */
export function startingProblem(_request: IncomingMessage, response: ServerResponse): void {
  response.setHeader('Retry-After', '1');
  sendRaw(
    response,
    503,
    'starting',
    'Starting',
    'The server is opening its database; try again in a moment.',
  );
}

/** The answer to an `Expect` header that asks for something else than `100-continue`. */
export function expectationProblem(response: ServerResponse): void {
  sendRaw(
    response,
    417,
    'expectation',
    'Expectation failed',
    'The server does not do what the Expect header asks for; send the request without it.',
  );
}

function sendRaw(
  response: ServerResponse,
  status: number,
  code: string,
  title: string,
  detail: string,
): void {
  response.writeHead(status, { 'Content-Type': 'application/problem+json', 'Cache-Control': 'no-store' });
  response.end(JSON.stringify({ type: `urn:hashira:problem:${code}`, title, status, detail }));
}

/** The answer to bytes that are no HTTP request, for a raw socket. */
export function rawProblem(status: 400 | 431): string {
  const detail =
    status === 431 ? 'The headers of the request are too large.' : 'What arrived is not an HTTP request.';
  const body = JSON.stringify({
    type: 'urn:hashira:problem:bad-request',
    title: status === 431 ? 'Headers too large' : 'Bad request',
    status,
    detail,
  });
  const head = [
    `HTTP/1.1 ${status} ${status === 431 ? 'Request Header Fields Too Large' : 'Bad Request'}`,
    'Content-Type: application/problem+json',
    `Content-Length: ${Buffer.byteLength(body)}`,
    'Cache-Control: no-store',
    'Connection: close',
  ];
  return `${head.join('\r\n')}\r\n\r\n${body}`;
}
