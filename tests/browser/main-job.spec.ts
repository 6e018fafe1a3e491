import { expect, expectChosen, test } from './support.js';

/** From a new dog to a saved session and a reload, with the keyboard alone. */
test('the whole main job by keyboard', async ({ page }) => {
  const tabTo = async (name: RegExp | string, role: 'button' | 'link' | 'textbox' | 'checkbox' = 'button') => {
    const target = page.getByRole(role, { name }).first();
    await expect(target).toBeVisible();
    for (let i = 0; i < 400; i++) {
      if (await target.evaluate((el) => el === document.activeElement)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`Tab never reached ${name}`);
  };

  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'The round' })).toBeVisible();
  await page.keyboard.press('n');

  await tabTo('Name', 'textbox');
  await page.keyboard.type('Tansy of the Weir');
  await tabTo('Body mass, kg', 'textbox');
  await page.keyboard.type('28,5');
  await tabTo('Walks', 'checkbox');
  await page.keyboard.press('Space');
  await tabTo('Add and measure');
  await page.keyboard.press('Enter');

  await expect(page).toHaveURL(/\/measure$/);
  await tabTo('Fit line to nose', 'textbox');
  for (const reading of ['8 cm', '80', '10 3/4 in', '2.875in', '430']) {
    await page.keyboard.type(reading);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('Choosing a muzzle: ✓ everything is read.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take out 10 3/4 in, Snout girth' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Fit line to nose' })).toBeFocused();

  await page.keyboard.press('Alt+3');
  await expect(page.getByText(/sure of what was checked · (just )?fits/)).toBeVisible();
  await page.getByRole('slider').focus();
  for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('the jaw touches the floor')).toBeVisible();
  await tabTo(/^Choose /);
  await page.keyboard.press('Enter');
  await expectChosen(page, page.url().split('/')[4] ?? '', [/./]);

  await page.keyboard.press('Alt+4');
  await tabTo('Start a session');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/sessions\//);
  await expect(page.getByText('Saved as it happens')).toBeVisible();
  await tabTo('Well: begin');
  await page.keyboard.press('Enter');
  for (const key of 'gmgggggg') {
    await page.keyboard.press(key);
  }
  await expect(page.getByRole('listitem', { name: 'good' })).toHaveCount(7);
  await page.reload();
  await expect(page.getByRole('listitem', { name: 'good' })).toHaveCount(7);
  await expect(page.getByRole('listitem', { name: 'missed' })).toHaveCount(1);
  await page.keyboard.press('f');
  await expect(page.getByText('On to the next target')).toBeVisible();
  await expect(page.getByText(/4 of 5 went well and it was at ease/)).toBeVisible();
  await tabTo('End session');
  await page.keyboard.press('Enter');
  await tabTo('See the plan', 'link');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/plan$/);
  await page.reload();
  await expect(page.getByText(/Last time: 4 of 5 went well/)).toBeVisible();
  await page.keyboard.press('Alt+1');
  await expect(page.getByText('The muzzle chosen')).toBeVisible();
});
