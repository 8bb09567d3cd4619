import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { chromiumFlags } from './chromium';

const port = process.env.HG_TEST_PORT ?? '5181';
const address = `http://127.0.0.1:${port}`;

/** One real server on a fresh database for all tests; each test is a browser, and so a student, of its own. */
export default defineConfig({
  testDir: './specs',
  outputDir: './results/artifacts',
  fullyParallel: true,
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: './results/results.json' }]],
  use: {
    baseURL: address,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    // Recording what a test does takes a quarter of its time; HG_TRACE=1 does it, to look into a failure.
    trace: process.env.HG_TRACE ? 'on' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: { executablePath: process.env.HG_CHROMIUM ?? '/usr/bin/chromium', args: chromiumFlags },
  },
  webServer: {
    command: `node ../../scripts/serve.mjs --port ${port} --stand-ins ${Number(port) + 1} --crowd 0 --data ${mkdtempSync(join(tmpdir(), 'hour-grid-browser-'))}`,
    url: `${address}/api/terms`,
    timeout: 60_000,
    reuseExistingServer: false,
  },
});
