import { chromium, type Browser, type Page } from '@playwright/test';
import jsQR from 'jsqr';
import { faults } from './axe';
import { makeCertificate, makeNetworks, type Networks } from '../support/networks';
import { expect, FIRST_PORT, kill, newDb, openMap, part, saved, startServer, test, typeInto, type Running, whollyLoaded } from './support';

// The desk is a browser on this machine; the stand one in another network namespace, as on a tablet of the same network.
const heading = (page: Page) => page.getByRole('heading', { level: 1 });
let nets: Networks;
let stand: Browser;
test.beforeAll(async () => {
  nets = makeNetworks(2);
  stand = await chromium.launch({
    executablePath: nets.chromium(),
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--ignore-certificate-errors'],
  });
});
test.afterAll(async () => {
  await stand.close();
  nets.remove();
});

const codeOf = (r: Running): string => /Code: ([A-Z0-9-]+)/.exec(r.output())?.[1] ?? '';
const addressOf = (r: Running): string => /On other devices of this network: (\S+)/.exec(r.output())?.[1] ?? '';
const shared = (flags: string[] = [], db = newDb(), port = FIRST_PORT + 50): Promise<Running> => startServer(db, port, ['--no-open', `--share=${nets.shared.name}`, ...flags]); // prettier-ignore

/** A tablet that was let in by its code, on the Map of the demo. */
async function tablet(server: Running): Promise<Page> {
  const context = await stand.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true, ignoreHTTPSErrors: true });
  await context.addInitScript(() => localStorage.setItem('crow-ladder:prefs', JSON.stringify({ asked: ['demo-weathervane'] })));
  const page = await context.newPage();
  await page.goto(`${addressOf(server)}/study/demo-weathervane/map`);
  await page.getByLabel('Code').fill(codeOf(server));
  await page.getByRole('button', { name: 'Let it in' }).tap();
  await expect(page).not.toHaveURL(/pair/);
  await openMap(page, addressOf(server));
  return page;
}

test('the square code leads to the page that lets in: by keys alone; both pages pass axe', async ({ page }) => {
  const server = await shared();
  await openMap(page, server.url);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('other devices');
  await page.keyboard.press('Enter');
  const panel = page.getByRole('dialog', { name: 'Other devices' });
  await expect(panel).toContainText(addressOf(server));
  await expect(panel).toContainText('not encrypted');
  const square = panel.getByRole('img', { name: /^Square code/ });
  await expect(square).toBeVisible();
  const read = await square.evaluate(async (img: HTMLImageElement) => {
    await img.decode();
    const canvas = Object.assign(document.createElement('canvas'), { width: 330, height: 330 });
    const on = canvas.getContext('2d') as CanvasRenderingContext2D;
    on.drawImage(img, 0, 0, 330, 330);
    return [...on.getImageData(0, 0, 330, 330).data];
  });
  const told = jsQR(new Uint8ClampedArray(read), 330, 330)?.data ?? '';
  expect(told).toBe(`${addressOf(server)}/pair?code=${codeOf(server)}`);
  expect(await faults(page, '[role=dialog]')).toEqual([]);

  const context = await stand.newContext({ viewport: { width: 360, height: 740 } });
  const phone = await context.newPage();
  await phone.goto(told);
  expect(await faults(phone)).toEqual([]);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  await phone.keyboard.press('Tab');
  await phone.keyboard.press('Control+a');
  await phone.keyboard.type('Phone on the amp');
  await phone.keyboard.press('Enter');
  await expect(heading(phone)).toBeVisible();
  await expect(panel).toContainText('Phone on the amp');
  await context.close();
  await kill(server, 'SIGTERM');
});

