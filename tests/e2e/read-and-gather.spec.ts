import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { planned } from './acts';

const RECIPE = `Beans and pork with sage
Serves 4. Total time: 1 hour 30 minutes

400 g pork shoulder, diced
2 tins (400 g) white beans
1 onion
200 ml white wine
frozen peas, a handful
salt

Dice the onion and pick the sage, about 10 minutes.
Brown the pork in a casserole for 8 minutes. Add the onion and sweat for 5 minutes, stirring often.
Pour in the wine, cover and simmer for 1 hour, looking in every 15 minutes. Stir in the beans 10 minutes before the end.
Meanwhile, heat the oven to 200°C fan. Tear a stale loaf into pieces, toss with oil and bake on a tray for 10-12 minutes, until crisp.`;

test.beforeEach(async ({ page }) => {
  await page.goto('/read');
  await planned(page);
});

test('words told within those of another step lead to their own', async ({ page }) => {
  await page
    .getByRole('textbox', { name: 'The recipe' })
    .fill('Squash\n\n1 squash\n2 tbsp oil\n\nRoast the squash for 40 minutes, turning after 25 minutes.');
  await page.getByRole('button', { name: 'Read it' }).click();
  const words = page.getByRole('region', { name: 'The text that was read' });
  await words.getByRole('link', { name: /^turning after 25 minutes/ }).click();
  await expect(words.getByRole('link', { name: /^turning after/ })).toHaveAttribute('aria-current', 'true');
  await expect(words.getByRole('link', { name: /^Roast the squash/ })).not.toHaveAttribute('aria-current');
});

test('a recipe is pasted, corrected in two places, saved, put on the menu, shopped for and printed', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.getByRole('textbox', { name: 'The recipe' }).fill(RECIPE);
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByText(/The recipe says 1 h 30 min; its steps take/)).toBeVisible();
  const words = page.getByRole('region', { name: 'The text that was read' });
  const steps = page.getByRole('list', { name: 'Steps', exact: true });

  // What words say and what is a guess are told apart; touching the words lights up the step.
  await words.getByRole('link', { name: /Tear a stale loaf/ }).click();
  const torn = steps.getByRole('listitem').filter({ hasText: 'A guess: how long' }).last();
  await expect(torn).toBeInViewport();
  await expect(words.getByText('1 hour', { exact: true })).toBeVisible();

  // Two corrections in place.
  const first = steps.getByRole('listitem').first();
  await first.getByRole('spinbutton', { name: 'usual' }).fill('12');
  await first.getByRole('spinbutton', { name: 'usual' }).press('Enter');
  const name = page.getByRole('textbox', { name: 'Name', exact: true });
  await name.fill('Pork and beans');
  await name.press('Enter');
  await expect(page.getByRole('heading', { name: 'Pork and beans' })).toBeVisible();

  // A reload loses nothing.
  await page.reload();
  await planned(page);
  await expect(name).toHaveValue('Pork and beans');
  await expect(first.getByRole('spinbutton', { name: 'usual' })).toHaveValue('12');
  await page.getByRole('button', { name: 'Keep, and onto a course' }).click();
  await page.getByRole('menuitem', { name: 'Main' }).click();
  await expect(page).toHaveURL(/menu/);
  await expect(page.getByRole('list', { name: 'Dishes of Main' }).getByText('Pork and beans')).toBeVisible();

  await page.keyboard.press('g');
  const meat = page.getByRole('region', { name: 'meat' });
  const pork = meat.getByRole('checkbox', { name: /400 g pork shoulder/ });
  await meat.getByText('pork shoulder').click();
  await expect(pork).toBeChecked();
  const left = page.getByText(/\d+ still to buy/);
  const count = await left.textContent();
  await page.getByRole('button', { name: 'red wine is at home' }).click();
  await expect(left).not.toHaveText(count!);
  await expect(page.getByText('salt', { exact: true })).toBeHidden();
  await page.getByText('with prices').click();
  await page.getByRole('spinbutton', { name: 'Price of pork shoulder' }).fill('8');
  await page.getByRole('spinbutton', { name: 'Price of pork shoulder' }).press('Enter');
  await expect(page.getByText(/8\.00 in all, 2\.00 by head/)).toBeVisible();
  await page.reload();
  await expect(pork).toBeChecked();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take the list away' }).click();
  await page.getByRole('menuitem', { name: 'As a table (CSV)' }).click();
  const csv = readFileSync(await (await download).path(), 'utf8');
  expect(csv).toMatch(/meat,"pork shoulder",400 g|meat,pork shoulder,400 g/);
  expect(csv).not.toMatch(/red wine/);

  await planned(page);
  await page.keyboard.press('p');
  await page.getByRole('button', { name: 'Print', exact: true }).waitFor();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  await expect(page.getByText('Pork and beans: Brown the pork').first()).toBeVisible();
});

