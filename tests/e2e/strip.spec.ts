import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose, openDemo, planned } from './acts';
import { pagesOf } from './pdf';

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await planned(page);
});

const take = async (page: Page, item: string) => {
  await page.getByRole('button', { name: 'Take away' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: item }).click();
  return (await download).path();
};

test('zoomed nearer and farther, what is in the middle stays in view', async ({ page }) => {
  const sear = page.getByRole('button', { name: /^\d\d:\d\d Sear the duck legs/ });
  await sear.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const before = (await sear.boundingBox())!.y;
  for (const key of ['+', '+', '-', '-', '-']) {
    await page.keyboard.press(key);
    await expect(sear).toBeInViewport();
  }
  await page.keyboard.press('+');
  expect(Math.abs((await sear.boundingBox())!.y - before)).toBeLessThan(60);
});

test('the frame in the ribbon shows what is in view, and moves it', async ({ page }) => {
  const frame = page.getByRole('slider', { name: 'In view' });
  const seen = await frame.getAttribute('aria-valuetext');
  await frame.focus();
  for (let k = 0; k < 6; k++) await page.keyboard.press('PageDown');
  await expect(frame).not.toHaveAttribute('aria-valuetext', seen!);
  const moved = await frame.getAttribute('aria-valuetext');
  const click = async (share: number) => {
    const ribbon = page.getByRole('region', { name: 'The whole evening' });
    const { width } = (await ribbon.boundingBox())!;
    await ribbon.click({ position: { x: width * share, y: 14 } });
  };
  await click(0.02);
  await expect(frame).not.toHaveAttribute('aria-valuetext', moved!);
  await expect(page.getByRole('button', { name: /^\d\d:\d\d / }).first()).toBeInViewport();
  await click(0.97);
  await expect(page.getByText(/at the table until/).last()).toBeInViewport();
});

test('the whole evening is on one screen', async ({ page }) => {
  await page.getByText('Whole', { exact: true }).click();
  await expect(page.getByRole('list', { name: /Hands of/ })).toHaveCount(3);
  for (const text of [/Plate and carry: Starter/, /Plate and carry: Dessert/, /Sear the duck legs/]) {
    await expect(page.getByRole('button', { name: text }).first()).toBeInViewport({ ratio: 1 });
  }
  // What was just chosen has the focus; the keys of the application work all the same.
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'Daylight' })).toBeVisible();
});

test('the evening as a list in the order of time, one cook alone', async ({ page }) => {
  await openDemo(page, 'The walnut harvest');
  await page.getByText('List', { exact: true }).click();
  const list = page.getByRole('region', { name: 'The evening as a list' });
  const items = list.getByRole('listitem');
  const count = await items.count();
  await expect(list.getByText(/is on the table until/)).toHaveCount(4);
  await expect(list.getByText(/may wait until/).first()).toBeVisible();
  await expect(list.getByText('Everyone', { exact: true })).toBeVisible();
  await choose(page, 'Whose lines', 'Jonas');
  expect(await items.count()).toBeLessThan(count);
  await expect(list.getByText(/Tamar/)).toHaveCount(0);
  await list.getByRole('button').first().click();
  await expect(page.getByRole('complementary').getByText('Why then?')).toBeVisible();
});

test('by keyboard alone: along the lines of the run sheet with the arrows, a step opened with Enter', async ({
  page,
}) => {
  const lines = page.getByRole('list', { name: 'Hands of Iris' }).getByRole('button');
  await lines.first().focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(lines.nth(2)).toBeFocused();
  await page.keyboard.press('End');
  await expect(lines.last()).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary')).toBeVisible();
});

test('on paper: a normal dinner is one page with every line; by cook; by day; in large type', async ({
  page,
}) => {
  await openDemo(page, 'The walnut harvest');
  await page.keyboard.press('p');
  const sheet = page.getByRole('region', { name: 'The walnut harvest' });
  await expect(sheet).toBeVisible();
  const paper = async () => pagesOf(await page.pdf({ preferCSSPageSize: true }));
  await expect.poll(async () => (await paper()).length).toBe(1);
  const [together] = await paper();
  for (const text of ['Peel the pears', 'Plate and carry: Dessert', 'Jonas'])
    expect(together).toContain(text);
  // A demo lies ahead, whenever it is opened.
  const dayOf = (weekday: string) => new RegExp(`${weekday} \\d+ [A-Z][a-z]+`).exec(together!)![0];
  const [thursday, friday] = [dayOf('Thursday'), dayOf('Friday')];

  await choose(page, 'Whose', 'Each cook on a sheet');
  await expect.poll(async () => (await paper()).length).toBe(2);
  const [tamar, jonas] = await paper();
  expect(tamar).toContain('The walnut harvest: Tamar');
  expect(jonas).toContain('The walnut harvest: Jonas');

  await choose(page, 'Whose', 'Everyone together');
  await choose(page, 'Which day', thursday);
  await expect.poll(async () => (await paper()).join()).not.toContain(`${friday} 1`);
  await choose(page, 'Which day', 'All days');
  await page.getByText('Large type').click();
  await expect.poll(async () => (await paper()).length).toBeGreaterThan(1);
});

