import { chromium, test as plain } from '@playwright/test';
import lighthouse, { desktopConfig } from 'lighthouse';
import { CHROMIUM_BARE } from '../../scripts/chromium.mjs';
import { expect, FIRST_PORT, kill, newDb, startServer, type Running } from './support';

/** A general auditor's scores for every view: accessibility and best practices, both 100. */
const STUDY = '/study/demo-weathervane';
const VIEWS = ['/map', `${STUDY}/map`, `${STUDY}/connect`, `${STUDY}/transpose`, `${STUDY}/licks`, '/notebook', '/instruments'];
const PORT = FIRST_PORT + 4500;

let server: Running;
plain.beforeAll(async () => {
  server = await startServer(newDb(), FIRST_PORT + 50);
});
plain.afterAll(() => kill(server, 'SIGTERM'));

for (const [k, view] of VIEWS.entries())
  plain(`${view}: accessibility and best practices are 100`, async () => {
    plain.setTimeout(120_000);
    const port = PORT + k;
    const browser = await chromium.launch({
      executablePath: CHROMIUM_BARE,
      args: ['--no-sandbox', '--disable-gpu', `--remote-debugging-port=${port}`],
    });
    try {
      const flags = { port, logLevel: 'error' as const, onlyCategories: ['accessibility', 'best-practices'], throttlingMethod: 'provided' as const, disableFullPageScreenshot: true, pauseAfterFcpMs: 0, pauseAfterLoadMs: 0, networkQuietThresholdMs: 500, cpuQuietThresholdMs: 500, maxWaitForLoad: 6000 }; // prettier-ignore
      const result = await lighthouse(server.url + view, flags, desktopConfig);
      const { categories = {}, audits = {}, runtimeError } = result?.lhr ?? {};
      expect(runtimeError?.message).toBeUndefined();
      const wanting = Object.values(audits).filter((a) => a.score !== null && a.score < 1).map((a) => [a.id, JSON.stringify(a.details)]); // prettier-ignore
      expect([categories.accessibility?.score, categories['best-practices']?.score, wanting]).toEqual([1, 1, wanting]);
    } finally {
      await browser.close();
    }
  });
