import { expect, test } from './support.js';

test('a house number is tried on the dogs there are, kept with a reason, and set back to ours', async ({ page }) => {
  const numbers = page.getByRole('region', { name: 'Fitting', exact: true });
  await page.goto('/numbers');
  await page.getByRole('searchbox', { name: 'Find a number' }).fill('greatest spare width');
  await expect(page.getByText('1 shown')).toBeVisible();
  await page.getByRole('button', { name: 'Change: Greatest spare width' }).click();
  await page.getByLabel('Value, mm').fill('17,5');
  await page.getByRole('button', { name: 'See what it would change' }).click();
  await expect(page.getByRole('status', { name: 'What it would change' })).toContainText('30 mm to 17.5 mm');

  // What was typed is there again after a reload.
  await page.getByLabel(/^Why\?/).fill('Ours twist above that.');
  await page.reload();
  await expect(page.getByLabel(/^Why\?/)).toHaveValue('Ours twist above that.');
  await page.getByRole('button', { name: 'Keep 17,5 mm' }).click();
  await expect(
    numbers.getByRole('row', { name: /Greatest spare width 17.5 mm ours: 30 mm This practice: Ours twist above that/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Changed here: 1' }).click();
  await numbers.getByRole('button', { name: 'Change: Greatest spare width' }).click();
  await page.getByRole('button', { name: 'Back to ours, 30 mm' }).click();
  await expect(page.getByRole('button', { name: 'Changed here: 0' })).toBeVisible();
});

test.describe('with a wrong number', () => {
  test.use({ expectedErrors: [/400/] });
  test('it says what is accepted', async ({ page }) => {
    await page.goto('/numbers');
    await page.getByRole('button', { name: 'Change: Longest a sleeve is worn' }).click();
    await page.getByLabel('Value, min').fill('30');
    await page.getByLabel(/^Why\?/).fill('It is a long visit.');
    await page.getByRole('button', { name: 'Keep 30 min' }).click();
    await expect(page.getByText('Longest a sleeve is worn: 1 min to 5 min.')).toBeVisible();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await page.getByRole('button', { name: 'Throw it away' }).click();
  });
});

test('dates and prices are written as the practice chooses, everywhere and after a reload', async ({ page }) => {
  await page.goto('/numbers');
  const example = page.getByRole('region', { name: 'Dates and prices' });
  await expect(example).toContainText('26 Nov 2026');
  await page.getByLabel('Dates as written in').selectOption('United States');
  await page.getByLabel('Prices in').selectOption('US Dollar');
  await expect(example).toContainText('Nov 26, 2026, 2:05 PM, a muzzle for $24.50');
  await page.goto('/van');
  await expect(page.getByText(/price|\$\d/).first()).toContainText('$');
  await page.goto('/numbers');
  await expect(example).toContainText('Nov 26, 2026');
  await page.getByLabel('Prices in').selectOption('Euro');
  await page.getByLabel('Dates as written in').selectOption('United Kingdom');
  await expect(example).toContainText('26 Nov 2026, 14:05, a muzzle for €24.50');
});
