import { expect, test } from '@playwright/test';
import { planned } from './acts';

test.use({ viewport: { width: 320, height: 640 } });

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await planned(page);
});

/** 320 is the width of a page of 1280 at four times the size: WCAG 2.2, 1.4.10 (reflow). */
for (const [path, heading] of [
  ['menu', 'First frost'],
  ['dishes', 'Apple and rye crumble'],
  ['kitchen', 'Ovens'],
  ['evening', 'First frost'],
  ['gather', 'First frost'],
  ['cook', 'First frost'],
  ['read', 'Read'],
  ['print', 'First frost'],
] as const) {
  test(`nothing of /${path} sticks out at 320 pixels`, async ({ page }) => {
    await page.goto(`/${path}`);
    await expect(page.getByRole('heading', { name: new RegExp(heading) }).first()).toBeVisible();
    const wide = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    await expect.poll(wide).toBeLessThanOrEqual(0);
  });
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test('what is in hand is on the first screen: the head takes two lines, the courses one', async ({
    page,
  }) => {
    await page.getByRole('link', { name: 'Cook' }).click();
    const hand = page.getByRole('region', { name: 'Now' }).getByRole('article').first();
    expect((await page.getByRole('banner').boundingBox())!.height).toBeLessThan(120);
    expect((await page.getByRole('list', { name: 'Courses' }).boundingBox())!.height).toBeLessThan(110);
    expect((await hand.boundingBox())!.y).toBeLessThan(450);
  });

  test('what is seldom needed is behind a button, and goes away with the view', async ({ page }) => {
    const head = page.getByRole('banner');
    const more = head.getByRole('button', { name: 'More' });
    await expect(head.getByRole('button', { name: 'Dinners' })).toBeHidden();
    await expect(head.getByRole('button', { name: 'Undo' })).toBeHidden();
    await more.click();
    await expect(more).toHaveAttribute('aria-expanded', 'true');
    await head.getByRole('button', { name: 'Candle', exact: true }).click();
    await expect(head.getByRole('button', { name: 'Daylight', exact: true })).toBeVisible();
    await head.getByRole('link', { name: 'Menu' }).click();
    await expect(head.getByRole('button', { name: 'Dinners' })).toBeHidden();
    await expect(more).toHaveAttribute('aria-expanded', 'false');
  });

  test('undo stands at the top once there is something to undo', async ({ page }) => {
    const head = page.getByRole('banner');
    await head.getByRole('link', { name: 'Menu' }).click();
    const guests = page.getByRole('spinbutton', { name: 'At table' });
    await guests.fill('5');
    await guests.press('Enter');
    await head.getByRole('button', { name: 'Undo' }).click();
    await expect(guests).toHaveValue('4');
    await expect(head.getByRole('button', { name: 'Redo' })).toBeVisible();
  });
});
