import { defineConfig } from '@playwright/test';

/**
 * Parts of the browser that stay off. The last switch of its kind counts, so the list repeats what Playwright turns off
 * and these tests need. The last two are the address bar's suggestions: a page of their own beside every page.
 */
const featuresOff = [
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
];

/** The real application in Debian's Chromium, two tests at a time: each worker has a server and a database of its own. */
export default defineConfig({
  testDir: '.',
  globalSetup: './build-server.ts',
  testMatch: '*.e2e.ts',
  workers: 2,
  fullyParallel: false,
  // A shared machine stands still now and then: how long a task takes is measured elsewhere
  timeout: 180_000,
  expect: { timeout: 30_000 },
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
        `--disable-features=${featuresOff.join(',')}`,
      ],
    },
  },
});
