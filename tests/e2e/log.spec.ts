import { readFileSync } from 'node:fs';
import { expect, test } from './support';

test('the log: charts, filters, a pass corrected and deleted with undo, as CSV', async ({ page, server }) => {
  await page.goto(`${server.url}/log`);
  await expect(page.getByText(/^76 passes/)).toBeVisible();
  await page.getByRole('button', { name: 'Older' }).click();
  await expect(page.getByText('51 to 76 of 76')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Older' })).toBeDisabled();
  await page.getByRole('button', { name: 'Newer' }).click();
  await expect(page.getByText('1 to 50 of 76')).toBeVisible();
  await expect(page.getByRole('img', { name: /: 78$/ })).toBeVisible(); // the line of box 2, played last, ends at 78
  await page.getByLabel('What', { exact: true }).selectOption({ label: 'box 1 of F♯ Dorian' });
  await expect(page.getByText(/^[0-9]+ passes/)).not.toContainText('76');
  await page.getByLabel('How it went').selectOption('miss');
  const rows = page.locator('tbody tr');
  await expect(rows.first()).toContainText('missed');
  await expect(page.getByText(/^11 passes/)).toBeVisible(); // of the 58 of box 1
  await rows.first().getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('was deleted.')).toBeVisible();
  await expect(page.getByText(/^10 passes/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText(/^11 passes/)).toBeVisible();
  await rows.first().getByRole('button', { name: 'Correct' }).click();
  await rows.first().getByLabel('How it went').selectOption('clean');
  await rows.first().getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('was corrected.')).toBeVisible();
  await page.getByRole('button', { name: 'All of it' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  const csv = readFileSync(await (await download).path(), 'utf8');
  expect(csv.split('\r\n')[0]).toContain('seq,day,at,study,what');
  expect(csv.trim().split('\r\n')).toHaveLength(77);
  // The Notebook's "practised" follows from it.
  await page.goto(`${server.url}/notebook`);
  await expect(page.getByRole('row', { name: /Weathervane/ }).first()).not.toContainText('–');
});

test('days that are still being read: the charts keep their room and say nothing of them', async ({ page, server }) => {
  let read = (): void => undefined;
  const asked = new Promise<void>((done) => (read = done));
  await page.route(/charts/, (route) => asked.then(() => route.abort()));
  await page.goto(`${server.url}/log`);
  await expect(page.getByRole('row', { name: /box 2 of F♯ Dorian/ }).first()).toBeVisible();
  const busy = page.locator('[aria-busy=true]');
  await expect(busy).toHaveCount(2);
  await expect(page.getByText(/passes, |No clean pass yet|No minutes yet/)).toHaveCount(0);
  const tops = () => page.getByRole('heading', { level: 2 }).evaluateAll((all) => all.map((e) => e.getBoundingClientRect().top));
  const before = await tops();
  read();
  const alert = page.getByRole('alert');
  await expect(alert).toBeVisible(); // they cannot be read, and that is said
  await page.unroute(/charts/);
  await alert.getByRole('button').click();
  await expect(alert).toBeHidden();
  await expect(page.getByText(/^76 passes/)).toBeVisible();
  await expect(page.getByRole('img')).toHaveCount(2);
  await expect(busy).toHaveCount(0);
  expect((await tops()).slice(0, 3)).toEqual(before.slice(0, 3));
});
