import { expect, openMap, saved, test } from './support';

test('an instrument in use is edited, the study says what changed, and the choice is the player’s', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.getByRole('link', { name: 'Instruments' }).click();
  await page.getByLabel('Open pitch of string 6').fill('D2');
  await expect(page.getByText('Not saved yet: string 6 is D2 instead of E2.')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(page.getByRole('alert')).toContainText('string 6 is D2 instead of E2');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('E A D G B E');
  await page.getByRole('button', { name: 'Take the change' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('D A D G B E');
  await saved(page);
});

test('an instrument under a study cannot be deleted; a free one can, and comes back', async ({ page, server }) => {
  await page.goto(`${server.url}/instruments`);
  await page.getByRole('group', { name: 'Lantern seven', exact: true }).getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('alert')).toContainText('used by “Cold Forge, C♯ Phrygian dominant”');
  await page.getByRole('group', { name: 'Lantern seven', exact: true }).getByRole('button', { name: 'Duplicate' }).click();
  const copy = page.getByRole('group', { name: 'Lantern seven (copy)' });
  await copy.getByRole('button', { name: 'Delete' }).click();
  await expect(copy).toBeHidden();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(copy).toBeVisible();
});

test('tuning up is cautioned; nonsense is refused in place', async ({ page, server }) => {
  await page.goto(`${server.url}/instruments`);
  await page.getByRole('button', { name: 'Lantern six', exact: true }).click();
  await page.getByLabel('Open pitch of string 6').fill('G2');
  await expect(page.getByRole('note')).toContainText('String 6 would pull 41 % harder');
  await page.getByLabel('Open pitch of string 6').fill('H2');
  await expect(page.getByRole('alert')).toContainText('string 6: H2 is not a pitch');
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: 'Put back as saved' }).click();
  await page.getByRole('spinbutton', { name: 'Strings' }).fill('13');
  await expect(page.getByText('Strings: a whole number from 1 to 12.')).toBeVisible();
});

test('a tuning goes out as Scala files and comes back; a broken file changes nothing', async ({ page, server }) => {
  await page.goto(`${server.url}/instruments`);
  await page.getByRole('button', { name: 'Lantern fourths', exact: true }).click();
  const paths: { name: string; mimeType: string; buffer: Buffer }[] = [];
  for (const button of ['Scala .scl', 'Scala .kbm']) {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button }).click()]);
    const stream = await download.createReadStream();
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(chunk as Buffer);
    paths.push({ name: download.suggestedFilename(), mimeType: 'text/plain', buffer: Buffer.concat(chunks) });
  }
  await page.getByLabel('Instrument files').setInputFiles(paths);
  await expect(page.getByRole('listitem')).toHaveCount(5);
  await expect(page.getByLabel('Open pitch of string 1', { exact: true })).toHaveValue('F4');
  await page
    .getByLabel('Instrument files')
    .setInputFiles([{ name: 'x.scl', mimeType: 'text/plain', buffer: Buffer.from('name\n1\n702.0\n') }]);
  await expect(page.getByRole('alert')).toContainText('x.scl: line 3: 702.00 cents lie between two frets');
  await expect(page.getByRole('listitem')).toHaveCount(5);
});

test('a left-handed instrument is drawn the other way round', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.getByRole('link', { name: 'Instruments' }).click();
  await page.getByLabel('Played').selectOption('left');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('link', { name: 'Map' }).click();
  await page.getByRole('button', { name: 'Take the change' }).click();
  const first = page.getByRole('radio', { name: /^box 1, frets 1 to 5/ });
  const last = page.getByRole('radio', { name: /^box 3, frets 18/ });
  const x = async (l: typeof first): Promise<number> => (await l.boundingBox())?.x ?? NaN;
  expect(await x(first)).toBeGreaterThan(await x(last));
});
