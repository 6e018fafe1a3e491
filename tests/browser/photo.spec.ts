import type { Page } from '@playwright/test';
import { dogId, expect, newDog, test } from './support.js';

interface Marked {
  width: number;
  corners: { x: number; y: number }[];
  landmarks: Record<string, { x: number; y: number }>;
}

/** Where everything truly lies on the drawn picture: the demo practice holds it marked. */
async function truth(page: Page): Promise<Marked> {
  const id = await dogId(page, 'Nettle');
  const photos = (await (await page.request.get(`/api/dogs/${id}/photos`)).json()) as (Marked & { view: string })[];
  const side = photos.find((p) => p.view === 'side');
  if (!side) throw new Error('Nettle has no picture from the side.');
  return side;
}

async function drawnPicture(page: Page, name: string) {
  const id = await newDog(page, name, false);
  await page.goto(`/dogs/${id}/measure/photos`);
  await page.getByRole('button', { name: 'Drawn from the side' }).click();
  const picture = page.getByRole('application');
  await expect(picture).toBeVisible();
  await expect(page.getByText('In hand: corner 1 of the reference')).toBeVisible();
  return { id, picture };
}

const measures = (page: Page) => page.getByRole('region', { name: 'Measures from the picture' });

test('a picture is measured with the mouse and taken to the bench', async ({ page }) => {
  const known = await truth(page);
  const { picture } = await drawnPicture(page, 'Shy Mouse');
  const box = await picture.boundingBox();
  if (!box) throw new Error('No picture.');
  const click = (p: { x: number; y: number }) =>
    page.mouse.click(box.x + (p.x * box.width) / known.width, box.y + (p.y * box.width) / known.width);
  for (const corner of known.corners) await click(corner);
  for (const name of [
    'noseTip',
    'innerEye',
    'bridgeFront',
    'bridgeBack',
    'fitLineTop',
    'fitLineUnder',
    'throatBump',
    'stop',
    'occiput',
  ]) {
    const at = known.landmarks[name];
    if (at) await click(at);
  }
  await expect(measures(page).getByRole('listitem')).toHaveCount(7);
  await expect(measures(page).getByRole('listitem').filter({ hasText: 'Jaw to nose' })).toContainText(
    /13[5-9]|14[0-3]/,
  );

  // One landmark is placed wrongly and the step undone.
  await page.getByRole('button', { name: /Throat bump/ }).click();
  await click({ x: 1200, y: 300 });
  await expect(measures(page).getByRole('listitem').filter({ hasText: 'Jaw to nose' })).not.toContainText(
    /13[5-9]|14[0-3]/,
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(measures(page).getByRole('listitem').filter({ hasText: 'Jaw to nose' })).toContainText(
    /13[5-9]|14[0-3]/,
  );

  await page.getByRole('button', { name: 'Take them to the bench' }).click();
  await expect(page).toHaveURL(/\/measure$/);
  await expect(page.getByText(/· photo/).first()).toBeVisible();
});

test('a picture is measured with the keys, and one badly set up says how to take it again', async ({ page }) => {
  const known = await truth(page);
  const { picture } = await drawnPicture(page, 'Shy Keys');
  await picture.focus();
  let at = { x: 800, y: 600 };
  const moveTo = async (p: { x: number; y: number }, from = { x: 800, y: 600 }) => {
    at = { ...from };
    for (const [axis, less, more] of [
      ['x', 'ArrowLeft', 'ArrowRight'],
      ['y', 'ArrowUp', 'ArrowDown'],
    ] as const) {
      while (Math.abs(p[axis] - at[axis]) > 1) {
        const far = Math.abs(p[axis] - at[axis]) >= 20;
        const ahead = p[axis] > at[axis];
        await page.keyboard.press((far ? 'Shift+' : '') + (ahead ? more : less));
        at[axis] += (ahead ? 1 : -1) * (far ? 20 : 2);
      }
    }
    await page.keyboard.press('Enter');
  };
  for (const corner of known.corners) await moveTo(corner);
  await expect(page.getByText('In hand: nose tip')).toBeVisible();
  const nose = known.landmarks.noseTip ?? { x: 0, y: 0 };
  await moveTo(nose);
  await expect(page.getByText('In hand: inner eye corner')).toBeVisible();
  await moveTo(known.landmarks.innerEye ?? nose);
  await expect(measures(page)).toContainText(/Nose to inner eye, left\s*9\d mm/);

  // The third corner far off: no card looks like that.
  await page.getByRole('button', { name: /Corner 3/ }).click();
  await picture.focus();
  const third = known.corners[2] ?? nose;
  await moveTo({ x: third.x, y: third.y + 400 }, third);
  await expect(page.getByRole('alert').filter({ hasText: '△' })).toContainText(/take the picture/i);
  await page.reload();
  await expect(page.getByRole('alert').filter({ hasText: '△' })).toBeVisible();
});

test('on a slow line only the newest marks are sent', async ({ page }) => {
  const { picture } = await drawnPicture(page, 'Shy Slow');
  const sent: { corners: { x: number }[] }[] = [];
  await page.route('**/photos/*', async (route) => {
    if (route.request().method() === 'PUT') {
      sent.push(route.request().postDataJSON() as (typeof sent)[number]);
      await new Promise((done) => setTimeout(done, 400));
    }
    await route.continue();
  });
  await picture.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(() => sent.at(-1)?.corners[0]?.x).toBe(800 + 12 * 2);
  expect(sent.length).toBeLessThan(12);
  await page.unrouteAll({ behavior: 'wait' });
  await expect(page.getByText(/^Saved at/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Corner 1 ?, placed$/ })).toBeVisible();
});

