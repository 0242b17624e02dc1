import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { openDemo, planned } from './acts';

test.beforeEach(async ({ page }) => {
  await page.goto('/kitchen');
  await planned(page);
});

test('the kitchen of the dinner is changed, and planned with; a new dinner has it too', async ({ page }) => {
  const tool = page.getByRole('textbox', { name: 'Name of another tool' });
  await tool.fill('fish kettle');
  await tool.press('Enter');
  const list = page.getByRole('list', { name: 'Tools' });
  await expect(list.getByText('fish kettle')).toBeVisible();
  const shelves = page.getByRole('spinbutton', { name: 'Shelves' });
  await shelves.fill('3');
  await shelves.press('Enter');
  await planned(page);
  await page.reload();
  await expect(shelves).toHaveValue('3');
  await page.keyboard.press('d');
  await page.getByRole('button', { name: 'Begin a dinner' }).click();
  await page
    .getByRole('dialog', { name: 'Begin a dinner' })
    .getByRole('button', { name: 'Begin', exact: true })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'A new dinner' })).toBeVisible();
  await page.getByRole('link', { name: 'Kitchen' }).click();
  await expect(list.getByText('fish kettle')).toBeVisible();
  // An oven that dishes need can be missed; what comes of it is said on the menu.
  await page.getByRole('button', { name: 'Without Oven' }).click();
  await expect(page.getByRole('group', { name: 'Oven' })).toBeHidden();
});

test('everything is saved, the browser is wiped, and all is found again', async ({ page }) => {
  await openDemo(page, 'Home at six');
  await page.getByRole('link', { name: 'Kitchen' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save everything' }).click();
  const file = await (await download).path();
  const saved = JSON.parse(readFileSync(file, 'utf8'));
  expect(saved.dinners.map((d: { id: string }) => d.id).sort()).toEqual(['first-frost', 'home-at-six']);

  await page.evaluate(() => indexedDB.deleteDatabase('zeitlauf'));
  await page.evaluate(() => localStorage.clear());
  await page.goto('/kitchen');
  await planned(page);
  await page.keyboard.press('d');
  await expect(page.getByRole('dialog', { name: 'Dinners' }).getByText('Home at six')).toBeHidden();
  await page.keyboard.press('Escape');

  await page.getByTestId('backup-file').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...saved, cards: [{ id: 'a', card: {} }] })),
  });
  await expect(page.getByRole('alert')).toContainText('Nothing was changed');
  await page.getByTestId('backup-file').setInputFiles(file);
  const effect = page.getByRole('list', { name: 'What would change' });
  await expect(effect.getByText('New dinners: Home at six')).toBeVisible();
  await expect(effect.getByText('As they are: 1 dinners')).toBeVisible();
  await page.getByRole('button', { name: 'Take in', exact: true }).click();
  await expect(page.getByText('The backup is taken in.')).toBeVisible();
  await page.keyboard.press('d');
  await page.getByRole('button', { name: 'Open Home at six' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Home at six' })).toBeVisible();
});

test('a browser that refuses to store says so, and the dinner can still be planned and saved', async ({
  page,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('refused', 'SecurityError');
    };
  });
  await page.goto('/menu');
  await expect(page.getByRole('alert')).toContainText('This browser refuses to keep what you change.');
  await planned(page);
  const guests = page.getByRole('spinbutton', { name: 'At table' });
  await guests.fill('5');
  await guests.press('Enter');
  await planned(page);
  const download = page.waitForEvent('download');
  await page.getByRole('alert').getByRole('button', { name: 'Save the dinner' }).click();
  expect(JSON.parse(readFileSync(await (await download).path(), 'utf8')).guests).toBe(5);
});

test('two windows with the same dinner: the one follows the other', async ({ page, context }) => {
  const other = await context.newPage();
  await other.goto('/menu');
  await planned(other);
  const guests = other.getByRole('spinbutton', { name: 'At table' });
  await guests.fill('6');
  await guests.press('Enter');
  await expect(page.getByText('changed in another window')).toBeVisible();
  await page.getByRole('link', { name: 'Menu' }).click();
  await expect(page.getByRole('spinbutton', { name: 'At table' })).toHaveValue('6');
});
