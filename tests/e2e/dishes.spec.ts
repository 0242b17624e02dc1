import { expect, test } from '@playwright/test';
import { spawnSync } from 'node:child_process';
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
  await expect(page).toHaveURL(/dishes/);
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
  await page.getByRole('menuitem', { name: /The dish, to be taken in/ }).click();
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

test('a new dish is written from sentences, corrected in place, kept, and planned on the command line', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.getByRole('button', { name: 'Write a new dish' }).click();
  const name = page.getByRole('textbox', { name: 'Name', exact: true });
  await name.fill('Plum stew');
  await name.press('Enter');
  const sentence = page.getByRole('textbox', { name: 'The next step, as a sentence' });
  await sentence.fill('Simmer the plums 25 to 35 min, stir every 10');
  await sentence.press('Enter');
  await sentence.fill('Chill for at least 3 hours');
  await sentence.press('Enter');
  const steps = page.getByRole('list', { name: 'Steps', exact: true });
  await expect(steps.getByRole('textbox', { name: 'Step 3: what is done' })).toHaveValue(
    'Chill for at least 3 hours',
  );
  await expect(page.getByText(/Begin at the latest (4 h 30|3 h 3\d) min before/)).toBeVisible();

  // What was understood is corrected: a longer simmer, looked at more often; something wrong is kept but not used.
  const usual = steps.getByRole('listitem').nth(1).getByRole('spinbutton', { name: 'usual' });
  await usual.fill('40');
  await usual.press('Enter');
  await page.getByRole('button', { name: 'All of step 2' }).click();
  const every = page.getByRole('spinbutton', { name: 'Looked at every' });
  await every.fill('8');
  await every.press('Enter');
  const takes = page.getByRole('spinbutton', { name: 'Minutes to put in' });
  await takes.fill('200');
  await takes.press('Enter');
  await expect(page.getByText('Not right yet.')).toBeVisible();
  await page.reload();
  await planned(page);
  await page
    .getByRole('list', { name: 'Dishes', exact: true })
    .getByRole('button', { name: /Plum stew/ })
    .click();
  await page.getByRole('button', { name: 'Change' }).click();
  await page.getByRole('button', { name: 'All of step 2' }).click();
  await expect(takes).toHaveValue('200');
  await takes.fill('2');
  await takes.press('Enter');
  await expect(page.getByText('Not right yet.')).toBeHidden();
  await page.getByRole('button', { name: 'Done', exact: true }).click();

  await page.getByRole('button', { name: 'Onto a course' }).click();
  await page.getByRole('menuitem', { name: 'Dessert' }).click();
  await planned(page);
  await page.getByRole('button', { name: 'Take away' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save the dinner' }).click();
  const file = await (await download).path();
  const dish = JSON.parse(readFileSync(file, 'utf8')).dishes.find(
    (d: { name: string }) => d.name === 'Plum stew',
  );
  expect(dish.steps[1]).toMatchObject({
    attention: 'minded',
    minutes: { short: 25, usual: 40, long: 40 },
    check: { every: 8 },
    touch: { in: 2, out: 1 },
    uses: [{ ring: 1 }],
  });
  const { stdout } = spawnSync('npm', ['run', '--silent', 'plan', '--', file, '--seconds', '2'], {
    encoding: 'utf8',
  });
  expect(JSON.parse(stdout)).toMatchObject({ format: 'zeitlauf/plan', feasible: true });
});
