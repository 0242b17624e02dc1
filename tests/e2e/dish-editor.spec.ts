import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose, planned } from './acts';

test.beforeEach(async ({ page }) => {
  await page.goto('/dishes');
  await planned(page);
});

async function savedDinner(page: Page) {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take away' }).click();
  await page.getByRole('menuitem', { name: 'Save the dinner' }).click();
  return JSON.parse(readFileSync(await (await download).path(), 'utf8'));
}

const cards = (page: Page) => page.getByRole('list', { name: 'Dishes', exact: true });
const undo = (page: Page) => page.getByRole('button', { name: 'Undo', exact: true });

test('a dish of tonight gets a quick way for one step; the file has it, and undo takes it back', async ({
  page,
}) => {
  await page
    .getByRole('list', { name: 'Dishes of this dinner' })
    .getByRole('button', { name: /Celeriac/ })
    .click();
  await page.getByRole('button', { name: 'Change for this dinner' }).click();
  const drawing = page.getByRole('group', { name: /Celeriac.*drawn downward to the plate/ });
  await drawing.getByRole('button', { name: /Blend the soup/ }).click();
  await expect(page.getByRole('textbox', { name: 'Step 4: what is done' })).toBeFocused();
  await page.getByRole('button', { name: 'All of step 4' }).click();
  await page.getByRole('button', { name: 'One more way to do this step' }).click();
  await page.getByRole('textbox', { name: 'Name of way 2' }).fill('Leave it rough');
  await page.getByRole('textbox', { name: 'Name of way 2' }).press('Enter');
  const way = page.getByRole('region', { name: 'Way 2: Leave it rough' });
  await way.getByText('takes other time or hands').click();
  const long = way.getByRole('spinbutton', { name: 'long' });
  await long.fill('5');
  await long.press('Enter');
  await way.getByText('uses other things').click();
  await planned(page);
  const dinner = await savedDinner(page);
  const soup = dinner.dishes.find((d: { name: string }) => d.name.startsWith('Celeriac'));
  expect(soup.steps[3].ways[1]).toMatchObject({
    label: 'Leave it rough',
    points: 5,
    minutes: { long: 5 },
    uses: soup.steps[3].uses,
  });
  await undo(page).click();
  await expect(way.getByRole('checkbox', { name: 'uses other things' })).not.toBeChecked();
});

test('a dish with whole other ways, and steps that belong to one of them', async ({ page }) => {
  await cards(page)
    .getByRole('button', { name: /Apple and rye crumble/ })
    .click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByText('Whole other ways to make it').click();
  await page.getByRole('button', { name: 'One more way to make the dish' }).click();
  const second = page.getByRole('textbox', { name: 'Way 2 to make the dish' });
  await second.fill('With bought crumbs');
  await second.press('Enter');
  await page.getByRole('button', { name: 'All of step 2' }).click();
  await page
    .getByRole('group', { name: 'Takes part when the dish is made' })
    .getByText('With bought crumbs')
    .click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Onto a course' }).click();
  await page.getByRole('menuitem', { name: 'Dessert' }).click();
  await planned(page);
  const dinner = await savedDinner(page);
  const crumble = dinner.dishes.find((d: { name: string }) => d.name === 'Apple and rye crumble');
  expect(crumble.ways.map((w: { label: string }) => w.label)).toEqual(['As usual', 'With bought crumbs']);
  expect(crumble.steps[1].in).toEqual(['usual']);
});

