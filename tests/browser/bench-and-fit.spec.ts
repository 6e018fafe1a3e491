import { dogId, expect, expectChosen, newDog, test } from './support.js';

test.describe('with wrong input', () => {
  test.use({ expectedErrors: [/400/] });
  test('a reading that is none stays in its field with the message beside it', async ({ page }) => {
    const id = await newDog(page, 'Slip', false);
    await page.goto(`/dogs/${id}/measure`);
    const girth = page.getByRole('textbox', { name: 'Snout girth' });
    await girth.fill('ninety');
    await girth.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: '"ninety" is not a length' })).toBeVisible();
    await expect(girth).toHaveValue('ninety');
    await expect(girth).toBeFocused();
    await girth.fill('10 3/4 in');
    await expect(page.getByText('= 273.1 mm')).toBeVisible();
    await girth.press('Enter');
    await expect(page.getByRole('button', { name: 'Take out 10 3/4 in, Snout girth' })).toBeVisible();
  });
});

test('sides that differ are found, and a reading taken out can be put back', async ({ page }) => {
  const id = await newDog(page, 'Lopsided');
  await page.goto(`/dogs/${id}/measure`);
  await page.getByText('More measures').click();
  const right = page.getByRole('textbox', { name: 'Nose to inner eye, right' });
  await right.fill('130');
  await right.press('Enter');
  await expect(page.getByText(/Left and right nose to inner eye differ by 17 mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Take out 130 mm, Nose to inner eye, right' }).click();
  await expect(page.getByText(/Left and right nose to inner eye differ/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/Left and right nose to inner eye differ by 17 mm/)).toBeVisible();
});

test('lengths follow the unit chosen while readings stay as taken', async ({ page }) => {
  await page.goto(`/dogs/${await dogId(page, 'Bracken')}/measure`);
  await page.getByLabel('Show lengths in').selectOption('in');
  await expect(page.getByText('10 11/16 in')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take out 272 mm, Snout girth' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('10 11/16 in')).toBeVisible();
});

test('a muzzle in hand shows its rooms, and what is out says why and by how much', async ({ page }) => {
  const id = await newDog(page, 'Chooser');
  await page.goto(`/dogs/${id}/fit`);
  await page.getByRole('button', { name: /Withy 5/ }).click();
  await expect(page.getByRole('img', { name: /Withy 5 over the snout, to scale/ })).toContainText('nose 19 mm');
  await page.getByText(/^Out \d+: why/).click();
  await page.getByRole('button', { name: /Tansy XS/ }).click();
  await expect(page.getByText(/out by \d+ mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Why? Seat' }).first().click();
  await expect(page.getByText('Common practice, no source')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByText('Judged for:').click();
  await page.getByLabel('Fit style').selectOption('working');
  await page.getByText('What Chooser needs:').click();
  await expect(page.getByText('Working: snug', { exact: true })).toBeVisible();
});

test.describe('what is out', () => {
  test.use({ expectedErrors: [/400/] });
  test('is kept only with a note, and the choice can be undone', async ({ page }) => {
    const id = await newDog(page, 'Stubborn');
    await page.goto(`/dogs/${id}/fit`);
    await page.getByText(/^Out \d+: why/).click();
    await page.getByRole('button', { name: /Tansy L/ }).click();
    await page.getByRole('button', { name: 'Keep it all the same' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'This one is out' })).toBeVisible();
    await page.getByLabel(/write down why/).fill('It is for the litter mate.');
    await page.getByRole('button', { name: 'Keep it all the same' }).click();
    await expectChosen(page, id, ['tansy-l']);
    await page.keyboard.press('Alt+1');
    await expect(page.getByText('Note: It is for the litter mate.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('The muzzle chosen')).toHaveCount(0);
  });
});
