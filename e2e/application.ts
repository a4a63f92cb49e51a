import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = resolve(fileURLToPath(new URL('..', import.meta.url)));

/** A run of the server: its process and what it has said. */
export interface ServerRun {
  readonly process: ChildProcess;
  readonly output: () => string;
  /** Exit code, once it has ended. */
  readonly ended: Promise<number | null>;
}

/** Starts the server on a database file. */
export function runServer(database: string, port: number, more: readonly string[] = []): ServerRun {
  const child = spawn(
    process.execPath,
    ['--enable-source-maps', 'server/dist/main.js', '--port', String(port), '--database', database, ...more],
    { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  let text = '';
  child.stdout.on('data', (data: Buffer) => (text += data.toString()));
  child.stderr.on('data', (data: Buffer) => (text += data.toString()));
  const ended = new Promise<number | null>((done) => child.once('exit', (code) => done(code)));
  return { process: child, output: () => text, ended };
}

/** The application under test: the built page, the real server, a database file. */
export class Application {
  readonly database: string;
  url = '';
  private run: ServerRun | undefined;

  constructor(readonly folder = mkdtempSync(join(tmpdir(), 'hashira-e2e-'))) {
    this.database = join(folder, 'designs.sqlite');
  }

  /** What the server has said since it was started last. */
  get output(): string {
    return this.run?.output() ?? '';
  }

  async start(): Promise<void> {
    const port = this.url === '' ? 0 : Number(new URL(this.url).port);
    const run = runServer(this.database, port);
    this.run = run;
    await expect
      .poll(() => /Hashira is at (\S+)/.exec(run.output())?.[1] ?? '', { timeout: 60_000 })
      .not.toBe('');
    this.url = /Hashira is at (\S+)/.exec(run.output())![1]!;
  }

  /** Ends the server at once, as a crash would. */
  async kill(): Promise<void> {
    this.run?.process.kill('SIGKILL');
    await this.run?.ended;
  }

  /** Asks the server to end, as Ctrl C does. */
  async stop(): Promise<number | null> {
    this.run?.process.kill('SIGTERM');
    return (await this.run?.ended) ?? null;
  }

  remove(): void {
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Tests with an application that is shared by the tests of a file. */
export const test = base.extend<{ errors: string[] }, { app: Application }>({
  // An error that the page throws fails every test, whatever it looks at
  errors: [
    async ({ context }, use) => {
      const errors: string[] = [];
      context.on('weberror', (error) => errors.push(error.error().stack ?? error.error().message));
      // What the page's policy forbids is an error too
      context.on('console', (message) => {
        if (/Content Security Policy/i.test(message.text())) errors.push(message.text());
      });
      await use(errors);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
  app: [
    // Playwright wants the first parameter destructured
    // oxlint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const app = new Application();
      await app.start();
      await use(app);
      await app.stop();
      app.remove();
    },
    { scope: 'worker' },
  ],
});

export { expect };

/** Opens a fresh copy of the Slip shed, so that tests do not see each other's changes. */
export async function openSlipShed(page: Page, app: Application): Promise<string> {
  const demo = await page.request.get(`${app.url}/api/designs`);
  const list = (await demo.json()) as { id: string; title: string }[];
  const original = list.find((design) => design.title === 'Slip shed')!;
  const copy = await page.request.post(`${app.url}/api/designs/${original.id}/duplicate`);
  const { id } = (await copy.json()) as { id: string };
  await page.goto(`${app.url}/designs/${id}`);
  await calculated(page);
  return id;
}

/** Waits until the numbers on the screen belong to the design on the screen. */
export async function calculated(page: Page, timeout = 60_000): Promise<void> {
  // What was just typed is on the page with the next picture
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
  // A page that has just been opened says nothing before its first numbers
  await expect(page.locator('app-alternatives-strip dd:not(.difference)').first()).toHaveText(/\d/, {
    timeout,
  });
  await expect(page.getByText('calculating…')).toHaveCount(0, { timeout });
  // Checks and stability come after the forces
  await expect(page.locator('app-alternatives-strip dd', { hasText: '…' })).toHaveCount(0, { timeout });
}

/** Waits until the server has answered the last save. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByTestId('saved')).toHaveText(/^Saved, revision \d+$/);
}

/** The card of an alternative in the strip. */
export function card(page: Page, title: string): Locator {
  return page
    .locator('app-alternatives-strip .card')
    .filter({ has: page.getByRole('radio', { name: title, exact: true }) });
}

/** The three numbers of every card, as texts. */
export function cardNumbers(page: Page): Promise<string[]> {
  return page.locator('app-alternatives-strip dd:not(.difference)').allInnerTexts();
}

/** Types into the field of a parameter. */
export async function typeParameter(page: Page, name: string, text: string): Promise<void> {
  const field = page.locator(`#p-${name}`);
  await field.fill(text);
  await field.press('Enter');
}

/** Takes an entry of the menu that a button opens. */
export async function chooseOf(within: Page | Locator, label: string, words: string): Promise<void> {
  await within.getByRole('button', { name: label, exact: true }).click();
  const page = 'page' in within ? within.page() : within;
  await page.getByRole('menuitem', { name: words, exact: true }).click();
}

/** Chooses from a list. */
export async function choose(page: Page, list: string, option: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: list, exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).first().click();
  // A list that is pressed again while it closes would stay closed
  await expect(page.getByRole('listbox')).toHaveCount(0);
}

/** Chooses what the table under the stage tells. */
export const tellTable = (page: Page, title: string): Promise<void> =>
  choose(page, 'What the table tells', title);

/** The row of a section in the open list of all sections. */
export function sectionRow(page: Page, name: string): Locator {
  return page.getByRole('option').filter({ has: page.getByText(name, { exact: true }) });
}

/** Chooses from the list of all sections, by typing a part of the name. */
export async function chooseSection(page: Page, list: string, name: string): Promise<void> {
  await page.getByRole('combobox', { name: list, exact: true }).click();
  await page.getByRole('searchbox').fill(name);
  await sectionRow(page, name).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
}

/** The value in a row of the ledger. */
export function ledgerValue(page: Page, figure: string): Locator {
  return page.locator('app-ledger tr').filter({ hasText: figure }).getByRole('button');
}
