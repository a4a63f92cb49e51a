import { Router, json, text, type Request, type RequestHandler, type Response } from 'express';
import type { Design } from '@hashira/core';
import { titleWith } from '@hashira/core/validation';
import type { DesignRecord } from '../database/design-record.js';
import type { RevisionRecord } from '../database/revision-record.js';
import { only } from '../http/guard.js';
import { HttpProblem } from '../http/problem-details.js';
import { readDocument } from './document.js';
import { previewOf } from './preview.js';
import { readBodyAside } from './reading.js';
import { keepDeletedDays, type ChangeOutcome, type DesignStore } from './design-store.js';

/** Largest design document that is accepted, bytes. */
export const bodyLimit = 2 * 1024 * 1024;

/**
 * The designs' REST interface. Documents are validated on the way in; every answer with a document carries its revision as
 * ETag, and every change names the revision it was based on in If-Match.
 */
export function designRoutes(store: DesignStore): Router {
  const router = Router();
  const body: RequestHandler[] = [requireJson, text({ type: 'application/json', limit: bodyLimit })];

  router.get('/', async (_request, response) => {
    response.json(await store.list());
  });

  router.post('/', ...body, async (request, response) => {
    sendRecord(response.status(201), await store.create(await designOf(request)));
  });

  // Reads a document without keeping it: what is typed as text is told at once what is wrong with it
  router.post('/read', ...body, async (request, response) => {
    response.json({ document: await designOf(request) });
  });
  router.all('/read', only('POST'));

  router.get('/deleted', async (_request, response) => {
    response.json({ keptDays: keepDeletedDays, designs: await store.listDeleted() });
  });

  router.get('/events', (request, response) => {
    streamSaves(store, request, response);
  });

  revisionRoutes(router, store);

  router.get('/:id', async (request, response) => {
    const record = await existing(store, request);
    sendRecord(response, record);
  });

  router.put('/:id', ...body, async (request, response) => {
    const revision = basedOn(request);
    const outcome = await store.save(idOf(request), revision, await designOf(request));
    response.setHeader('ETag', etag(done(outcome)));
    response.json({ revision: done(outcome) });
  });

  router.delete('/:id', async (request, response) => {
    done(await store.remove(idOf(request), basedOn(request)));
    response.status(204).end();
  });

  router.put('/:id/preview', requireJson, json({ limit: '300kb' }), async (request, response) => {
    const preview = previewOf(request.body);
    done(await store.keepPreview(idOf(request), basedOn(request), preview));
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    const record = await store.restore(idOf(request));
    if (!record) throw missing();
    sendRecord(response, record);
  });

  router.post('/:id/duplicate', async (request, response) => {
    const record = await existing(store, request);
    const design = currentDocument(record.document);
    const titles = (await store.list()).map((summary) => summary.title);
    sendRecord(
      response.status(201),
      await store.create({ ...design, title: copyTitle(design.title, titles) }),
    );
  });

  for (const [path, methods] of Object.entries(allowed)) router.all(path, only(methods));
  return router;
}

/** What was saved of a design before: listed, read, named, restored. */
function revisionRoutes(router: Router, store: DesignStore): void {
  router.get('/:id/revisions', async (request, response) => {
    await existing(store, request);
    response.json(await store.revisions(idOf(request)));
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    await existing(store, request);
    const { revision, savedAt, name, document } = await existingRevision(store, request);
    response.json({ id: idOf(request), revision, savedAt, name, document: currentDocument(document) });
  });

  router.put('/:id/revisions/:revision', requireJson, json({ limit: '10kb' }), async (request, response) => {
    await existing(store, request);
    const { revision } = await existingRevision(store, request);
    await store.nameRevision(idOf(request), revision, nameOf(request));
    response.json({ revision, name: nameOf(request) });
  });

  router.post('/:id/revisions/:revision/restore', async (request, response) => {
    const { document } = await existingRevision(store, request);
    const outcome = await store.save(idOf(request), basedOn(request), currentDocument(document));
    done(outcome);
    sendRecord(response, await existing(store, request));
  });
}

