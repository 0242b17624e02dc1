import { expect, test, type Page } from '@playwright/test';
import { choose, openDemo, planned } from './acts';

test.beforeEach(async ({ page }) => {
  await page.goto('/menu');
  await planned(page);
});

const verdict = (page: Page, text: string) =>
  expect(page.getByRole('heading', { level: 2, name: text, exact: true })).toBeVisible({ timeout: 30_000 });

const leftSide = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'Left side' }).getByText(name, { exact: true }).click();

async function beginDinner(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Dinners' }).click();
  await page.getByRole('button', { name: 'Begin a dinner' }).click();
  const dialog = page.getByRole('dialog', { name: 'Begin a dinner' });
  await dialog.getByLabel('Its name').fill(name);
  await dialog.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

async function add(page: Page, course: string, dish: string): Promise<void> {
  await choose(page, 'Onto which course', course);
  const search = page.getByRole('textbox', { name: 'Search the dishes' });
  await search.fill(dish);
  await page.getByRole('button', { name: new RegExp(`^Add .*${dish}`) }).click();
  await expect(
    page
      .getByRole('list', { name: `Dishes of ${course}` })
      .getByText(new RegExp(dish))
      .first(),
  ).toBeVisible();
  await search.fill('');
}

test('a newcomer composes a dinner, meets a conflict, applies a remedy and sees the evening', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await beginDinner(page, 'Quince night');
  await add(page, 'Starter', 'Baked beetroot');
  await add(page, 'Main', 'Chicken thighs');
  await add(page, 'Main', 'Green leaves');
  await verdict(page, 'It fits');
  await expect(page.getByText('Begin by')).toBeVisible();
  // Ice that freezes for eight hours, and nobody has time before the afternoon.
  await leftSide(page, 'Who and when');
  const times = page.getByRole('region', { name: 'Cook 1' });
  await times
    .getByRole('button', { name: /^Take out the time from/ })
    .first()
    .click();
  await leftSide(page, 'Dishes');
  await add(page, 'Dessert', 'Lemon ice');
  await verdict(page, 'It does not fit');
  await expect(page.getByText('These cannot hold together:')).toBeVisible();
  await page.getByRole('button', { name: /begins the evening before/ }).click();
  await verdict(page, 'It fits');
  await page.getByRole('link', { name: 'Evening' }).click();
  await planned(page);
  await expect(page.getByRole('button', { name: /Whip the cream/ }).first()).toBeVisible();
});

test('everything can be undone and done again, also after a reload', async ({ page }) => {
  const guests = page.getByRole('spinbutton', { name: 'At table' });
  await guests.fill('6');
  await guests.press('Enter');
  await planned(page);
  await page.getByRole('button', { name: 'Without the course Dessert' }).click();
  await expect(page.getByRole('list', { name: 'Dishes of Dessert' })).toBeHidden();
  await planned(page);
  await page.reload();
  await planned(page);
  await expect(guests).toHaveValue('6');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Dishes of Dessert' })).toBeVisible();
  await page.locator('main').focus();
  await page.keyboard.press('Control+z');
  await expect(guests).toHaveValue('4');
  await page.reload();
  await planned(page);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(guests).toHaveValue('6');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('list', { name: 'Dishes of Dessert' })).toBeHidden();
});

