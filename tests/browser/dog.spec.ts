import { expect, newDog, test, type Round } from './support.js';

test.describe('two people at one dog', () => {
  test.use({ expectedErrors: [/412/] });
  test('the second is told and loses nothing', async ({ page, browser, baseURL }) => {
    const id = await newDog(page, 'Twin', false);
    const other = await (await browser.newContext({ baseURL: baseURL ?? '' })).newPage();
    await page.goto(`/dogs/${id}?edit`);
    await other.goto(`/dogs/${id}?edit`);
    await page.getByLabel('Place').fill('First house');
    await expect(page.getByText(/^Saved at/)).toBeVisible();

    await other.getByLabel('Notes').fill('Typed by the second person.');
    const alert = other.getByRole('alert').filter({ hasText: 'Someone else changed this dog' });
    await expect(alert).toBeVisible();
    await expect(alert.getByRole('cell', { name: 'First house' })).toBeVisible();
    await expect(other.getByLabel('Notes')).toHaveValue('Typed by the second person.');
    await alert.getByRole('button', { name: 'Save mine over theirs' }).click();
    await expect(other.getByText(/^Saved at/)).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Notes')).toHaveValue('Typed by the second person.');
    await other.context().close();
  });
});

test.describe('with wrong input', () => {
  test.use({ expectedErrors: [/400/] });
  test('the message stands beside the field and what was typed stays', async ({ page }) => {
    await page.goto('/dogs/new');
    await page.getByRole('textbox', { name: 'Body mass, kg' }).fill('5000');
    await page.getByRole('textbox', { name: 'Born' }).fill('2999-01-01');
    await page.getByRole('button', { name: 'Add and measure' }).click();
    await expect(page.getByText('Give the dog a name.').first()).toBeVisible();
    await expect(page.getByText('A birth date cannot be in the future.')).toBeVisible();
    await expect(page.getByText('A body mass is 0.4 to 120 kg.')).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'Body mass, kg' })).toHaveValue('5000');
    await page.getByRole('textbox', { name: 'Body mass, kg' }).fill('heavy');
    await page.getByRole('button', { name: 'Add and measure' }).click();
    await expect(page.getByText('"heavy" is not a number of kilograms')).toBeVisible();
  });
});

test('a dog is archived, and the archive undone', async ({ page }) => {
  const id = await newDog(page, 'Rover-Back', false);
  await page.goto(`/dogs/${id}?edit`);
  await page.getByRole('button', { name: 'Archive this dog' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  const onTheRound = async () =>
    ((await (await page.request.get('/api/round?count=2000')).json()) as Round).cards.some((c) => c.id === id);
  await expect.poll(onTheRound).toBe(true);
  await page.getByRole('button', { name: 'Archive this dog' }).click();
  await expect.poll(onTheRound).toBe(false);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Sessions due' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Rover-Back' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Archived dogs' }).click();
  await expect(page.getByText('Rover-Back')).toBeVisible();
});

test('edits are saved as they are typed, also when the page is left at once', async ({ page }) => {
  const id = await newDog(page, 'Quick', false);
  await page.goto(`/dogs/${id}?edit`);
  await page.getByLabel('Notes').fill('Left at once.');
  await page.getByRole('link', { name: 'Measure alt' }).click();
  await expect(page.getByRole('textbox', { name: 'Snout girth' })).toBeVisible();
  await expect
    .poll(
      async () => ((await (await page.request.get(`/api/dogs/${id}`)).json()) as { dog: { notes: string } }).dog.notes,
    )
    .toBe('Left at once.');
});