/** Methods of each address, for those that ask with another. */
const allowed = {
  '/': 'GET, POST',
  '/deleted': 'GET',
  '/events': 'GET',
  '/:id': 'GET, PUT, DELETE',
  '/:id/preview': 'PUT',
  '/:id/duplicate': 'POST',
  '/:id/restore': 'POST',
  '/:id/revisions': 'GET',
  '/:id/revisions/:revision': 'GET, PUT',
  '/:id/revisions/:revision/restore': 'POST',
};

function copyTitle(title: string, taken: readonly string[]): string {
  let copy = titleWith(title, ', copy');
  for (let n = 2; taken.includes(copy); n++) copy = titleWith(title, `, copy ${n}`);
  return copy;
}

const requireJson: RequestHandler = (request, _response, next) => {
  if (request.is('application/json')) next();
  else
    next(
      new HttpProblem(415, 'content-type', 'Unsupported media type', 'Send the design as application/json.'),
    );
};

async function designOf(request: Request): Promise<Design> {
  const body: unknown = request.body;
  const read = await readBodyAside(typeof body === 'string' ? body : '');
  if (!read.json) throw new HttpProblem(400, 'not-json', 'Not JSON', `The body is not JSON: ${read.reason}.`);
  if (read.design.ok) return read.design.value;
  const { problems } = read.design;
  throw new HttpProblem(422, 'invalid-design', 'Not a design', problems[0]!.message, {
    problems: problems.slice(0, 50),
  });
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
  const match = /^"([1-9]\d{0,14})"$/.exec(header.trim());
  if (!match)
    throw new HttpProblem(
      400,
      'bad-revision',
      'Unreadable revision',
      `If-Match must be a quoted revision number like "3"; it is ${header.slice(0, 40)}.`,
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
    document: currentDocument(record.document),
  });
}

/** A stored document as one of the current version. */
function currentDocument(text: string): Design {
  const outcome = readDocument(text);
  if (outcome.ok) return outcome.value;
  throw new HttpProblem(
    422,
    'unreadable-design',
    'Unreadable design',
    `The stored design cannot be read: ${outcome.problems[0]!.message} Restore one of its revisions.`,
  );
}

async function existingRevision(store: DesignStore, request: Request): Promise<RevisionRecord> {
  const text = String(request.params['revision']);
  const record = /^\d{1,15}$/.test(text) ? await store.revision(idOf(request), Number(text)) : null;
  if (record) return record;
  throw new HttpProblem(
    404,
    'no-revision',
    'No such revision',
    `The design has no revision ${text.slice(0, 20)}; it may have been thinned.`,
  );
}

/** The name in a body `{ "name": "…" }`; null takes it away. */
function nameOf(request: Request): string | null {
  const { name } = request.body as { name?: unknown };
  if (name === null) return null;
  if (typeof name === 'string' && name.trim() !== '' && name.length <= 200) return name.trim();
  throw new HttpProblem(
    422,
    'bad-name',
    'Not a name',
    'Send { "name": "…" } with 1 to 200 characters, or null.',
  );
}

/** Tells every save of every design as a server-sent event, until the client goes: one stream is enough for all pages of a browser. */
function streamSaves(store: DesignStore, request: Request, response: Response): void {
  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    // Compression would hold events back
    'Cache-Control': 'no-store, no-transform',
  });
  if (request.method === 'HEAD') {
    response.end();
    return;
  }
  response.write(': open\n\n');
  const stop = store.onSave((save) => response.write(`data: ${JSON.stringify(save)}\n\n`));
  const beat = setInterval(() => response.write(': here\n\n'), 20_000);
  request.on('close', () => {
    clearInterval(beat);
    stop();
  });
}