test('changes of a card are undone and done again, also after a reload', async ({ page }) => {
  await cards(page)
    .getByRole('button', { name: /Apple and rye crumble/ })
    .click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  const name = page.getByRole('textbox', { name: 'Name', exact: true });
  await name.fill('Pear crumble');
  await name.press('Enter');
  await page.getByRole('button', { name: 'Take out step 1' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Pear crumble' })).toBeVisible();
  await page.reload();
  await planned(page);
  await cards(page)
    .getByRole('button', { name: /Pear crumble/ })
    .click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await undo(page).click();
  await expect(page.getByRole('textbox', { name: 'Step 1: what is done' })).toHaveValue(/Peel and cut/);
  await undo(page).click();
  await expect(name).toHaveValue('Apple and rye crumble');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(name).toHaveValue('Pear crumble');
});

test('amounts by the tin and by what there is; what goes onto a course has them', async ({ page }) => {
  await cards(page)
    .getByRole('button', { name: /Apple and rye crumble/ })
    .click();
  const needs = page.getByRole('list', { name: 'What Apple and rye crumble needs' });
  await page.getByText('By the tin').click();
  const mine = page.getByRole('group', { name: 'Tin: you have' }).getByRole('spinbutton');
  await mine.fill('28');
  await mine.press('Enter');
  await expect(page.getByText('1.96 times the recipe')).toBeVisible();
  await expect(needs.getByText(/1\.5[78] kg/)).toBeVisible();
  await page.getByText('By what there is').click();
  const have = page.getByRole('spinbutton', { name: 'How much there is' });
  await have.fill('1000');
  await have.press('Enter');
  await expect(page.getByText('1.25 times the recipe, 5 portions')).toBeVisible();
  await expect(needs.getByText('1 kg')).toBeVisible();
  await page.getByRole('button', { name: 'Onto a course' }).click();
  await page.getByRole('menuitem', { name: 'Dessert' }).click();
  await page.getByRole('link', { name: 'Menu' }).click();
  await expect(page.getByRole('button', { name: 'Amounts of Apple and rye crumble' })).toHaveText('For 5');
});

test('an oven in gas marks, with a caution and an ingredient of the cook’s own', async ({ page }) => {
  await page.getByRole('link', { name: 'Kitchen' }).click();
  await page.getByText('Gas mark', { exact: true }).click();
  await expect(page.getByText('is set to gas mark 6.')).toBeVisible();
  await page.getByRole('link', { name: 'Dishes' }).click();
  await cards(page)
    .getByRole('button', { name: /Apple and rye crumble/ })
    .click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByRole('button', { name: 'All of step 3' }).click();
  const mark = page.getByRole('spinbutton', { name: 'Oven, gas mark' });
  await expect(mark).toHaveValue('6');
  await mark.fill('4');
  await mark.press('Enter');
  const caution = page.getByRole('textbox', { name: 'A caution of your own' });
  await caution.fill('The tin is hot for long');
  await caution.press('Enter');
  await page.getByRole('button', { name: 'One more ingredient' }).click();
  const last = page.getByRole('textbox', { name: /^Ingredient \d+$/ }).last();
  await last.fill('hazelnuts');
  await last.press('Enter');
  await expect(page.getByRole('button', { name: 'Nuts?' })).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByText('The tin is hot for long')).toBeVisible();
  await expect(page.getByText('hazelnuts', { exact: true })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  await page.getByRole('menuitem', { name: /The dish, to be taken in/ }).click();
  const card = JSON.parse(readFileSync(await (await download).path(), 'utf8'));
  expect(card.dish.steps[2].uses[0].oven).toBe(160);
});

test('a step is pinned, given to the other cook, and let go again', async ({ page }) => {
  await page.getByRole('link', { name: 'Menu' }).click();
  await page.getByRole('button', { name: 'A second pair of hands for an hour' }).click();
  await planned(page);
  await page.getByRole('link', { name: 'Evening' }).click();
  await page
    .getByRole('list', { name: /^Hands of/ })
    .first()
    .getByRole('button')
    .first()
    .click();
  await page.getByRole('button', { name: 'Pin it here' }).click();
  await expect(page.getByText('Pinned: it begins then and nowhere else.')).toBeVisible();
  await planned(page);
  expect((await savedDinner(page)).pins).toHaveLength(1);
  await page.getByRole('button', { name: 'Unpin' }).click();
  await planned(page);
  expect((await savedDinner(page)).pins).toEqual([]);
  await choose(page, 'Who does it', 'Helper');
  await expect(page.getByText(/No evening|cannot|Hands: .* in all\./).first()).toBeVisible();
  const given = (await savedDinner(page)).dishes.flatMap((d: { steps: { who?: string }[] }) =>
    d.steps.filter((s) => s.who === 'helper'),
  );
  expect(given).toHaveLength(1);
});

test('colours of cooks, light, and the first day of the week are kept', async ({ page }) => {
  await page.getByRole('link', { name: 'Kitchen' }).click();
  await choose(page, 'Colour of Iris', 'plum');
  await page.getByText('Candle', { exact: true }).last().click();
  await page.getByText('Sunday').click();
  await planned(page);
  await page.reload();
  await planned(page);
  await expect(page.locator('html')).toHaveClass(/dark/);
  await expect(page.getByRole('radio', { name: 'Sunday' })).toBeChecked();
  expect((await savedDinner(page)).cooks[0].colour).toBe('plum');
  await page.getByRole('link', { name: 'Menu' }).click();
  await page.getByLabel('Sitting down').click();
  await expect(page.getByRole('columnheader').first()).toHaveText(/Sun/);
});

test('what is not right yet is kept, also after a reload, and the evening stays as it was', async ({
  page,
}) => {
  const openDuck = async () => {
    await page
      .getByRole('list', { name: 'Dishes of this dinner' })
      .getByRole('button', { name: /Duck legs/ })
      .click();
    await page.getByRole('button', { name: 'Change for this dinner' }).click();
    await page.getByRole('button', { name: 'All of step 2' }).click();
  };
  await openDuck();
  const into = page.getByRole('spinbutton', { name: 'Minutes to put in' });
  await into.fill('500');
  await into.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Not right yet');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.reload();
  await planned(page);
  await openDuck();
  await expect(into).toHaveValue('500');
  await expect(page.getByRole('alert')).toContainText('touch');
  const before = (await savedDinner(page)).dishes.find((d: { name: string }) => d.name.startsWith('Duck'));
  expect(before.steps[1].touch?.in ?? 0).toBeLessThan(500);
  await page.getByRole('button', { name: 'As it was' }).click();
  await expect(page.getByRole('alert')).toBeHidden();
  await expect(into).not.toHaveValue('500');
});

test('a caution is hidden at its step and shown again; its rule stays', async ({ page }) => {
  await page
    .getByRole('list', { name: 'Dishes of this dinner' })
    .getByRole('button', { name: /Duck legs/ })
    .click();
  await page.getByRole('button', { name: 'Change for this dinner' }).click();
  const second = page.getByRole('list', { name: 'Steps', exact: true }).getByRole('listitem').nth(1);
  await second.getByRole('button', { name: /^Hide: Raw poultry/ }).click();
  await expect(second.getByText('1 caution is hidden here.')).toBeVisible();
  await page.reload();
  await planned(page);
  await page
    .getByRole('list', { name: 'Dishes of this dinner' })
    .getByRole('button', { name: /Duck legs/ })
    .click();
  await page.getByRole('button', { name: 'Change for this dinner' }).click();
  await expect(second.getByText(/Raw poultry/)).toBeHidden();
  await second.getByRole('button', { name: 'Show again' }).click();
  await expect(second.getByText(/Raw poultry/)).toBeVisible();
});
