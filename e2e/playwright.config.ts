import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './browser';

const executablePath = chromiumPath();

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: '../test-results',
  // Journeys share the machine with a database and software WebGL, which take all of two processors: one at a time.
  workers: 1,
  // Generous: a shared machine may be ten times slower for a while, and a journey measures nothing.
  timeout: 420_000,
  // A second try for a machine that stood still; `verify` names each journey that needed it.
  retries: 1,
  expect: { timeout: 30_000 },
  reporter: 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { args: CHROMIUM_ARGS, ...(executablePath ? { executablePath } : {}) },
    actionTimeout: 30_000,
    trace: 'retain-on-failure',
  },
});
