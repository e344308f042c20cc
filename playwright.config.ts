import { defineConfig } from '@playwright/test';
import { CHROMIUM_BARE } from './scripts/chromium.mjs';

/** The real interface in Debian's Chromium. Each test starts its own server on a notebook of its own. */
export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/fresh.ts',
  workers: 2,
  timeout: 90_000,
  retries: 1, // named in the log by scripts/test.mjs
  expect: { timeout: 20_000 }, // nothing here is timed; a busy machine is no failure
  reporter: [['list']],
  use: {
    serviceWorkers: 'block', // let in where it is what is tested
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM_BARE,
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--autoplay-policy=no-user-gesture-required',
      ],
    },
  },
});
