import { expect, newDog, test } from './support.js';

test.describe('the plan', () => {
  test.use({ expectedErrors: [/400/] });
  test('is overruled only with a note, which stays on record', async ({ page }) => {
    const id = await newDog(page, 'Overruled');
    await page.goto(`/dogs/${id}/plan`);
    await expect(page.getByRole('button', { name: 'here now Rank the treats' })).toHaveAttribute(
      'aria-current',
      'step',
    );
    await page.getByRole('button', { name: 'ahead Stay in, a little' }).click();
    await page.getByText('Train from here instead').click();
    await page.getByRole('button', { name: 'Set the plan here' }).click();
    await expect(page.getByRole('alert')).toContainText('Write down why');
    await page.getByLabel(/Why\? It stays on the record/).fill('Came to us half trained.');
    await page.getByRole('button', { name: 'Set the plan here' }).click();
    await expect(page.getByText('Last time: Came to us half trained.')).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: /^1 s$/ })).toHaveAttribute('aria-current', 'step');
  });
});

test('a day off after going over threshold is said on the round and in the plan', async ({ page }) => {
  const id = await newDog(page, 'Overwhelmed');
  const offered = (await (await page.request.get(`/api/dogs/${id}/fits`)).json()) as { fits: { sizeId: string }[] };
  await page.request.post(`/api/dogs/${id}/choice`, { data: { sizeId: offered.fits[0]?.sizeId } });
  await page.goto(`/dogs/${id}/plan`);
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('button', { name: /^Good/ }).click();
  await page.getByRole('button', { name: 'Freezes' }).click();
  await page.getByRole('button', { name: /End it here/ }).click();
  await expect(page.getByText(/not before tomorrow/)).toBeVisible();
  await page.getByRole('link', { name: 'See the plan' }).click();
  await expect(page.getByRole('button', { name: /^Not before/ })).toBeDisabled();
  await page.goto('/');
  const search = page.getByRole('searchbox', { name: 'Find a dog' });
  await expect(search).toBeVisible();
  await page.keyboard.press('/');
  await expect(search).toBeFocused();
  await page.keyboard.type('overwh');
  const resting = page
    .getByRole('region', { name: 'Resting' })
    .getByRole('listitem')
    .filter({ hasText: 'Overwhelmed' });
  await expect(resting).toContainText('Day off');
});
