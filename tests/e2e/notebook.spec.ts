import { expect, openMap, saved, test, typeInto } from './support';

test('a study from scratch is made, mapped, and there next time', async ({ page, server }) => {
  await openMap(page, server.url);
  await page.getByRole('link', { name: 'Notebook' }).click();
  await page.getByRole('button', { name: 'New study' }).click();
  await page.getByLabel('Name of the study').fill('Morning boxes');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A minor pentatonic');
  await typeInto(page, 'tonic and scale', 'C dorian');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('C Dorian');
  await page.getByRole('link', { name: 'Notebook' }).click();
  await expect(page.getByRole('listitem')).toHaveCount(4);
  await page.getByRole('button', { name: 'Weathervane, F♯ Dorian' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('F♯ Dorian');
});

test('studies are duplicated, renamed, deleted and brought back', async ({ page, server }) => {
  await page.goto(`${server.url}/notebook`);
  const row = (name: string) => page.getByRole('group', { name, exact: true });
  await row('Slow Tram, E♭ Lydian').getByRole('button', { name: 'Duplicate' }).click();
  await row('Slow Tram, E♭ Lydian (copy)').getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('New name').fill('Night Tram');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Night Tram' })).toBeVisible();
  await row('Night Tram').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('button', { name: 'Night Tram' })).toBeHidden();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Night Tram' })).toBeVisible();
  await expect(page.getByRole('listitem')).toHaveCount(4);
});

test('an empty notebook says what to do', async ({ page, server }) => {
  await page.goto(`${server.url}/notebook`);
  for (let k = 3; k > 0; k--) {
    await expect(page.getByRole('listitem')).toHaveCount(k);
    await page.getByRole('listitem').first().getByRole('button', { name: 'Delete' }).click();
  }
  await expect(page.getByText('No studies yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Map' }).click();
  await expect(page.getByText('The notebook is empty.')).toBeVisible();
});
