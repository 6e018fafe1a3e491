import { dogId, expect, test } from './support.js';

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

test('lengths and dates are said anew as soon as the unit or the writing changes', async ({ page }) => {
  const dog = await dogId(page, 'Bracken');
  await page.goto(`/dogs/${dog}/fit`);
  const detail = page.getByText(/before the nose and/).first();
  await expect(detail).toContainText(' mm');
  await page.getByLabel('Show lengths in').selectOption('in');
  await expect(detail).toContainText(' in ');
  await expect(detail).not.toContainText(' mm');
  await page.reload();
  await expect(detail).toContainText(' in ');
});

test.describe('where the browser keeps nothing', () => {
  test('the page comes up, and scheme and unit hold until it is closed', async ({ page }) => {
    await page.addInitScript(() =>
      Object.defineProperty(window, 'localStorage', {
        get: () => {
          throw new DOMException('The store is blocked.', 'SecurityError');
        },
      }),
    );
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'The round' })).toBeVisible();
    await page.getByRole('button', { name: 'Use the dark scheme' }).click();
    await expect(page.locator('html')).toHaveClass(/dark/);
    await page.getByLabel('Show lengths in').selectOption('cm');
    await page.getByRole('link', { name: 'Catalogue' }).click();
    await expect(page.getByLabel('Show lengths in')).toHaveValue('cm');
    await expect(page.locator('html')).toHaveClass(/dark/);
    await page.goto(`/dogs/${await dogId(page, 'Fern')}/plan`);
    await expect(page.getByRole('heading', { name: 'Fern' })).toBeVisible();
  });
});

test('what ships with it is named with its licence', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'About' }).click();
  await expect(page.getByText(/Version \d+\.\d+\.\d+/)).toBeVisible();
  await expect(page.getByText(/SQLitePCLRaw\.lib\.e_sqlite3 [\d.]+: Apache-2\.0/)).toBeVisible();
});
