import { Router, json, type Request, type RequestHandler, type Response } from 'express';
import type { Design } from '@hashira/core';
import { validateDesign } from '@hashira/core/validation';
import type { DesignRecord } from '../database/design-record.js';
import { HttpProblem } from '../http/problem-details.js';
import type { ChangeOutcome, DesignStore } from './design-store.js';

/** Largest design document that is accepted, bytes. */
export const bodyLimit = 2 * 1024 * 1024;

/**
 * The designs' REST interface. Documents are validated on the way in; every answer with a document carries its revision as
 * ETag, and every change names the revision it was based on in If-Match.
 */
export function designRoutes(store: DesignStore): Router {
  const router = Router();
  const body: RequestHandler[] = [requireJson, json({ limit: bodyLimit })];

  router.get('/', async (_request, response) => {
    response.json(await store.list());
  });

  router.post('/', ...body, async (request, response) => {
    sendRecord(response.status(201), await store.create(designOf(request)));
  });

  router.get('/:id', async (request, response) => {
    const record = await existing(store, request);
    sendRecord(response, record);
  });

  router.put('/:id', ...body, async (request, response) => {
    const revision = basedOn(request);
    const outcome = await store.save(idOf(request), revision, designOf(request));
    response.setHeader('ETag', etag(done(outcome)));
    response.json({ revision: done(outcome) });
  });

  router.delete('/:id', async (request, response) => {
    done(await store.remove(idOf(request), basedOn(request)));
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    const record = await store.restore(idOf(request));
    if (!record) throw missing();
    sendRecord(response, record);
  });

  router.post('/:id/duplicate', async (request, response) => {
    const record = await existing(store, request);
    const design = JSON.parse(record.document) as Design;
    const titles = (await store.list()).map((summary) => summary.title);
    sendRecord(
      response.status(201),
      await store.create({ ...design, title: copyTitle(design.title, titles) }),
    );
  });

  return router;
}

function copyTitle(title: string, taken: readonly string[]): string {
  let copy = `${title}, copy`;
  for (let n = 2; taken.includes(copy); n++) copy = `${title}, copy ${n}`;
  return copy.slice(0, 200);
}

const requireJson: RequestHandler = (request, _response, next) => {
  if (request.is('application/json')) next();
  else
    next(
      new HttpProblem(415, 'content-type', 'Unsupported media type', 'Send the design as application/json.'),
    );
};

function designOf(request: Request): Design {
  const outcome = validateDesign(request.body);
  if (outcome.ok) return outcome.value;
  const problems = outcome.problems.slice(0, 50);
  throw new HttpProblem(422, 'invalid-design', 'Not a design', problems[0]!.message, { problems });
}

function idOf(request: Request): string {
  return String(request.params['id']);
}

async function existing(store: DesignStore, request: Request): Promise<DesignRecord> {
  const record = await store.find(idOf(request));
  if (!record) throw missing();
  return record;
}

const missing = () =>
  new HttpProblem(
    404,
    'no-design',
    'No such design',
    'There is no design with this id; it may have been deleted.',
  );

/** The revision in If-Match. */
function basedOn(request: Request): number {
  const header = request.get('If-Match');
  if (header === undefined)
    throw new HttpProblem(
      428,
      'no-revision',
      'Revision required',
      'Name the revision that the change is based on in If-Match.',
    );
  const match = /^"(\d+)"$/.exec(header.trim());
  if (!match)
    throw new HttpProblem(
      400,
      'bad-revision',
      'Unreadable revision',
      `If-Match must be a quoted revision number like "3"; it is ${header}.`,
    );
  return Number(match[1]);
}

function done(outcome: ChangeOutcome): number {
  switch (outcome.kind) {
    case 'done':
      return outcome.revision;
    case 'missing':
      throw missing();
    case 'conflict':
      throw new HttpProblem(
        412,
        'conflict',
        'Changed elsewhere',
        `The design was changed elsewhere: it is at revision ${outcome.revision}. Nothing was overwritten.`,
        { revision: outcome.revision },
      );
  }
}

function etag(revision: number): string {
  return `"${revision}"`;
}

function sendRecord(response: Response, record: DesignRecord): void {
  response.setHeader('ETag', etag(record.revision));
  response.setHeader('Location', `/api/designs/${record.id}`);
  response.json({
    id: record.id,
    revision: record.revision,
    updatedAt: record.updatedAt,
    document: JSON.parse(record.document) as Design,
  });
}
