import { Command, InvalidArgumentError, Option } from 'commander';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { validateDesign } from '@hashira/core/validation';
import { createApp } from './app.js';
import type { DesignDatabase } from './database/design-database.js';
import { DatabaseProblem, openDatabase } from './database/open-database.js';
import { DesignStore } from './designs/design-store.js';
import { loadDemo } from './designs/load-demo.js';
import { stopReading } from './designs/reading.js';
import { expectationProblem, rawProblem, startingProblem } from './http/problem-details.js';
import { KeyProblem, readKey } from './http/key.js';
import { addressesOf, checkReach, isOfThisMachine, serverOf, StartProblem } from './listening.js';
import { unattended } from './unattended.js';

interface Options {
  port: number;
  host: string;
  database: string;
  logLevel: string;
  allowHost?: string[];
  withoutLog?: boolean;
  ofEmptyFile?: boolean;
  keyFile?: string;
  certificate?: string;
  certificateKey?: string;
  behindProxy?: boolean;
}

function portOf(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new InvalidArgumentError('A port is a whole number from 0 (any free one) to 65535.');
  return port;
}

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

const command = new Command('hashira-server')
  .description('Serves the application and keeps its designs.')
  .option('--port <number>', 'port to listen on, 0 for any free one', portOf, 4600)
  .option('--host <address>', 'address to listen on', '127.0.0.1')
  .option('--database <file>', 'SQLite database file', here('../../data/hashira.sqlite'))
  .option('--allow-host <name...>', 'further names under which browsers may reach the server')
  .option(
    '--without-log',
    'open a database whose log is missing or damaged, without the saves that were in it',
  )
  .option('--of-empty-file', 'make a new database of a file that is empty')
  .option('--key-file <file>', 'key that all who enter must have; made where there is no file yet')
  .option('--certificate <file>', 'certificate (PEM), to be reached over TLS')
  .option('--certificate-key <file>', 'its private key (PEM)')
  .option('--behind-proxy', 'requests come through a proxy that speaks TLS')
  .addOption(
    new Option('--log-level <level>', 'what the log on standard error tells')
      .choices(['fatal', 'error', 'warn', 'info', 'debug', 'silent'])
      .default('warn'),
  );

async function serve(options: Options): Promise<void> {
  const log = pino({ level: options.logLevel }, pino.destination(2));
  const tell = (line: string) => log.error(line);
  checkReach(options);
  const entry = options.keyFile === undefined ? undefined : readKey(options.keyFile);
  const server = serverOf(options, startingProblem);
  // The address first: a start that fails for it has touched no file
  const { port } = await listen(server, options);
  let database: DesignDatabase;
  try {
    database = await openDatabase(options.database, {
      ...(options.withoutLog ? { withoutLog: true } : {}),
      ...(options.ofEmptyFile ? { ofEmptyFile: true } : {}),
      say: (line) => process.stderr.write(`${line}\n`),
      tell,
    });
  } catch (error) {
    server.close();
    throw error;
  }
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => void stop(server, () => database.close()));
  const store = new DesignStore(database);
  const purge = async () => {
    const gone = await store.purge();
    if (gone > 0) log.info({ designs: gone }, 'designs deleted long ago were purged');
  };
  const unattendedPurge = () => unattended('Purging what was deleted long ago', purge, tell);
  unattendedPurge();
  setInterval(unattendedPurge, 86_400_000).unref();
  const loaded = await loadDemo(store, here('../../core/demo'));
  if (loaded > 0) log.info({ designs: loaded }, 'demo designs stored');
  const app = createApp({
    database,
    store,
    log,
    webRoot: here('../../web/dist/browser'),
    names: [options.host, ...(options.allowHost ?? [])],
    secure: options.certificate !== undefined || options.behindProxy === true,
    behindProxy: options.behindProxy === true,
    ...(entry ? { key: entry.key } : {}),
  });
  server.off('request', startingProblem).on('request', app);
  const [first, ...others] = addressesOf(options, port);
  process.stdout.write(`Hashira is at ${first}\n`);
  if (others.length > 0) process.stdout.write(`Others reach it at ${others.join(' and ')}\n`);
  if (entry?.made)
    process.stdout.write(
      `Its key, which is not shown again and stands in ${resolve(options.keyFile!)}: ${entry.key}\n`,
    );
  if (entry && options.certificate === undefined && !options.behindProxy && !isOfThisMachine(options.host))
    process.stderr.write(
      'Without TLS others on the network can read along; give it --certificate and --certificate-key, or --behind-proxy.\n',
    );
  // The first validation compiles the schema: better now than in somebody's request
  setImmediate(() => validateDesign({}));
}

/** Listens at the address that was asked for. */
async function listen(server: Server, { port, host }: Options): Promise<AddressInfo> {
  server.on('clientError', (error: NodeJS.ErrnoException, socket) => {
    if (socket.writable) socket.end(rawProblem(error.code === 'HPE_HEADER_OVERFLOW' ? 431 : 400));
    else socket.destroy();
  });
  server.on('checkExpectation', (_request: IncomingMessage, response: ServerResponse) =>
    expectationProblem(response),
  );
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
    server.listen(port, host);
  });
  return server.address() as AddressInfo;
}

/** Lets running requests end, then closes the database. */
async function stop(server: Server, closeDatabase: () => Promise<void>): Promise<void> {
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  const late = setTimeout(() => server.closeAllConnections(), 1200);
  await closed;
  clearTimeout(late);
  await closeDatabase();
  await stopReading();
}

/** Start-up errors that a user can do something about, in words. */
function explain(error: unknown, options: Options): string | undefined {
  if ([DatabaseProblem, StartProblem, KeyProblem].some((kind) => error instanceof kind))
    return (error as Error).message;
  const { code } = error as { code?: string };
  if (code === 'EADDRINUSE')
    return `Port ${options.port} on ${options.host} is in use; stop the other server or choose another port with --port.`;
  if (code === 'EACCES')
    return `Port ${options.port} on ${options.host} may not be used; choose one above 1023 with --port.`;
  if (code === 'EADDRNOTAVAIL' || code === 'ENOTFOUND')
    return `The address ${options.host} is not one of this machine; choose another with --host.`;
  return undefined;
}

const options = command.parse().opts<Options>();
serve(options).catch((error: unknown) => {
  const message = explain(error, options);
  if (message === undefined) throw error;
  process.stderr.write(`${message}\n`);
  process.exitCode = 1;
});
