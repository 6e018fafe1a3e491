import type { Page } from '@playwright/test';
import { dogId, expect, expectChosen, expectNoViolations, newDog, test } from './support.js';

/** A dog with a head of its own. */
async function headed(page: Page, name: string, dog: object, readings: [string, string | null, string][]) {
  const made = await page.request.post('/api/dogs', { data: { name, bodyMassKg: 20, purposes: ['walks'], ...dog } });
  const { id } = (await made.json()) as { id: string };
  for (const [measure, side, text] of readings)
    expect((await page.request.post(`/api/dogs/${id}/readings`, { data: { measure, side, text } })).ok()).toBe(true);
  return id;
}

const head = (
  left: string,
  girth: string,
  height: string,
  width: string,
  neck: string,
): [string, string | null, string][] => [
  ['noseToInnerEye', 'left', left],
  ['noseToInnerEye', 'right', left],
  ['snoutGirth', null, girth],
  ['snoutHeight', null, height],
  ['snoutWidth', null, width],
  ['neckGirth', null, neck],
];

test.describe('choosing for', () => {
  test('a long face: a slim basket that opens for a full pant', async ({ page }) => {
    const id = await headed(page, 'Needle', { headShapeSeen: 'long' }, head('116', '214', '65', '55', '390'));
    await page.goto(`/dogs/${id}/fit`);
    await page.getByText(/^What .* needs:$/).click();
    await expect(page.getByText('Opens for a full pant', { exact: true }).first()).toBeVisible();
    const { fits } = (await (await page.request.get(`/api/dogs/${id}/fits`)).json()) as {
      fits: { sizeId: string; model: string; sizeLabel: string; group: string }[];
    };
    expect(fits[0]?.group).toBe('fits');
    const first = `${fits[0]?.model} ${fits[0]?.sizeLabel}`;
    await page.getByRole('button', { name: first }).first().click();
    await expect(page.getByRole('heading', { name: first })).toBeVisible();
    await expect(page.getByText(/^sure of what was checked · (just )?fits.* · slip-off not checked$/)).toBeVisible();
    await page.getByRole('button', { name: `Choose ${first}` }).click();
    await expectChosen(page, id, [fits[0]?.sizeId ?? '']);
    await page.getByRole('link', { name: 'Chosen earlier' }).click();
    await expect(page.getByRole('img', { name: `${first} as it was` })).toBeVisible();
  });

  test('a medium face: two compared over each other, the strap to mark, an SVG in millimetres', async ({ page }) => {
    const id = await newDog(page, 'Middling');
    await page.goto(`/dogs/${id}/fit`);
    await page.getByRole('button', { name: /^Withy 5/ }).click();
    await page.getByLabel('Compare with').selectOption({ label: 'Lantern ML' });
    await expect(page.getByText(/^Dashed: Lantern ML\. Nose \d+ mm against \d+ mm/)).toBeVisible();
    await page.getByLabel('How to compare').selectOption('beside');
    await expect(page.getByRole('img', { name: /Lantern ML over the snout/ })).toBeVisible();
    await expect(page.getByText(/Neck strap: mark hole \d+ of \d+/)).toBeVisible();
    const link = await page.getByRole('link', { name: 'Drawing as SVG' }).getAttribute('href');
    const svg = await (await page.request.get(link ?? '')).text();
    expect(svg).toMatch(/<svg[^>]* width="[\d.]+mm"/);
    expect(svg).toContain('Withy 5 and Lantern ML');
    await page.getByRole('button', { name: 'Push it back' }).first().click();
    await expect(page.getByRole('img', { name: /pushed back until the nose touches/ }).first()).toBeVisible();
  });

  test('a short face at the clinic: no sleeve, a cover with its cap, a sheet for one made to measure', async ({
    page,
  }) => {
    const id = await headed(
      page,
      'Button',
      { headShapeSeen: 'short', purposes: ['clinic'] },
      head('40', '215', '52', '67', '380'),
    );
    await page.goto(`/dogs/${id}/fit`);
    // What may never be stands in the one line, before it is unfolded.
    await expect(page.getByText(/^Never: .*a sleeve on a short face/)).toBeVisible();
    await page.getByText('What Button needs:').click();
    await expect(page.getByText('A sleeve on a short face', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: /^Snood M/ }).click();
    await expect(page.getByText(/15 minutes at most, cool and watched all the time/)).toBeVisible();
    await page.getByText(/^Out \d+: why/).click();
    await page.getByRole('button', { name: /^Minute 1/ }).click();
    await expect(page.getByText(/closes the mouth of a dog that needs it to breathe/).last()).toBeVisible();
    await page.getByRole('link', { name: /Order sheet/ }).click();
    await expect(page.getByRole('row', { name: /Inner length 40 mm/ })).toBeVisible();
    await expect(page.getByText('That air passes freely on all sides of the nose.')).toBeVisible();
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print it' })).toBeHidden();
  });
});

