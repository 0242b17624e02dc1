import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { laterByDays } from '../../core/compose';
import type { DinnerFile } from '../../core/dinner';
import { openDemo, planned } from './acts';

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await planned(page);
});

test('lands on the planned demo dinner: the run sheet, the courses, the step and its reasons', async ({
  page,
}) => {
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('First frost');
  await expect(page.getByText('Starter 19:30').first()).toBeVisible();
  await page
    .getByRole('button', { name: /Sear the duck legs/ })
    .first()
    .click();
  const detail = page.getByRole('complementary');
  await expect(detail.getByRole('heading', { name: /Sear the duck legs/ })).toBeVisible();
  await expect(detail.getByText('The skin lets go of the pan by itself.')).toBeVisible();
  await expect(detail.getByText('Hot fat spits: dry the legs first.')).toBeVisible();
  await detail.getByRole('button', { name: /^\d\d:\d\d Take the duck legs out/ }).click();
  await expect(detail.getByText('No longer than two hours at room temperature in all.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(detail).toBeHidden();
});

test('a step of the evening before tells its day, and so does what it waits for', async ({ page }) => {
  await page.getByText('List', { exact: true }).click();
  await page
    .getByRole('button', { name: /Trim the duck legs/ })
    .first()
    .click();
  const detail = page.getByRole('complementary');
  await expect(detail.getByText(/^\d\d:\d\d on Friday \d+ \w+ to \d\d:\d\d, \d+ min/)).toBeVisible();
  await expect(
    detail.getByRole('button', { name: /^\d\d:\d\d on Saturday .* Take the duck legs out/ }),
  ).toBeVisible();
});

test('guests from 4 to 6: planned anew; then the evening is played to dessert and survives a reload', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await page.getByRole('link', { name: 'Menu' }).click();
  await planned(page);
  const before = await page.getByText(/Hands: .* in all/).textContent();
  const guests = page.getByRole('spinbutton', { name: 'At table' });
  await guests.fill('6');
  await guests.press('Enter');
  await expect(page.getByText(/Planning the evening|Looking for a better/).first()).toBeVisible();
  await planned(page);
  expect(await page.getByText(/Hands: .* in all/).textContent()).not.toBe(before);

  await page.getByRole('link', { name: 'Cook' }).click();
  const mainCourse = page
    .getByRole('list', { name: 'Courses' })
    .getByRole('listitem')
    .filter({ hasText: 'Main' });
  await page.getByRole('button', { name: 'Try the evening out' }).click();
  await page.getByText('600×').click();
  await page.getByText('Play by itself').click();
  await expect(mainCourse).toContainText('served', { timeout: 120_000 });
  await page.getByText('1×', { exact: true }).click();
  const now = page.getByRole('region', { name: 'Now' });
  const inHand = await now.getByRole('article').first().textContent();
  await page.reload();
  await expect(mainCourse).toContainText('served');
  expect((await now.getByRole('article').first().textContent())?.slice(-20)).toBe(inHand?.slice(-20));
});

test('done by touch and by the space bar, and undone', async ({ page }) => {
  await page.keyboard.press('c');
  await page.getByRole('button', { name: 'Try the evening out' }).click();
  const now = page.getByRole('region', { name: 'Now' });
  await expect(page.getByRole('button', { name: 'Go to the next thing' })).toBeVisible();
  const what = now.getByRole('article').first();
  const first = await what.textContent();
  await now.getByRole('button', { name: 'Done' }).click();
  await expect(what).not.toHaveText(first!);
  const second = await what.textContent();
  await page.locator('main').focus();
  await page.keyboard.press(' ');
  await expect(what).not.toHaveText(second!);
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await expect(now.getByRole('button', { name: 'Done' })).toBeVisible();
  expect((await what.textContent())?.slice(-20)).toBe(first?.slice(-20));
  const box = await now.getByRole('button', { name: 'Done' }).boundingBox();
  expect(box!.height).toBeGreaterThanOrEqual(96);
});

test('days before, the cook is told when it begins, and how long hands are free', async ({ page }) => {
  // On whichever day this runs, the evening has not begun three days before.
  await page.clock.setFixedTime(Date.now() - 3 * 86_400_000);
  await page.keyboard.press('c');
  const now = page.getByRole('region', { name: 'Now' });
  await expect(page.getByText(/^Begins in \d+ (days|h)/)).toBeVisible();
  await expect(now.getByText(/Hands free for \d+ (days|h).*, then:/)).toBeVisible();
  await page.getByRole('button', { name: 'Try the evening out' }).click();
  await page.getByRole('button', { name: 'Go to the next thing' }).click();
  await expect(page.getByText('On time')).toBeVisible();
  await expect(now.getByText(/Hands free/)).toBeHidden();
});

test('gone to again and again, the next thing is each time a later one', async ({ page }) => {
  await page.keyboard.press('c');
  await page.getByRole('button', { name: 'Try the evening out' }).click();
  await page.getByText('Play by itself').click();
  const what = page.getByRole('region', { name: 'Now' }).getByRole('article').first();
  const next = page.getByRole('button', { name: 'Go to the next thing' });
  await next.click();
  await expect(what).toContainText(', now');
  for (let k = 0; k < 4; k++) {
    const before = (await what.textContent())!;
    await next.click();
    await expect(what).not.toHaveText(before);
  }
});

test('style, caution and the time are changed, each is planned anew', async ({ page }) => {
  await page.keyboard.press('m');
  await page.getByText('Ahead', { exact: true }).click();
  await expect(page.getByText('All that keeps is made before')).toBeVisible();
  await planned(page);
  const time = page.getByRole('combobox', { name: 'Sitting down' });
  await time.fill((await time.inputValue()).replace('19:30', '20:00'));
  await time.press('Enter');
  await expect(page.getByText(/Starter 20:00/).first()).toBeVisible({ timeout: 20_000 });
  await planned(page);
  await page.reload();
  await expect(page.getByText(/Starter 20:00/).first()).toBeVisible();
});

test('a file is opened and dropped; a bad one leaves the dinner open that was open', async ({ page }) => {
  await page.getByTestId('open-file').setInputFiles('demo/home-at-six.json');
  await expect(page.getByRole('heading', { level: 1, name: 'Home at six' })).toBeVisible();
  await page.getByTestId('open-file').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"zeitlauf/dinner"}'),
  });
  const dialog = page.getByRole('dialog', { name: 'This file cannot be opened' });
  await expect(dialog.getByText('title: found nothing, expected a text')).toBeVisible();
  await dialog.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Home at six' })).toBeVisible();
  const dropped = readFileSync('demo/walnut-harvest.json', 'utf8');
  await page.evaluate((text) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([text], 'walnut.json', { type: 'application/json' }));
    document
      .querySelector('main')!
      .dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true }));
  }, dropped);
  await expect(page.getByRole('heading', { level: 1, name: 'The walnut harvest' })).toBeVisible();
});

