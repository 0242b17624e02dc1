import { expect, type Page } from '@playwright/test';

/** Waits until the evening is planned. */
export async function planned(page: Page): Promise<void> {
  await expect(page.getByText(/Hands: .* in all\./)).toBeVisible({ timeout: 20_000 });
}

export async function openDemo(page: Page, name: string): Promise<void> {
  const more = page.getByRole('banner').getByRole('button', { name: 'More' });
  if (await more.isVisible()) await more.click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await page.getByRole('menuitem', { name: new RegExp(name) }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await planned(page);
}

/** Chooses in a list that opens: by its name and the text of the choice. */
export async function choose(page: Page, list: string, choice: string): Promise<void> {
  await page.getByRole('combobox', { name: list }).press('Enter');
  await page.getByRole('option', { name: choice, exact: true }).click();
}