test.describe('what is no picture', () => {
  test.use({ expectedErrors: [/400/] });
  test('or no distance of a ruler is said beside its field, and the marks go on being kept', async ({ page }) => {
    const { picture } = await drawnPicture(page, 'Shy Ruler');
    await page.getByLabel('What the reference is').selectOption('ruler');
    await expect(page.getByText('In hand: mark 1 of the ruler')).toBeVisible();
    const distance = page.getByLabel('Distance of the two marks, mm');
    await distance.fill('5');
    await distance.press('Enter');
    await expect(page.getByText('The two marks of a ruler are 10 to 1000 mm apart.')).toBeVisible();
    await expect(distance).toHaveValue('5');
    await picture.focus();
    await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('button', { name: /Mark 1 ?, placed/ })).toBeVisible();
    await distance.fill('85,6');
    await distance.press('Enter');
    await expect(distance).toHaveValue('85.6');
    await page.reload();
    await expect(distance).toHaveValue('85.6');
    await expect(page.getByRole('button', { name: /Mark 1 ?, placed/ })).toBeVisible();
  });
  test('a notice said before its corner came up waits for it', async ({ page }) => {
    const { id } = await drawnPicture(page, 'Slow Line');
    await page.route(/Toasts-.*[.]js/, async (route) => {
      await new Promise((later) => setTimeout(later, 4000));
      await route.continue();
    });
    await page.goto(`/dogs/${id}/measure/photos`);
    await page.getByRole('button', { name: 'Take out' }).click();
    await page.getByRole('button', { name: 'Undo' }).click({ timeout: 20_000 });
    await expect(page.getByRole('img', { name: /Slow Line from the side/ })).toBeVisible();
  });

  test('is refused with words, and a picture taken out can be put back', async ({ page }) => {
    const { id } = await drawnPicture(page, 'Shy File');
    await page.goto(`/dogs/${id}/measure/photos`);
    await page.getByLabel(/^Picture: JPEG/).setInputFiles({
      name: 'not.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('this is no picture'),
    });
    await expect(page.getByRole('alert').filter({ hasText: 'not a picture' })).toBeVisible();
    await page.getByRole('button', { name: 'Take out' }).click();
    await expect(page.getByText('None yet.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('img', { name: /Shy File from the side/ })).toBeVisible();
  });
});

test('the shape is asked for before what hangs on it is shown, and a stray click after the last mark moves nothing', async ({
  page,
}) => {
  const known = await truth(page);
  const made = await page.request.post('/api/dogs', { data: { name: 'Shy Shape', purposes: ['walks'] } });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/dogs/${id}/measure/photos`);
  await page.getByRole('button', { name: 'Drawn from the side' }).click();
  const picture = page.getByRole('application');
  await expect(picture).toBeVisible();
  const box = await picture.boundingBox();
  if (!box) throw new Error('No picture.');
  const on = (p: { x: number; y: number }) =>
    [box.x + (p.x * box.width) / known.width, box.y + (p.y * box.width) / known.width] as const;
  const { landmarks } = known;
  for (const at of [
    ...known.corners,
    ...[landmarks.noseTip, landmarks.innerEye, landmarks.bridgeFront, landmarks.bridgeBack],
    ...[landmarks.fitLineTop, landmarks.fitLineUnder, landmarks.throatBump, landmarks.stop, landmarks.occiput],
  ])
    if (at) await page.mouse.click(...on(at));
  await expect(page.getByText('Nothing in hand.')).toBeVisible();

  const eye = measures(page).getByRole('listitem').filter({ hasText: 'Nose to inner eye' });
  await expect(eye).toContainText("waits for the head's shape");
  const jaw = measures(page).getByRole('listitem').filter({ hasText: 'Jaw to nose' });
  await expect(jaw).toContainText(/13[5-9]|14[0-3]/);
  await page.mouse.click(...on({ x: known.width * 0.9, y: 40 }));
  await expect(page.getByText('Nothing in hand.')).toBeVisible();
  await expect(jaw).toContainText(/13[5-9]|14[0-3]/);

  await page.getByRole('group', { name: 'Head shape' }).getByRole('button', { name: 'Medium' }).click();
  await expect(eye).toContainText(/\d+ mm/);
  await expect(page.getByRole('group', { name: 'Head shape' })).toHaveCount(0);
  await expect(page.getByText('Nothing in hand.')).toBeVisible();
});