test('the dinner, the plan and the calendar are taken away', async ({ page }) => {
  const take = async (item: string) => {
    await page.getByRole('button', { name: 'Take away' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    return readFileSync((await (await download).path())!, 'utf8');
  };
  const demo = JSON.parse(readFileSync('demo/first-frost.json', 'utf8')) as DinnerFile;
  const taken = JSON.parse(await take('Save the dinner')) as DinnerFile;
  const dayOf = (file: DinnerFile) => Date.parse(`${file.sitDown}Z`) / 86_400_000;
  const days = dayOf(taken) - dayOf(demo);
  expect(days % 7).toBe(0);
  expect(taken).toEqual(laterByDays(demo, days));
  expect(JSON.parse(await take('Save the plan'))).toMatchObject({ format: 'zeitlauf/plan', feasible: true });
  expect(await take('Calendar file with alarms')).toContain('BEGIN:VALARM');
});

test('the run sheet prints on paper', async ({ page }) => {
  await page.keyboard.press('p');
  await expect(page.getByRole('cell', { name: /Sear the duck legs/ }).first()).toBeVisible();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.subarray(0, 4).toString()).toBe('%PDF');
  expect(pdf.toString('latin1')).toMatch(/MediaBox \[0 0 59[45]/);
  await page.getByText('US Letter').click();
  expect((await page.pdf({ preferCSSPageSize: true })).toString('latin1')).toMatch(/MediaBox \[0 0 612/);
});

test('the keyboard list, and the way around by keys', async ({ page }) => {
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('m');
  await expect(page).toHaveURL(/menu/);
  await page.keyboard.press('e');
  await expect(page).toHaveURL(/evening/);
  await page
    .getByRole('region', { name: 'The whole evening' })
    .getByRole('button', { name: /Dessert \d/ })
    .click();
  await expect(page).toHaveURL(/at=/);
});

test('an impossible dinner says why, and one touch mends it', async ({ page }) => {
  const dinner = JSON.parse(readFileSync('demo/home-at-six.json', 'utf8'));
  dinner.cooks[0].free[0].from = '2026-10-20T19:15';
  await page.getByTestId('open-file').setInputFiles({
    name: 'late.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(dinner)),
  });
  await expect(page.getByRole('heading', { name: 'This dinner cannot be cooked as it stands' })).toBeVisible({
    timeout: 20_000,
  });
  await expect(page.getByRole('listitem').filter({ hasText: 'Noor has time only from 19:15' })).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: /Warm mushrooms.*: "Wipe and slice the mushrooms"/ }),
  ).toBeVisible();
  await page
    .getByRole('button', { name: /begins .* earlier/ })
    .first()
    .click();
  await planned(page);
  await expect(page.getByText(/Main \d/).first()).toBeVisible();
});

test('it opens again without a network', async ({ page, context }) => {
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'First frost' })).toBeVisible();
  await openDemo(page, 'Home at six');
});

for (const scheme of ['light', 'dark'] as const) {
  for (const path of ['/evening', '/cook', '/menu', '/dishes', '/kitchen', '/print']) {
    test(`no accessibility faults on ${path}, ${scheme}`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
      await page.goto(path);
      await expect(page.getByText(/Starter 19:30/).first()).toBeVisible();
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(
        violations.map(
          (v) =>
            `${v.id}: ${v.nodes
              .map((n) => n.target.join(' '))
              .slice(0, 3)
              .join(', ')}`,
        ),
      ).toEqual([]);
    });
  }
}
