import { beginSession, dogId, expect, newDog, post, test } from './support.js';

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
    await expect(page.getByText(/^Write down why/)).toBeVisible();
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
  await beginSession(page);
  await page.getByRole('button', { name: /^Yes/ }).click();
  await page.getByRole('button', { name: /^It shows/ }).click();
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

test.describe('with a word forgotten', () => {
  test.use({ expectedErrors: [/400/] });
  test('a date that will not hold is told with ways out, and days and school can be changed', async ({ page }) => {
    await page.goto(`/dogs/${await dogId(page, 'Fern')}/plan`);
    const outlook = page.getByRole('region', { name: 'Outlook' });
    await expect(outlook).toContainText('Hardly');
    await expect(outlook).toContainText('It may well not be ready');
    const ways = page.getByRole('region', { name: 'Ways out' });
    await expect(ways).toContainText('nose in and held is enough for a blood sample');
    await expect(ways).toContainText('Ask the veterinarian about medication');
    await expect(page.getByRole('region', { name: 'How it will go on' }).locator('svg path').first()).toBeVisible();

    await outlook.getByRole('button', { name: 'Change days or date' }).click();
    await outlook.getByLabel('Wanted by').fill('31 Feb 2027');
    await outlook.getByRole('button', { name: 'Keep these days' }).click();
    await expect(outlook).toContainText('A day such as 26 Nov 2026.');
    await outlook.getByLabel('Wanted by').fill('');
    await outlook.getByText('Sun', { exact: true }).click();
    await outlook.getByRole('button', { name: 'Keep these days' }).click();
    await expect(outlook).toContainText('half of the dogs like it are ready by then');
    await expect(outlook).toContainText('Sat, Sun');

    const school = page.getByRole('region', { name: 'School', exact: true });
    await school.getByRole('button', { name: 'Other schools, side by side' }).click();
    await expect(school.getByRole('radio')).toHaveCount(8);
    await expect(school).toContainText('Brings: Food in its box, You come nearer.');
    await school.getByRole('radio', { name: 'Left alone with it' }).click();
    await school.getByRole('button', { name: 'Train so from now on' }).click();
    await expect(school.getByText('Write down why', { exact: false })).toBeVisible();
    await school.getByLabel('Why? It stays beside the plan').fill('It eats better with nobody near.');
    await school.getByRole('button', { name: 'Train so from now on' }).click();
    await expect(school).toContainText('The school: Left alone with it');
    await expect(page.getByRole('list', { name: 'Steps of the plan' })).toContainText('Food in its box');
  });
});

test('where to begin is found by one easy go of each stage', async ({ page }) => {
  await page.goto(`/dogs/${await newDog(page, 'Knows some')}/plan`);
  await page.getByRole('button', { name: 'Find where to begin' }).click();
  const tries = page.getByRole('region', { name: 'Find where to begin' });
  for (const at of [1, 2, 3, 4]) {
    await expect(tries).toContainText(`Try ${at} of 8`);
    await tries.getByRole('button', { name: 'Did it, at ease' }).click();
  }
  await expect(tries).toContainText('Try 5 of 8');
  await tries.getByRole('button', { name: 'It hesitated, or looked unsure' }).click();
  await expect(page.getByRole('button', { name: 'here now Look at it' })).toBeVisible();
  await page.getByRole('button', { name: 'tried, not trained Rank the treats' }).click();
  await expect(page.getByText('Tried, not trained: 4 of 8 went well and at ease.')).toBeVisible();
  await expect(page.getByText('Skipped on')).toBeVisible();
});

test('how it has gone is drawn, counted, and says where a dog is stuck', async ({ page }) => {
  await page.goto(`/dogs/${await dogId(page, 'Bracken')}/plan`);
  await page.getByRole('link', { name: 'How it has gone so far' }).click();
  await expect(page.getByText('Stuck at “The clip, close by”')).toBeVisible();
  await expect(page.locator('.recharts-surface').first()).toBeVisible();
  await expect(page.getByRole('row', { name: /^Rank the treats/ })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'As a table file (CSV)' }).click(),
  ]);
  expect(file.suggestedFilename()).toContain('progress');
});

test('practice plays a dog, and tells each choice against the rule', async ({ page }) => {
  await page.goto(`/dogs/${await newDog(page, 'Practised')}/plan`);
  await page.getByRole('link', { name: 'Practise on a dog that is only played' }).click();
  await page.getByLabel('What dog').selectOption('bold');
  const goes = page.getByLabel('Goes of this set');
  for (let i = 1; i <= 2; i++) {
    await page.getByRole('button', { name: 'Ask for a go' }).click();
    await expect(goes).toHaveText(new RegExp(`^([✓–] ?){${i}}$`));
  }
  await page.getByRole('button', { name: 'One harder' }).click();
  await expect(page.getByText('One set so far')).toBeVisible();
  await page.getByRole('button', { name: 'End the session' }).click();
  await expect(page.getByRole('heading', { name: '0 of 1 as the rule has it' })).toBeVisible();
  await expect(page.getByText(/^Too (soon|fast)\./)).toBeVisible();
  await page.getByRole('button', { name: 'Another dog' }).first().click();
  await expect(page.getByText('It looks at you.')).toBeVisible();
});

test('how training stands is one look: who is stuck, and whose date will hardly hold', async ({ page }) => {
  // A dog of its own: another test gives Fern other days.
  const id = await newDog(page, 'Dated');
  const by = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10);
  const week = { days: ['monday', 'thursday'], sessionsPerDay: 1, by };
  await post(page, `/api/dogs/${id}/plan/week`, week);
  await page.goto('/');
  await page.getByRole('link', { name: 'How training stands' }).click();
  const dated = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'Dated', exact: true }) });
  await expect(dated).toContainText(/Wanted by .* Will hardly hold/);
  // Each dog stands once, under what asks for a look.
  await expect(
    page.getByRole('region', { name: 'Wanted by a day' }).getByRole('link', { name: 'Dated', exact: true }),
  ).toBeVisible();
  await expect(dated).toHaveCount(1);
  await page
    .getByRole('region', { name: /Stuck$/ })
    .getByRole('link', { name: 'Bracken', exact: true })
    .click();
  await expect(page).toHaveURL(/\/plan$/);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('nothing moves from under the thumb when the forecast comes in', async ({ page }) => {
    const id = await newDog(page, 'Still');
    let foretell = () => {};
    const asked = new Promise<void>((go) => (foretell = go));
    await page.route('**/plan/outlook', async (route) => {
      await asked;
      await route.continue();
    });
    await page.goto(`/dogs/${id}/plan`);
    const start = page.getByRole('button', { name: 'Start a session' });
    await expect(start).toBeVisible();
    const before = (await start.boundingBox())?.y;
    foretell();
    await expect(page.getByRole('region', { name: 'Outlook' })).toBeVisible();
    expect((await start.boundingBox())?.y).toBe(before);
  });
});
