import { defineConfig } from '@playwright/test';

/** The real application in Debian's Chromium, two tests at a time: each worker has a server and a database of its own. */
export default defineConfig({
  testDir: '.',
  globalSetup: './build-server.ts',
  testMatch: '*.e2e.ts',
  workers: 2,
  fullyParallel: false,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  reporter: 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    // Changes without a body that specs ask for by themselves
    extraHTTPHeaders: { 'X-Hashira': 'e2e' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-quic',
        '--no-first-run',
      ],
    },
  },
});
