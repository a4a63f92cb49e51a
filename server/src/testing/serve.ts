import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { createApp, type AppOptions } from '../app.js';
import type { DesignDatabase } from '../database/design-database.js';
import { openDatabase, type OpenOptions } from '../database/open-database.js';
import { DesignStore } from '../designs/design-store.js';

/** The application on a database of its own, on a free port of this machine. */
export interface Served {
  readonly folder: string;
  readonly file: string;
  readonly database: DesignDatabase;
  readonly store: DesignStore;
  readonly server: Server;
  readonly port: number;
  /** Address of the server, without a slash at its end. */
  readonly url: string;
  /** Ends the server and removes its files. */
  close(): Promise<void>;
}

/**
 * @param options of the application, or what gives them for its folder
 * @param opening how the database is opened
 */
export async function serve(
  options: Partial<AppOptions> | ((folder: string) => Partial<AppOptions>) = {},
  opening: OpenOptions = {},
): Promise<Served> {
  const folder = mkdtempSync(join(tmpdir(), 'hashira-served-'));
  const own = typeof options === 'function' ? options(folder) : options;
  const file = join(folder, 'designs.sqlite');
  const database = await openDatabase(file, opening);
  const store = new DesignStore(database);
  const app = createApp({ database, store, log: pino({ level: 'silent' }), ...own });
  const server = createServer({ requireHostHeader: false }, app).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    folder,
    file,
    database,
    store,
    server,
    port,
    url: `http://127.0.0.1:${port}`,
    async close() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await database.close();
      rmSync(folder, { recursive: true });
    },
  };
}