test('what is being written as the page goes is there when it comes again', async ({ page }) => {
  const recipe = page.getByRole('textbox', { name: 'The recipe' });
  await expect(recipe).toBeVisible();
  // A disk that takes its time: nothing is written before the page is gone.
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => ({}) as IDBRequest<IDBValidKey>;
  });
  await recipe.fill('Leek soup for 4');
  await page.reload();
  await expect(recipe).toHaveValue('Leek soup for 4');
  await page.reload();
  await expect(recipe).toHaveValue('Leek soup for 4');
});

test('a saved page with two recipes, a dish file, and something that is none', async ({ page }) => {
  const data = (name: string) => ({
    '@type': 'Recipe',
    name,
    recipeIngredient: ['2 leeks'],
    recipeInstructions: ['Simmer the leeks for 20 minutes.', '<img src=x onerror=alert(1)>Serve.'],
  });
  const take = (file: string, text: string) =>
    page
      .getByTestId('recipe-file')
      .setInputFiles({ name: file, mimeType: 'text/html', buffer: Buffer.from(text) });
  await take('none.json', '{"hello": 1}');
  await expect(page.getByRole('alert')).toContainText('What you pasted is still here');
  await take(
    'page.html',
    `<html><script type="application/ld+json">${JSON.stringify({ '@graph': [data('Leeks'), data('More leeks')] })}</script></html>`,
  );
  await expect(page.getByRole('heading', { level: 2, name: 'Leeks', exact: true })).toBeVisible();
  await page.getByRole('combobox', { name: 'Which recipe' }).press('Enter');
  await page.getByRole('option', { name: 'More leeks' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'More leeks' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep in the card file' }).click();
  await expect(page).toHaveURL(/dishes/);
  await expect(page.getByRole('heading', { level: 2, name: 'More leeks' })).toBeVisible();

  // Written out as recipe data and read back, it is the same dish.
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  await page.getByRole('menuitem', { name: /Recipe data/ }).click();
  const written = readFileSync(await (await download).path(), 'utf8');
  await page.goto('/read');
  await planned(page);
  await take('more-leeks.recipe.json', written);
  await expect(page.getByText('Dishes in this file')).toBeVisible();
  await page.getByRole('button', { name: 'Keep them in the card file' }).click();
  await expect(page.getByRole('list', { name: 'Dishes', exact: true }).getByText('More leeks')).toHaveCount(
    2,
  );
});

test('ahead of time, tools, the table and what is laid out', async ({ page }) => {
  await page.goto('/gather?part=ahead');
  await expect(page.getByText(/^Begin by \d\d:\d\d, it takes long\.$/)).toBeVisible();
  await planned(page);
  await page.getByText(/Have at home: onions, carrots/).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a calendar file' }).click();
  const calendar = readFileSync(await (await download).path(), 'utf8');
  expect(calendar.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(5);
  await page.getByText('Tools', { exact: true }).click();
  const tools = page.getByRole('list', { name: 'Tools needed' });
  await expect(tools.getByText(/Do not wash it after: Sear the duck legs/)).toBeVisible();
  await page.getByText('The table', { exact: true }).click();
  await expect(page.getByRole('img', { name: /Right, from outside: soup spoon, knife/ })).toBeVisible();
  await page.getByRole('combobox', { name: 'Laid for Starter' }).press('Enter');
  await page.getByRole('option', { name: 'small fork' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('as you have laid it')).toBeVisible();
  await page.getByRole('button', { name: 'As usual' }).click();
  await expect(page.getByText('as you have laid it')).toBeHidden();
  await planned(page);
  await page.getByText('Laid out', { exact: true }).click();
  await page
    .getByRole('checkbox', { name: /Celeriac and chestnut soup/ })
    .first()
    .focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('checkbox', { name: /Celeriac and chestnut soup/ }).first()).toBeChecked();
});

for (const theme of ['light', 'dark'] as const) {
  test(`no accessibility faults in reading and gathering, ${theme}`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.addInitScript((t) => localStorage.setItem('zeitlauf-theme', t), theme);
    for (const part of ['shopping', 'ahead', 'tools', 'table', 'laid']) {
      await page.goto(`/gather?part=${part}`);
      await planned(page);
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect([part, violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)]).toEqual([part, []]);
    }
    await page.goto('/read');
    await page.getByRole('textbox', { name: 'The recipe' }).fill(RECIPE);
    await page.getByRole('button', { name: 'Read it' }).click();
    await expect(page.getByRole('list', { name: 'Steps', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'All of step 2' }).click();
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
  });
}
