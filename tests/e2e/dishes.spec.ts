import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose, planned } from './acts';

test.beforeEach(async ({ page }) => {
  await page.goto('/dishes');
  await planned(page);
});

test('a dish is found, scaled, read in other units, and goes onto a course', async ({ page }) => {
  const list = page.getByRole('list', { name: 'Dishes', exact: true });
  await page.getByRole('textbox', { name: 'Search the dishes' }).fill('rye flour');
  await list.getByRole('button', { name: /Apple and rye crumble/ }).click();
  const needs = page.getByRole('list', { name: 'What Apple and rye crumble needs' });
  await expect(needs.getByText('800 g')).toBeVisible();
  const portions = page.getByRole('spinbutton', { name: 'For' });
  await portions.fill('6');
  await portions.press('Enter');
  await expect(needs.getByText('1.2 kg')).toBeVisible();
  await page.getByRole('link', { name: 'Kitchen' }).click();
  await page.getByText('Cups and ounces').click();
  await page.getByText('°F', { exact: true }).click();
  await page.getByRole('link', { name: 'Dishes' }).click();
  await page.reload();
  await list.getByRole('button', { name: /Apple and rye crumble/ }).click();
  await expect(needs.getByText('1 ¾ lb')).toBeVisible();
  await expect(page.getByText(/oven 355 °F/)).toBeVisible();
  await page.getByRole('button', { name: 'Onto a course' }).click();
  await page.getByRole('menuitem', { name: 'Dessert' }).click();
  await page.getByRole('link', { name: 'Menu' }).click();
  await expect(
    page.getByRole('list', { name: 'Dishes of Dessert' }).getByText('Apple and rye crumble'),
  ).toBeVisible();
});

test('sorted by what a cook asks for; kept apart by kind and tag', async ({ page }) => {
  const first = page.getByRole('list', { name: 'Dishes', exact: true }).getByRole('button').first();
  await choose(page, 'Order', 'Least of hands first');
  await expect(first).toContainText(/Hot apple|Quince/);
  await choose(page, 'Kind of dish', 'Mains');
  await choose(page, 'Tag', 'meatless');
  await choose(page, 'Order', 'By name');
  await expect(first).toContainText('Mushroom and barley pie');
});

test('a dish is copied, taken out, brought back, saved as a file and taken in', async ({ page }) => {
  const list = page.getByRole('list', { name: 'Dishes', exact: true });
  await list.getByRole('button', { name: /Baked beetroot/ }).click();
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(list.getByText('Baked beetroot, horseradish cream, again')).toBeVisible();
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(list.getByRole('button')).toHaveCount(31);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(list.getByRole('button')).toHaveCount(32);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const card = JSON.parse(readFileSync(await (await download).path(), 'utf8'));
  expect(card).toMatchObject({ format: 'zeitlauf/dish', version: 1 });
  const take = (name: string, value: unknown) =>
    page.getByTestId('dish-file').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(value)),
    });
  await take('ours.json', { ...card, dish: { ...card.dish, name: 'Our own beetroot' } });
  await expect(list.getByText('Our own beetroot')).toBeVisible();
  await take('foreign.json', { title: 'not ours' });
  await expect(page.getByText(/This dish cannot be kept: format: found nothing/)).toBeVisible();
});