test('the strip is taken away as a picture', async ({ page }) => {
  const svg = readFileSync(await take(page, 'Picture of the strip (SVG)'), 'utf8');
  expect(svg).toContain('First frost');
  expect(svg).toContain('Starter 19:30');
  const png = readFileSync(await take(page, 'Picture of the strip (PNG)'));
  expect(png.subarray(1, 4).toString()).toBe('PNG');
});

test('an evening that is sent opens elsewhere as it is, as a file and as a link', async ({
  page,
  browser,
}) => {
  await openDemo(page, 'The walnut harvest');
  const plan = JSON.parse(readFileSync(await take(page, 'Save the plan'), 'utf8'));
  await page.getByRole('button', { name: 'Take away' }).click();
  await page.getByRole('menuitem', { name: 'Send to the other cook' }).click();
  await choose(page, 'For whom', 'For Jonas');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the small file' }).click();
  const path = await (await saved).path();
  const text = readFileSync(path, 'utf8');
  expect(text.length).toBeLessThan(8000);

  const other = await (await browser.newContext()).newPage();
  await other.goto('/');
  await planned(other);
  await other.getByTestId('open-file').setInputFiles({
    name: 'walnut.evening',
    mimeType: 'text/plain',
    buffer: Buffer.from(text),
  });
  await expect(other.getByRole('heading', { level: 1, name: 'The walnut harvest' })).toBeVisible();
  await expect(other.getByRole('region', { name: 'The evening as a list' })).toBeVisible();
  expect(JSON.parse(readFileSync(await take(other, 'Save the plan'), 'utf8'))).toEqual(plan);

  const third = await (await browser.newContext()).newPage();
  await third.goto(`/#evening=${text}`);
  await expect(third.getByRole('heading', { level: 1, name: 'The walnut harvest' })).toBeVisible();
  expect(third.url()).not.toContain('evening=');
  await third.goto('/menu');
  await third.goto(`/#evening=${text.slice(0, 900)}`);
  await expect(third.getByText('The link holds no evening, or a part of it is missing.')).toBeVisible();
});

for (const scheme of ['light', 'dark'] as const) {
  test(`no accessibility faults in what the evening opens, ${scheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    const check = async () => {
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(violations.map((v) => `${v.id}: ${v.nodes[0]!.target.join(' ')}`)).toEqual([]);
    };
    for (const name of [/^Tight places/, /^Decided/, /^Ask/]) {
      await page.getByRole('button', { name }).click();
      await check();
    }
    await page.getByRole('button', { name: /^\d\d:\d\d Sear the duck legs/ }).click();
    await check();
    await page.keyboard.press('Escape');
    await page.getByText('Whole', { exact: true }).click();
    await check();
    await page.getByText('List', { exact: true }).click();
    await check();
    await page.goto('/beside');
    await page.getByRole('button', { name: 'Make everything that keeps ahead.' }).click();
    await expect(page.getByRole('region', { name: 'Both evenings' })).toBeVisible({ timeout: 20_000 });
    await check();
  });
}

for (const [width, height, name] of [
  [640, 400, 'at twice the size'],
  [768, 1024, 'on a tablet held upright'],
  [390, 844, 'on a phone'],
] as const) {
  test(`nothing sticks out ${name}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await openDemo(page, 'The walnut harvest');
    const wide = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    for (const look of ['Strip', 'Whole', 'List']) {
      await page.getByText(look, { exact: true }).click();
      await expect.poll(wide).toBeLessThanOrEqual(0);
    }
    await page.getByText('Strip', { exact: true }).click();
    const text = page
      .getByRole('list', { name: /Hands of/ })
      .first()
      .getByRole('button')
      .nth(3);
    await text.scrollIntoViewIfNeeded();
    expect((await text.boundingBox())!.width).toBeGreaterThan(150);
  });
}
