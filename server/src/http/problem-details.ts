import type { ErrorRequestHandler, Response } from 'express';
import type { Problem } from '@hashira/core';

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
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
}

/** Turns every error into problem details; what is not expected is logged and answered without internals. */
export const problemHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const known = error instanceof HttpProblem ? error : fromBodyParser(error);
  if (known) {
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