test('dishes are dragged and moved by keys; courses are renamed and put in another order', async ({
  page,
}) => {
  const main = page.getByRole('list', { name: 'Dishes of Main' });
  const starter = page.getByRole('list', { name: 'Dishes of Starter' });
  await page.getByRole('button', { name: 'Move, change or remove Parsnip and potato mash' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'To Starter' }).press('Enter');
  await expect(starter.getByText('Parsnip and potato mash')).toBeVisible();
  await expect(main.getByText('Parsnip and potato mash')).toBeHidden();
  await planned(page);

  await page.setViewportSize({ width: 1280, height: 1500 });
  // What each dish costs comes a little later, and moves what is below it.
  await expect(page.getByText(/It costs the evening: /)).toHaveCount(6, { timeout: 30_000 });
  const grip = main.locator('li', { hasText: 'Red cabbage' }).locator('.grip');
  const box = (await grip.boundingBox())!;
  const target = (await starter.locator('li').last().boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y - 30, { steps: 5 });
  await page.mouse.move(target.x + 40, target.y + 30, { steps: 15 });
  await page.mouse.up();
  await expect(starter.getByText('Red cabbage with cider')).toBeVisible();

  const name = page.getByRole('textbox', { name: 'Name of course 3' });
  await name.fill('Something sweet');
  await name.press('Enter');
  await page.getByRole('button', { name: 'Something sweet earlier' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of course 2' })).toHaveValue('Something sweet');
  await planned(page);
  await expect(page.getByRole('button', { name: /^Something sweet \d/ })).toBeVisible();
});

test('dinners are kept side by side: copied, put away, deleted and brought back', async ({ page }) => {
  await openDemo(page, 'Home at six');
  await page.keyboard.press('d');
  const shelf = page.getByRole('dialog', { name: 'Dinners' });
  await shelf.getByRole('button', { name: 'Duplicate Home at six' }).click();
  await expect(shelf.getByText('Home at six, again')).toBeVisible();
  await shelf.getByRole('button', { name: 'Put away Home at six', exact: true }).click();
  await expect(shelf.getByRole('button', { name: 'Open Home at six', exact: true })).toBeHidden();
  await shelf.getByText('Show what is put away (1)').click();
  await expect(shelf.getByRole('button', { name: 'Open Home at six', exact: true })).toBeVisible();
  await shelf.getByRole('button', { name: 'Delete Home at six, again' }).click();
  await expect(shelf.getByText('Home at six, again')).toBeHidden();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(shelf.getByText('Home at six, again')).toBeVisible();
  await shelf.getByRole('button', { name: 'Open First frost' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'First frost' })).toBeVisible();
});

test('what each dish costs, what each candidate would, and the three ways to cook it', async ({ page }) => {
  test.setTimeout(120_000);
  await expect(page.getByText(/It costs the evening: /).first()).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/On the day from/)).toHaveCount(3, { timeout: 30_000 });
  await leftSide(page, 'Dishes');
  await choose(page, 'Kind of dish', 'Drinks');
  await expect(page.getByText(/It would cost: .* of hands/)).toHaveCount(2, { timeout: 60_000 });
  await expect(page.getByText(/can share at 165 °C to 170 °C/)).toBeVisible();
});

test('a guest who avoids something is thought of', async ({ page }) => {
  await page.getByRole('button', { name: 'A guest who avoids something' }).click();
  const name = page.getByRole('textbox', { name: 'Guest 1' });
  await name.fill('Mila');
  await name.press('Enter');
  await choose(page, 'Mila avoids', 'Celery');
  await expect(page.getByText(/Mila avoids celery: Celeriac and chestnut soup/)).toBeVisible();
  await expect(page.getByText(/check the packet/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Mila avoids celery: Celeriac and chestnut soup/)).toBeVisible();
});

test('a dish is dragged from the card file onto a course', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 1500 });
  await expect(page.getByText(/It costs the evening: /)).toHaveCount(6, { timeout: 30_000 });
  await leftSide(page, 'Dishes');
  await page.getByRole('textbox', { name: 'Search the dishes' }).fill('Green herb');
  const dish = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: 'Add Green herb sauce' }) });
  await expect(dish.getByText(/It would cost|No evening/)).toBeVisible({ timeout: 30_000 });
  const main = page.getByRole('list', { name: 'Dishes of Main' });
  const from = (await dish.locator('.grip').boundingBox())!;
  const to = (await main.getByRole('listitem').last().boundingBox())!;
  await page.mouse.move(from.x + 10, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 30, { steps: 5 });
  await page.mouse.move(to.x + 60, to.y + 20, { steps: 15 });
  await page.mouse.up();
  await expect(main.getByText('Green herb sauce')).toBeVisible();
  await expect(dish).toBeVisible();
});
