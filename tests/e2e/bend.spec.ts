import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose, openDemo, planned } from './acts';

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await planned(page);
});

/** A dinner that is small enough to be planned as well as can be, on a busy machine too. */
async function openSmall(page: Page): Promise<void> {
  await openDemo(page, 'Home at six');
  await reasonsThere(page);
}

/** The plan is final, and its reasons are there. */
const reasonsThere = (page: Page) =>
  expect(page.getByRole('button', { name: /Tight places \([1-9]/ })).toBeVisible({ timeout: 20_000 });
const line = (page: Page, name: RegExp) => page.getByRole('button', { name }).first();
const timeOf = async (page: Page, name: RegExp) =>
  (await line(page, name).getAttribute('aria-label'))!.slice(0, 5);
const minutes = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));
/** A step of a small dinner that has room before it. */
const MUSHROOMS = /^\d\d:\d\d Wipe and slice the mushrooms/;

async function dragBy(page: Page, name: RegExp, pixels: number): Promise<void> {
  // Away from the edges, where the strip would scroll along.
  await line(page, name).evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const box = (await line(page, name).boundingBox())!;
  const [x, y] = [box.x + 150, box.y + 10];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 10; k++) await page.mouse.move(x, y + (pixels * k) / 10);
}

test('a step is dragged: what else moves and what it costs is shown at once; let go it is pinned, and undone', async ({
  page,
}) => {
  await openSmall(page);
  const before = await timeOf(page, MUSHROOMS);
  await dragBy(page, MUSHROOMS, -60);
  const note = page.getByRole('status').filter({ hasText: 'Let go' });
  await expect(note).toContainText(/min earlier/);
  await expect(note).toContainText(/other things? moves?|Nothing else moves/);
  await expect(note).toContainText(/Costs|Better by/);
  const target = (await note.locator('strong').textContent())!;
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Decided (1)' })).toBeVisible();
  await planned(page);
  expect(await timeOf(page, MUSHROOMS)).toBe(target);
  await page.reload();
  await planned(page);
  expect(await timeOf(page, MUSHROOMS)).toBe(target);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Decided (0)' })).toBeVisible();
  await planned(page);
  expect(target).not.toBe(before);
});

test('undo brings back the very plan that there was', async ({ page }) => {
  await openSmall(page);
  const times = () => page.getByRole('list', { name: /Hands of/ }).allTextContents();
  const before = await times();
  await dragBy(page, MUSHROOMS, -60);
  await expect(page.getByText(/min earlier/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Decided (1)' })).toBeVisible();
  await planned(page);
  expect(await times()).not.toEqual(before);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Decided (0)' })).toBeVisible();
  expect(await times()).toEqual(before);
});

test('a step is nudged by keys, dropped with Escape, pinned with Enter, and unpinned from the list', async ({
  page,
}) => {
  await openSmall(page);
  const before = await timeOf(page, MUSHROOMS);
  await line(page, MUSHROOMS).focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByText('2 min earlier')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('2 min earlier')).toBeHidden();
  expect(await timeOf(page, MUSHROOMS)).toBe(before);
  for (let k = 0; k < 3; k++) await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByText(/Costs|Better by/)).toBeVisible();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Decided (1)' }).click();
  await planned(page);
  expect(minutes(await timeOf(page, MUSHROOMS))).toBe(minutes(before) - 3);
  const panel = page.getByRole('complementary');
  await expect(panel.getByText(/Pinned to/)).toBeVisible();
  await expect(panel.getByText(/It costs/)).toBeVisible({ timeout: 20_000 });
  await panel.getByRole('button', { name: 'Unpin' }).click();
  await expect(page.getByRole('button', { name: 'Decided (0)' })).toBeVisible();
});

test('where a step cannot be is said, and it stays where it was', async ({ page }) => {
  await openSmall(page);
  const dust = /^\d\d:\d\d Dust with sugar/;
  const before = await timeOf(page, dust);
  await line(page, dust).focus();
  for (let k = 0; k < 60; k++) await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByText('It cannot be there with all else as it must be.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/It stays where it was/)).toBeVisible();
  expect(await timeOf(page, dust)).toBe(before);
});

test('pins that cannot hold together are named, and one less mends it', async ({ page }) => {
  const dinner = JSON.parse(readFileSync('demo/home-at-six.json', 'utf8'));
  dinner.pins = [
    { step: 'trout/parcels', start: '2026-10-20T18:50' },
    { step: 'mushrooms/clean', start: '2026-10-20T18:52' },
  ];
  await page.getByTestId('open-file').setInputFiles({
    name: 'pins.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(dinner)),
  });
  await expect(page.getByText('These pins cannot hold together; one less and they can:')).toBeVisible({
    timeout: 20_000,
  });
  const unpin = 'Unpin "Wipe and slice the mushrooms" (Warm mushrooms on toasted sourdough).';
  await expect(page.getByRole('button', { name: unpin })).toBeVisible();
  await page
    .getByRole('listitem')
    .filter({ hasText: '18:52 Wipe and slice the mushrooms.' })
    .getByRole('button', { name: 'Unpin' })
    .click();
  await planned(page);
  await expect(page.getByRole('button', { name: 'Decided (1)' })).toBeVisible();
});

test('a course line is moved by keys; the pause is let go again', async ({ page }) => {
  await openSmall(page);
  const main = page.getByRole('button', { name: /^Main \d\d:\d\d, at the table/ });
  const before = (await main.getAttribute('aria-label'))!.slice(5, 10);
  await main.focus();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.getByText(/Costs|Better by/)).toBeVisible();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Decided (1)' }).click();
  await planned(page);
  const after = (await main.getAttribute('aria-label'))!.slice(5, 10);
  expect(minutes(after)).toBe(minutes(before) + 2);
  await page.getByRole('button', { name: 'Let the plan decide' }).click();
  await expect(page.getByRole('button', { name: 'Decided (0)' })).toBeVisible();
});

