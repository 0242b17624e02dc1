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