test.describe('with the server away', () => {
  test.use({ expectedErrors: [/ERR_INTERNET_DISCONNECTED/] });

  test('a muzzle that cannot be fetched is not taken for the one that stands there', async ({ page, context }) => {
    await page.goto(`/dogs/${await dogId(page, 'Bracken')}/fit`);
    const rows = page.getByRole('region', { name: 'Muzzles, ranked' }).getByRole('button', { pressed: false });
    const name = page
      .getByRole('region')
      .filter({ has: page.getByRole('link', { name: 'Drawing as SVG' }) })
      .getByRole('heading', { level: 2 })
      .first();
    const before = (await name.textContent()) ?? '';
    await context.setOffline(true);
    await rows.last().click();
    await expect(page.getByText('What stands here is of before.')).toBeVisible();
    await expect(page.getByText('This comes up as soon as the server is back.')).toBeVisible();
    await expect(name).toHaveText(before);
    await context.setOffline(false);
    await expect(page.getByText('What stands here is of before.')).toHaveCount(0);
    await expect(name).not.toHaveText(before);
  });
});

test('on a phone what is picked comes into view, and the list is one tap away', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/dogs/${await newDog(page, 'Pocket')}/fit`);
  // The verdict and what to do about it are on the first screen.
  await expect(page.getByText(/^sure of what was checked/)).toBeInViewport();
  await expect(page.getByRole('button', { name: /^Choose/ })).toBeInViewport();
  const drawing = page.getByRole('img', { name: /over the snout/ });
  await expect(drawing).toBeInViewport({ ratio: 0.75 });
  // What it needs stands under the drawing, and what it is judged for changes what is drawn.
  const needs = page.getByText('What Pocket needs:');
  expect((await needs.boundingBox())!.y).toBeGreaterThan((await drawing.boundingBox())!.y);
  await needs.click();
  await expect(page.getByText('Opens for a full pant', { exact: true }).first()).toBeVisible();
  const toList = page.getByRole('button', { name: /^The list: \d+ fit/ });
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth);
  expect(await wide()).toBe(390);
  await toList.click();
  const row = page.getByRole('region', { name: 'Muzzles, ranked' }).getByRole('button').nth(1);
  await expect(row).toBeVisible();
  expect(await wide()).toBe(390);
  const name = (await row.locator('b').first().innerText()).trim();
  await row.click();
  await expect(page.getByRole('heading', { name, exact: true })).toBeInViewport();
  await expect(row).toBeHidden();
  await toList.click();
  await expect(row).toBeInViewport();
  // Nothing of it runs off the screen with text twice as large either.
  await page.addStyleTag({ content: 'html { font-size: 200% }' });
  expect(await wide()).toBe(390);
  await page.getByRole('button', { name: 'In hand' }).click();
  await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
  expect(await wide()).toBe(390);
});

test.describe('a line of the brief', () => {
  test.use({ expectedErrors: [/400/] });
  test('is overruled only with a note, which stays, and stands again on request', async ({ page }) => {
    const id = await headed(page, 'Grazer', { headShapeSeen: 'medium', purposes: ['scavenging'] }, []);
    await page.goto(`/dogs/${id}/fit`);
    await page.getByText('What Grazer needs:').click();
    await page.getByRole('button', { name: 'Overrule: Closed front' }).click();
    await page.getByRole('button', { name: 'Overrule', exact: true }).click();
    await expect(page.getByText(/^Write down why/)).toBeVisible();
    await page.getByLabel('Why overrule: Closed front').fill('Indoors only.');
    await page.getByRole('button', { name: 'Overrule', exact: true }).click();
    await expect(page.getByText('Overruled: Indoors only.')).toBeVisible();
    await page.reload();
    await expect(page.getByText(/Overruled: closed front/)).toBeVisible();
    await page.getByText('What Grazer needs:').click();
    await expect(page.getByText('Overruled: Indoors only.')).toBeVisible();
    await page.getByRole('button', { name: 'Let it stand again: Closed front' }).click();
    await expect(page.getByText('Overruled: Indoors only.')).toHaveCount(0);

    // How the practice fits: a finger that is none is refused beside its field, and stays as typed.
    await page.getByText('Judged for:').click();
    await page.getByText('How you fit').click();
    const finger = page.getByLabel('Your finger, mm');
    await finger.fill('61');
    await finger.press('Enter');
    await expect(page.getByText('A finger is 8 to 30 mm thick.')).toBeVisible();
    await expect(finger).toHaveValue('61');
  });
});

test('what the fitter thinks in narrows the list, and what it leaves out is counted', async ({ page }) => {
  await page.goto(`/dogs/${await newDog(page, 'Thrifty')}/fit`);
  const price = page.getByLabel('Price up to');
  await price.fill('cheap');
  await expect(page.getByText('A price is a number, such as 25.')).toBeVisible();
  await expect(price).toHaveValue('cheap');
  await price.fill('');
  await price.pressSequentially('24.5');
  await expect(price).toHaveValue('24.5');
  await expect(page.getByText(/\d+ sizes are left out by this/)).toBeVisible();
  await page.getByText('In the van', { exact: true }).click();
  const rows = page.getByRole('region', { name: 'Muzzles, ranked' }).getByRole('listitem');
  await expect(rows.first()).toContainText('in the van');
});

test('a size chart in inches is mapped, its bad rows are named, and it is taken in once mended', async ({ page }) => {
  await page.goto('/catalogue');
  await page.getByRole('button', { name: 'Take a size chart in' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Reed');
  const chart = 'Code,Inside length (in),Circumference (in),Neck (in)\nS,3 1/4,10 1/2,12-17\nM,3 7/8,twelve,14-20\n';
  await page
    .getByLabel('CSV file with sizes')
    .setInputFiles({ name: 'reed.csv', mimeType: 'text/csv', buffer: Buffer.from(chart) });
  await page.getByLabel('Meaning of Code').selectOption({ label: 'Size label' });
  await expect(page.getByRole('row', { name: /2 S 83 mm 267 mm 305–432 mm/ })).toContainText(
    'Assumed: depth and width',
  );
  await expect(page.getByRole('row', { name: /"twelve" is not a length/ })).toBeVisible();
  const take = page.getByRole('button', { name: 'Take all 2 sizes in' });
  await expect(take).toBeDisabled();

  // The tab is put away in the middle: the name, the text and the meanings are there again.
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Reed');
  await expect(page.getByLabel('Meaning of Code')).toHaveValue('label');
  await expect(page.getByRole('row', { name: /"twelve" is not a length/ })).toBeVisible();
  await expect(take).toBeDisabled();
  await page.getByLabel('or paste the chart').fill(chart.replace('twelve', '12 1/4').replace('Code', 'Size'));
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(take).toBeEnabled();
  await take.click();
  await page.getByRole('button', { name: 'Put Reed away' }).click();
  await expect(page.getByRole('button', { name: 'Put Reed away' })).toHaveCount(0);
});

test('a model put away comes back, at once or later', async ({ page }) => {
  await page.goto('/catalogue');
  const shown = page.getByRole('button', { name: 'Change Cuff' });
  await page.getByRole('button', { name: 'Put Cuff away' }).click();
  await expect(shown).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(shown).toBeVisible();
  await page.getByRole('button', { name: 'Put Cuff away' }).click();
  await page.reload();
  const away = page.getByRole('region', { name: 'Put away' });
  await away.getByRole('button', { name: 'Bring Cuff back as in version 3' }).click();
  await expect(shown).toBeVisible();
  await expect(away.getByText('Cuff')).toHaveCount(0);
});

/** A notice is as wide as its words want, at every width, and its way back is in it. */
for (const width of [390, 768, 1280, 1920])
  test(`a notice can be read at ${width} px`, async ({ page }) => {
    await page.setViewportSize({ width, height: 800 });
    await page.goto('/catalogue');
    const model = 'Moth';
    await page.getByRole('button', { name: `Put ${model} away` }).click();
    const notice = page.getByRole('status').filter({ hasText: `${model} is put away` });
    const words = notice.getByText(`${model} is put away`, { exact: false });
    await expect.poll(async () => (await words.boundingBox())?.width ?? 0).toBeGreaterThan(200);
    const [box, undo] = [await notice.boundingBox(), await notice.getByRole('button', { name: 'Undo' }).boundingBox()];
    expect(await words.evaluate((e) => e.scrollWidth <= e.clientWidth)).toBe(true);
    expect(box && undo && undo.x + undo.width <= box.x + box.width && box.height < 120).toBe(true);
    await notice.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: `Put ${model} away` })).toBeVisible();
  });

test.describe('the catalogue editor', () => {
  test.use({ expectedErrors: [/400/] });
  test('draws as numbers change and refuses what cannot be, keeping what was typed', async ({ page }) => {
    await page.goto('/catalogue');
    await page.getByRole('button', { name: 'Change Hurdle' }).click();
    const editor = page.getByRole('region', { name: 'Edit Hurdle' });
    await expect(editor.getByRole('img', { name: /Size 1 over a head of its length/ })).toBeVisible();
    const girth = editor.getByLabel('Girth, size 1');
    const before = await girth.inputValue();
    await girth.fill('90');
    await expect(editor.getByText(/is at least \d+ mm around; 90 was given/)).toBeVisible();
    await editor.getByRole('button', { name: 'Keep as a new version' }).click();
    await expect(girth).toHaveAttribute('aria-invalid', 'true');
    await expect(girth).toHaveValue('90');
    await girth.fill(before);

    // Text that is no number is named too, and not taken for "not given".
    const mass = editor.getByLabel('Mass, g, size 1');
    const weighed = await mass.inputValue();
    await mass.fill('7x');
    await editor.getByRole('button', { name: 'Keep as a new version' }).click();
    await expect(mass).toHaveAttribute('aria-invalid', 'true');
    await expect(mass).toHaveValue('7x');
    await expect(editor.getByText(/cannot be read; a whole number is expected/).first()).toBeVisible();
    await mass.fill(weighed);
    await editor.getByRole('textbox', { name: 'Note' }).fill('Woven leather, bound in spring.');
    await editor.getByRole('button', { name: 'Keep as a new version' }).click();
    await expect(editor).toHaveCount(0);
    await page.getByRole('button', { name: 'Change Hurdle' }).click();
    await page.getByRole('button', { name: 'Bring back' }).click();
    await expect(page.getByText('Ostlery Row · version 3')).toBeVisible();
  });
});

test('a try-on that rides into the eyes leads to the cause, a remedy and a record with a picture', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await newDog(page, 'Bumper');
  await page.request.post(`/api/dogs/${id}/choice`, { data: { sizeId: 'withy-7', note: 'Borrowed to try.' } });
  await page.goto(`/dogs/${id}/fit/try`);
  await expect(page.getByText('Not yet.')).toBeVisible();
  const hole = page.getByLabel(/Fastened at hole 1 to \d+, 1 the tightest/);
  await hole.fill('3x');
  await expect(page.getByText('"3x" is not a number.')).toBeVisible();
  await hole.fill('3');
  const sight = page.getByRole('group', { name: /Are the eyes clear/ });
  await sight.getByRole('button', { name: 'No' }).click();
  await page.getByRole('button', { name: 'Rides into the eyes' }).click();
  const causes = page.getByRole('list', { name: 'Causes: Rides into the eyes' });
  // What a hand puts right comes before another size.
  await expect(causes.getByRole('listitem').first()).toContainText('The forehead strap is too tight');
  await expect(causes).toContainText('The basket is too long.');
  await expect(causes).toContainText(
    /Size: Change to Withy \d\. Room before the eyes: \d+ mm becomes \d+ mm; the whole (just )?fits/,
  );
  // What was answered is still there after a look at another muzzle and a reload.
  await page.goto(`/dogs/${id}/fit/try?size=lantern-ml`);
  await expect(page.getByRole('heading', { name: 'Lantern ML on the dog' })).toBeVisible();
  await expect(page.getByText('0 of 12 looked at')).toBeVisible();
  await page.goto(`/dogs/${id}/fit/try`);
  await expect(page.getByText('1 of 12 looked at, 1 not right')).toBeVisible();
  await expect(hole).toHaveValue('3');
  await page
    .getByRole('group', { name: /Does the nose touch nothing/ })
    .getByRole('button', { name: 'Yes' })
    .click();
  const drawn = await (await page.request.get('/api/demo-pictures/side')).body();
  await page
    .getByLabel('A picture, if it helps')
    .setInputFiles({ name: 'on.jpg', mimeType: 'image/jpeg', buffer: drawn });
  await page.getByLabel('Anything else').fill('Send for a 5.');
  await page.getByRole('button', { name: 'Keep this try-on' }).click();
  const kept = page.getByRole('region', { name: 'Earlier try-ons' });
  await expect(kept).toContainText('2 looked at, 1 not right');
  await expect(kept.getByRole('img', { name: 'Withy 7 on the dog' })).toBeVisible();
  await expectNoViolations(page);

  // The dog's page says what has to be put right, and leads back here.
  await page.goto(`/dogs/${id}`);
  await expect(page.getByText('Rides into the eyes. Put it right before it is worn again.')).toBeVisible();
  await page.getByRole('link', { name: 'Try on: Bumper' }).click();
  await expect(page).toHaveURL(/fit\/try$/);
});

test.describe('with a wrong number', () => {
  test.use({ expectedErrors: [/400/] });
  test('the van is planned: what each size adds, what is carried, and more dogs expected', async ({ page }) => {
    await page.goto('/van');
    const covered = page.getByRole('status').filter({ hasText: 'dogs' });
    await expect(covered).toContainText(/\d+ of \d+ dogs get a fit today; no other choice covers more/);
    await page.getByRole('slider', { name: 'Sizes to carry' }).focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft');
    const steps = page.getByRole('list', { name: 'Sizes to carry' }).getByRole('listitem');
    await expect(steps).toHaveCount(1);
    const before =
      (await covered.innerText())
        .match(/(\d+) of (\d+)/)
        ?.slice(1)
        .map(Number) ?? [];
    await page.getByRole('button', { name: 'Expect more dogs' }).click();
    await page.getByLabel('What sort').fill('tall lurchers');
    await page.getByRole('textbox', { name: 'How many' }).fill('30');
    await page.getByLabel('Head', { exact: true }).selectOption('long');
    await page.getByLabel('Nose to eye, mm').fill('116');
    await page.getByLabel('Snout girth, mm').fill('214');
    await page.getByLabel('Snout width, mm').fill('55');
    await page.getByLabel('Neck girth, mm').fill('390');
    await page.getByRole('button', { name: 'Expect them' }).click();
    await expect(covered).toContainText(`of ${(before[1] ?? 0) + 30} dogs`);
    await expect(steps.first()).toContainText('tall lurchers');
    // What is in the van already comes first where it serves as well; more sizes ask for more.
    await expect(steps.first()).toContainText('1 in the van');
    await page.getByRole('slider', { name: 'Sizes to carry' }).focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
    // Of the plan for as many sizes as were asked for, not of one on the way there.
    await page.waitForLoadState('networkidle');
    const asked = steps.filter({ has: page.getByRole('button', { name: 'Put one in' }) }).first();
    const muzzle = (await asked.innerText()).match(/\n(.+?) ·/)?.[1] ?? 'no muzzle';
    await steps.filter({ hasText: muzzle }).getByRole('button', { name: 'Put one in' }).click();
    await expect(page.getByRole('region', { name: 'In the van now' })).toContainText(muzzle);
    await expect(steps.filter({ hasText: muzzle })).toContainText('1 in the van');
    const count = page.getByRole('spinbutton', { name: `How many ${muzzle}`, exact: true });
    await count.fill('');
    await count.pressSequentially('12');
    await expect(steps.filter({ hasText: muzzle })).toContainText('12 in the van');
    await expect(count).toHaveValue('12');
    await page.getByRole('button', { name: 'Correct: tall lurchers' }).click();
    await page.getByRole('textbox', { name: 'How many' }).fill('0');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('1 to 99 dogs are accepted.')).toBeVisible();
    await page.getByRole('textbox', { name: 'How many' }).fill('20');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(covered).toContainText(`of ${(before[1] ?? 0) + 20} dogs`);
    await page
      .getByRole('listitem')
      .filter({ hasText: '20 tall lurchers' })
      .getByRole('button', { name: 'Take out' })
      .click();
    await expect(covered).toContainText(`of ${before[1]} dogs`);
  });
});