test('why then: reasons in words lead to what is in the way; the room is drawn', async ({ page }) => {
  await reasonsThere(page);
  await line(page, /^\d\d:\d\d Sear the duck legs/).click();
  const detail = page.getByRole('complementary');
  await expect(detail.getByRole('heading', { name: 'Why then?' })).toBeVisible();
  await expect(detail.getByText(/Not later/)).toBeVisible();
  await expect(detail.getByText(/If the evening may be 5 points worse/)).toBeVisible({ timeout: 20_000 });
  await detail
    .getByRole('button', { name: /Braise the duck legs/ })
    .first()
    .click();
  await expect(detail.getByRole('heading', { level: 2, name: /Braise the duck legs/ })).toBeVisible();
});

test('the evening answers: why it begins then, and what would let the cook sit', async ({ page }) => {
  await reasonsThere(page);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  const panel = page.getByRole('complementary');
  await panel.getByRole('button', { name: /What makes the work begin at/ }).click();
  await expect(panel.getByText(/Not later: .* (follows at|is plated at|is busy with)/).first()).toBeVisible();
  await panel.getByRole('button', { name: 'What would let me begin later?' }).click();
  await expect(panel.getByRole('progressbar')).toBeVisible();
  await expect(panel.getByRole('progressbar')).toBeHidden({ timeout: 40_000 });
  await expect(panel.getByText(/min later\. The day from/).first()).toBeVisible();
  // A plan may have the cook at the table all through already.
  await panel.getByRole('button', { name: 'What would let me sit through Starter?' }).click();
  await expect(
    panel
      .getByText(/away during it instead of|not away at all/)
      .or(panel.getByText('Nothing is needed: nobody who eats leaves the table during it.'))
      .first(),
  ).toBeVisible({ timeout: 40_000 });
});

test('a cook stays at the table all through a course, and is told so when asking how', async ({ page }) => {
  await page.getByRole('button', { name: 'Decided (0)' }).click();
  await page.getByText('all through Dessert').click();
  await expect(page.getByRole('button', { name: 'Decided (1)' })).toBeVisible();
  await planned(page);
  await expect(page.getByText('Nobody leaves the table during Dessert.')).toBeVisible();
  await reasonsThere(page);
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  const panel = page.getByRole('complementary');
  await panel.getByRole('button', { name: 'What would let me sit through Dessert?' }).click();
  await expect(panel.getByText(/^\s*Nothing is needed/)).toBeVisible();
  await expect(panel.getByRole('progressbar')).toBeHidden();
});

test('a tight place is shown, and what helps is tried', async ({ page }) => {
  await reasonsThere(page);
  await page.getByRole('button', { name: /Tight places/ }).click();
  const panel = page.getByRole('complementary');
  await panel.getByRole('button', { name: 'What helps?' }).first().click();
  await expect(panel.getByRole('progressbar')).toBeVisible();
  await expect(panel.getByRole('progressbar')).toBeHidden({ timeout: 40_000 });
  await expect(
    panel
      .getByRole('button', { name: 'Look at both' })
      .or(panel.getByText('Nothing that was tried helps.'))
      .first(),
  ).toBeVisible();
});

test('a variant stands beside the evening, is changed further, taken and undone', async ({ page }) => {
  await reasonsThere(page);
  test.setTimeout(120_000);
  await page.getByRole('button', { name: 'What if' }).click();
  await page.getByRole('button', { name: 'Without Red cabbage with cider.' }).click();
  const both = page.getByRole('region', { name: 'Both evenings' });
  await expect(both).toBeVisible({ timeout: 20_000 });
  await expect(both.getByRole('list', { name: 'Yours' }).first()).toContainText('Shred the red cabbage');
  await expect(both.getByRole('list', { name: 'The other' }).first()).not.toContainText('cabbage');
  await expect(both.getByText('✚ only here').first()).toBeVisible();
  await choose(page, 'And also', 'Sit down 30 minutes later, at 20:00.');
  await expect(both.getByText('Starter 20:00')).toBeVisible({ timeout: 20_000 });
  await page.reload();
  await expect(both.getByText('Starter 20:00')).toBeVisible();
  await both.getByRole('button', { name: 'Take the other' }).click();
  await expect(
    page.getByRole('region', { name: 'The whole evening' }).getByText('Starter 20:00'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(
    page.getByRole('region', { name: 'The whole evening' }).getByText('Starter 19:30'),
  ).toBeVisible();
});