test('the stand follows the desk and the desk the stand; both at once; put off and on; shut out', async ({ page }) => {
  test.slow();
  const server = await shared();
  await openMap(page, server.url);
  const tab = await tablet(server);
  await expect(page.locator('[data-live]')).toContainText('Live with 1 other');
  await typeInto(page, 'tonic and scale', 'Bb mixo');
  await expect(heading(tab)).toContainText('B♭ Mixolydian');
  await expect(tab.locator('[data-step]')).toContainText('Changed elsewhere');
  await saved(tab);
  await typeInto(tab, 'tonic and scale', 'E dorian');
  await expect(heading(page)).toContainText('E Dorian');
  await saved(page);

  // Both at once, in different fields: neither is asked, and both stay.
  const before = await heading(tab).innerText();
  await Promise.all([page.keyboard.press('ArrowRight'), tab.getByRole('radio', { name: 'Notes', exact: true }).or(tab.getByRole('button', { name: 'Notes', exact: true })).first().tap()]); // prettier-ignore
  await expect(heading(tab)).not.toHaveText(before);
  await expect(page.getByRole('alert')).toBeHidden();
  await expect(tab.getByRole('alert')).toBeHidden();
  await saved(page);
  await saved(tab);
  expect(await heading(page).innerText()).toBe(await heading(tab).innerText());

  // Undo on the stand takes back what was done there, never what the desk did.
  await typeInto(page, 'tonic and scale', 'A aeolian');
  await expect(heading(tab)).toContainText('A natural minor');
  await tab.keyboard.press('Control+z');
  await saved(tab);
  await expect(heading(tab)).toContainText('A natural minor');

  await tab.locator('[data-live]').tap();
  await expect(tab.locator('[data-live]')).toContainText('Not live');
  await typeInto(page, 'tonic and scale', 'D dorian');
  await saved(page);
  await tab.waitForTimeout(1500);
  await expect(heading(tab)).toContainText('A natural minor');
  await tab.locator('[data-live]').tap();
  await expect(heading(tab)).toContainText('D Dorian');

  await page.getByRole('button', { name: 'Settings', exact: true }).click();
  await page.getByRole('button', { name: 'Other devices' }).click();
  await page.getByRole('button', { name: /^Shut out/ }).click();
  await expect(page.getByText('No device was let in yet.')).toBeVisible();
  await page.keyboard.press('Escape');
  await typeInto(tab, 'tonic and scale', 'C lydian');
  await expect(tab.getByRole('alert')).toContainText('This device is not let in, or no more.');
  await tab.getByRole('link', { name: 'Type in a code' }).tap();
  await expect(tab.getByRole('heading', { name: 'Let this device in' })).toBeVisible();
  await expect(heading(page)).toContainText('D Dorian');
  await tab.context().close();
  await kill(server, 'SIGTERM');
});

test('the network goes and comes back: what was changed on both sides meanwhile is there', async ({ page }) => {
  test.slow();
  const server = await shared();
  await openMap(page, server.url);
  const tab = await tablet(server);
  await whollyLoaded(tab);
  nets.unplug();
  await typeInto(tab, 'tonic and scale', 'G dorian');
  await expect(tab.getByRole('alert')).toContainText('Not on the server yet', { timeout: 30_000 });
  await page.keyboard.press('ArrowRight');
  await saved(page);
  nets.plug();
  await expect(heading(page)).toContainText('G Dorian', { timeout: 40_000 });
  await saved(tab);
  expect(await heading(page).innerText()).toBe(await heading(tab).innerText());
  await tab.context().close();
  await kill(server, 'SIGTERM');
});

test('over plain http what needs no certificate works, and what it would add is said; with one the page is installable and listens', async ({
  page,
}) => {
  test.slow();
  const plain = await shared();
  const tab = await tablet(plain);
  expect(await tab.evaluate(() => isSecureContext)).toBe(false);
  await tab.getByRole('button', { name: 'Settings', exact: true }).tap();
  await tab.getByRole('button', { name: 'Other devices' }).tap();
  await expect(tab.getByRole('dialog')).toContainText('no microphone, no MIDI, no screen that stays awake');
  await expect(tab.getByRole('dialog')).toContainText('on the computer that Crow Ladder runs on');
  await tab.keyboard.press('Escape');
  await part(tab, 'print or export').tap();
  await tab.getByRole('button', { name: 'Copy', exact: false }).first().tap();
  await expect(tab.getByRole('dialog')).toContainText(/Copied/);
  await tab.keyboard.press('Escape');
  await tab.goto(`${addressOf(plain)}/study/demo-weathervane/practise`);
  await expect(heading(tab)).toContainText('Play');
  await tab.keyboard.press(' ');
  await expect(tab.locator('[data-running]')).not.toHaveAttribute('data-running', '-1', { timeout: 20_000 });
  await tab.keyboard.press(' ');
  await openMap(tab, addressOf(plain));
  await tab.keyboard.press('e');
  await expect(tab.getByRole('alert')).toContainText('Over a connection without a certificate', { timeout: 20_000 });
  await tab.context().close();
  await kill(plain, 'SIGTERM');

  const { cert, key } = makeCertificate(nets.shared.address);
  const secure = await shared(['--cert', cert, '--key', key], newDb(), FIRST_PORT + 60);
  const safe = await tablet(secure);
  expect(await safe.evaluate(() => [isSecureContext, 'wakeLock' in navigator, 'mediaDevices' in navigator])).toEqual([true, true, true]);
  const manifest = await safe.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel=manifest]');
    const answer = await fetch(link?.href ?? '', { credentials: 'include' });
    const { icons, start_url } = (await answer.json()) as { icons: { src: string }[]; start_url: string };
    const sizes = await Promise.all(icons.map(async (i) => (await fetch(i.src)).status));
    return { start_url, sizes };
  });
  expect(manifest).toEqual({ start_url: '/', sizes: [200, 200, 200, 200] });
  await safe.context().close();
  await kill(secure, 'SIGTERM');
  await page.close();
});
