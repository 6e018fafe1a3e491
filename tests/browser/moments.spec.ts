import type { Page } from '@playwright/test';
import { beginSession, expect, newDog, post, test, type Round } from './support.js';

/** Moments rather than pages at rest: what is tapped, where the focus goes, text twice as large, a phone lying flat, a reload in a dead spot. */

const textTwiceAsLarge = (page: Page) =>
  page.evaluate(() => {
    document.documentElement.style.fontSize = '200%';
  });

/** Whether a part of the page is whole on the screen. */
async function onScreen(page: Page, part: ReturnType<Page['locator']>) {
  const [box, size] = [await part.boundingBox(), page.viewportSize()];
  return (
    !!box && !!size && box.x >= 0 && box.y >= 0 && box.x + box.width <= size.width && box.y + box.height <= size.height
  );
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a tapped step of the plan opens where it was tapped', async ({ page }) => {
    const id = await newDog(page, 'Tapped');
    await page.goto(`/dogs/${id}/plan`);
    // The outlook stands above the steps and comes when it is worked out: what it adds is not what a tap moves.
    await expect(page.getByRole('region', { name: 'How it will go on' })).toBeVisible();
    const step = page
      .getByRole('list', { name: 'Steps of the plan' })
      .getByRole('button', { name: /^(ahead|passed) Stay in, a little$/ });
    await step.scrollIntoViewIfNeeded();
    const before = await step.boundingBox();
    await step.click();
    const sheet = page.getByRole('region', { name: 'Stay in, a little' });
    await expect(sheet).toBeVisible();
    const [after, opened] = [await step.boundingBox(), await sheet.boundingBox()];
    expect(after?.y).toBeCloseTo(before?.y ?? 0, 0);
    expect((opened?.y ?? 0) - (after?.y ?? 0) - (after?.height ?? 0)).toBeLessThan(40);
    await step.click();
    await expect(sheet).toHaveCount(0);
  });

  test('the walk-through keeps drawing and focus, and ends with what comes next', async ({ page }) => {
    const id = await newDog(page, 'Walked', false);
    await page.goto(`/dogs/${id}/measure`);
    await page.getByRole('button', { name: 'Walk me through' }).click();
    await page.getByRole('button', { name: 'It is calm: begin' }).click();
    for (const [name, mm] of [
      ['Fit line to nose', '80'],
      ['Snout height', '78'],
      ['Snout girth', '268'],
      ['Snout width', '72'],
      ['Neck girth', '430'],
    ] as const) {
      await expect(page.getByRole('heading', { name, level: 2 })).toBeFocused();
      expect(await onScreen(page, page.getByRole('heading', { name, level: 2 }))).toBe(true);
      expect(await onScreen(page, page.getByRole('img', { name: /^Head of Walked/ }).first())).toBe(true);
      const field = page.getByRole('textbox', { name });
      await field.fill(mm);
      await field.press('Enter');
      await expect(page.getByText('Once more: lay the tape anew')).toBeVisible();
      await page.getByRole('button', { name: /^(Next|Done)$/ }).click();
    }
    await expect(page.getByRole('heading', { name: 'Measured. A muzzle comes next.' })).toBeFocused();
    await expect(page.getByRole('link', { name: 'Choose a muzzle' })).toBeVisible();
  });

  test('with text twice as large the rooms of a dog stand beside each other, not over', async ({ page }) => {
    const id = await newDog(page, 'Roomy');
    await page.goto(`/dogs/${id}`);
    const rooms = page.getByRole('navigation', { name: 'Rooms of Roomy' }).getByRole('link');
    await expect(rooms).toHaveCount(7);
    const rows = new Set(
      (await Promise.all((await rooms.all()).map((room) => room.boundingBox()))).map((box) => box?.y),
    );
    expect(rows.size).toBe(1);
    await textTwiceAsLarge(page);
    expect(
      await rooms.evaluateAll((links) =>
        links.filter((l) => l.scrollWidth > l.clientWidth + 1).map((l) => l.textContent),
      ),
    ).toEqual([]);
  });

  test('Undo and Close of a notice do not lie over each other', async ({ page }) => {
    const id = await newDog(page, 'Curlew');
    await page.goto(`/dogs/${id}`);
    await page.getByRole('button', { name: 'Edit' }).click();
    await page.getByRole('button', { name: 'Archive this dog' }).click();
    const [undo, close] = [page.getByRole('button', { name: 'Undo' }), page.getByRole('button', { name: 'Close' })];
    await expect(undo).toBeVisible();
    const [one, other] = [await undo.boundingBox(), await close.boundingBox()];
    expect((one?.x ?? 0) + (one?.width ?? 0)).toBeLessThanOrEqual(other?.x ?? 0);
    await undo.click();
    await expect(page.getByRole('button', { name: 'Archive this dog' })).toBeVisible();
  });

  test('what no number shows is asked beside the field, with a picture', async ({ page }) => {
    const id = await newDog(page, 'Asked');
    await page.goto(`/dogs/${id}/measure`);
    await expect(page.getByText('Mouth closed?')).toHaveCount(0);
    await page.getByRole('textbox', { name: 'Snout height' }).focus();
    await expect(page.getByText('Mouth closed?')).toBeVisible();
    await expect(page.getByRole('img', { name: 'Where Snout height runs on Asked' })).toBeVisible();
  });

  for (const lying of [false, true])
    test(`the pad stays on the screen with text twice as large${lying ? ', lying flat' : ''}`, async ({ page }) => {
      const id = await newDog(page, lying ? 'Flat Large' : 'Large');
      await page.goto(`/dogs/${id}/plan`);
      await beginSession(page);
      if (lying) await page.setViewportSize({ width: 844, height: 390 });
      const stop = page.getByRole('button', { name: '⬣ Stop' });
      const parts = [
        page.getByText('3 times', { exact: true }),
        page.getByText(/^\d of \d+( *in a row)?$/),
        page.getByRole('button', { name: /^Not yet/ }),
        page.getByRole('button', { name: /^Yes/ }),
        page.getByRole('button', { name: /^Finish the set/ }),
        stop,
      ];
      for (const large of [false, true]) {
        if (large) await textTwiceAsLarge(page);
        for (const part of parts) await expect.poll(() => onScreen(page, part), { message: `${part}` }).toBe(true);
      }
      // A sign is tapped: what lies under the thumb stays there.
      await page.getByRole('button', { name: /^It shows/ }).click();
      await page.getByRole('button', { name: 'Ears back' }).click();
      const open = await stop.boundingBox();
      await page.getByRole('button', { name: 'Close the signs' }).click();
      await expect(page.getByRole('button', { name: /Take back the sign/ })).toBeVisible();
      const closed = await stop.boundingBox();
      if (!lying) expect(closed?.y).toBeCloseTo(open?.y ?? 0, 0);
      for (const part of parts) await expect.poll(() => onScreen(page, part), { message: `${part}` }).toBe(true);
    });

  test.describe('in a dead spot', () => {
    test.use({
      serviceWorkers: 'allow',
      expectedErrors: [/Failed to load resource|ERR_(FAILED|INTERNET_DISCONNECTED)/],
    });
    test('a running wear comes up after a reload without the server, and ends by it', async ({ page, context }) => {
      const id = await newDog(page, 'Cut Off');
      const { fits } = (await (await page.request.get(`/api/dogs/${id}/fits`)).json()) as {
        fits: { sizeId: string }[];
      };
      expect((await page.request.post(`/api/dogs/${id}/choice`, { data: { sizeId: fits[0]?.sizeId } })).ok()).toBe(
        true,
      );
      await post(page, `/api/dogs/${id}/plan/position`, {
        stepId: 'place-lane',
        target: 0,
        note: 'Wears one already.',
      });
      await page.request.post('/api/weather/readings', { data: { airC: 12, humidityPercent: 60 } });
      await page.goto(`/dogs/${id}/wear`);
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.getByRole('button', { name: 'Fun' }).click();
      await page.getByRole('button', { name: 'Put on now' }).click();
      await expect(page.getByRole('timer')).toHaveText(/^[45]:\d\d$/);
      // What is shown is kept on the device a moment later.
      await page.waitForFunction(() => localStorage.getItem('jaunty-badge.answers')?.includes('Cut Off'));
      await page.waitForTimeout(1500);

      await context.setOffline(true);
      await page.reload();
      await expect(page.getByRole('timer')).toHaveText(/^[45]:\d\d$/);
      await expect(page.getByRole('button', { name: '⬣ Stop' })).toBeVisible();
      await page.getByRole('button', { name: 'Taken off' }).click();
      await context.setOffline(false);
      await expect
        .poll(
          async () =>
            ((await (await page.request.get(`/api/dogs/${id}/wears`)).json()) as { endedAt: string | null }[]).map(
              (w) => w.endedAt !== null,
            ),
          { timeout: 30_000 },
        )
        .toEqual([true]);
    });
  });
});

test('a new page is come to at its heading, and the tab names the room; a new dog begins with its name', async ({
  page,
}) => {
  const id = await newDog(page, 'Arrived');
  await page.goto('/');
  await page.getByRole('link', { name: 'Catalogue' }).click();
  await expect(page.getByRole('heading', { name: 'Catalogue', level: 1 })).toBeFocused();
  await page.goto(`/dogs/${id}`);
  await page
    .getByRole('navigation', { name: 'Rooms of Arrived' })
    .getByRole('link', { name: /^Measure/ })
    .click();
  await expect(page).toHaveTitle('Measure, Arrived · Jaunty Badge');
  await expect(page.getByRole('heading', { name: /^Arrived ?, Measure$/, level: 1 })).toBeFocused();
  await page.goto('/dogs/new');
  await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toBeFocused();
});

test('going back leads to where one was on a page, and going on to the top of the next', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 500 });
  await page.goto('/breeds');
  await expect(page.getByRole('button', { name: /^Correct/ }).last()).toBeAttached();
  await page.evaluate(() => window.scrollTo(0, 900));
  await page.getByRole('link', { name: 'Catalogue' }).evaluate((link: HTMLElement) => link.click());
  await expect(page.getByRole('heading', { name: 'Catalogue', level: 1 })).toBeFocused();
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'Breeds', level: 1 })).toBeVisible();
  await expect.poll(() => page.evaluate(() => window.scrollY)).toBe(900);
});

test.describe('when a page breaks', () => {
  test.use({ expectedErrors: [/TypeError|undefined|Cannot read|ERR_FAILED|Failed to (load|fetch)/] });
  test('it is said, it leads back, and the rest of the practice goes on', async ({ page }) => {
    await page.route('**/api/van*', (route) => route.fulfill({ json: { dogs: 3 } }));
    await page.goto('/van');
    await expect(page.getByRole('heading', { name: 'That went wrong' })).toBeVisible();
    await page.getByRole('link', { name: 'Back to the round' }).click();
    await expect(page.getByRole('heading', { name: 'The round' })).toBeVisible();
    await page.unroute('**/api/van*');
    await page.getByRole('link', { name: 'Van' }).click();
    await expect(page.getByRole('heading', { name: 'Van', level: 1 })).toBeVisible();
  });

  test('a part of the program that does not come is told, and loading anew brings it', async ({ page }) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'The round' })).toBeVisible();
    await page.route('**/assets/BreedsPage*.js', (route) => route.abort());
    await page.getByRole('link', { name: 'Breeds' }).click();
    await expect(page.getByText(/^This page is older than Jaunty Badge/)).toBeVisible();
    await page.unroute('**/assets/BreedsPage*.js');
    await page.getByRole('button', { name: 'Load it again' }).click();
    await expect(page.getByRole('heading', { name: 'Breeds', level: 1 })).toBeVisible();
  });

  test('an address that is not well written breaks nothing', async ({ page }) => {
    await page.goto('/pair#50%');
    await expect(page.getByRole('heading', { name: 'Your dog on this phone' })).toBeVisible();
  });
});

test('what is missing is named as the bench names it, and its link opens the field', async ({ page }) => {
  const id = await newDog(page, 'Unread', false);
  await page.goto(`/dogs/${id}/fit`);
  await page.getByRole('link', { name: 'Fit line to nose' }).click();
  await expect(page.getByRole('textbox', { name: 'Fit line to nose' })).toBeFocused();
});

test('a bare fraction is one of an inch while the unit is the millimetre', async ({ page }) => {
  const id = await newDog(page, 'Fraction', false);
  await page.goto(`/dogs/${id}/measure`);
  const field = page.getByRole('textbox', { name: 'Fit line to nose' });
  await field.fill('3 3/4');
  await expect(page.getByText('= 95.3 mm')).toBeVisible();
  await field.press('Enter');
  await expect(page.getByText('3 3/4 in').first()).toBeVisible();
});

/** Whatever opens over the page is as wide as its words: nothing cut off, nothing spilling, at a phone's width, a tablet's, a laptop's and a desk's. */
for (const width of [390, 768, 1280, 1920])
  test(`what opens over the page holds its words at ${width}`, async ({ page }) => {
    await page.setViewportSize({ width, height: 844 });
    const id = await newDog(page, `Wide ${width} of the long and winding name`);
    const holds = async (name: string) => {
      const spilt = await page.evaluate(() => {
        const over = document.querySelectorAll<HTMLElement>(
          '[role=dialog], [role=alertdialog], [role=menu], [role=tooltip], [role=status], [role=alert], form',
        );
        return Array.from(over)
          .filter((o) => o.getClientRects().length > 0 && o.innerText.trim() !== '')
          .filter((o) => o.scrollWidth > o.clientWidth + 1 || o.getBoundingClientRect().right > window.innerWidth + 1)
          .map((o) => o.innerText.slice(0, 60));
      });
      expect(spilt, name).toEqual([]);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
        `${name}: no sideways scroll`,
      ).toBe(true);
    };
    await page.goto(`/dogs/${id}/fit`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await holds('fit');
    const why = page.getByRole('button', { name: /^Why/ }).first();
    await why.click();
    await holds('why');
    await page.keyboard.press('Escape');
    await page.goto(`/dogs/${id}/measure`);
    await page.getByRole('button', { name: 'String and ruler' }).click();
    await holds('string and ruler');
    await page.goto(`/dogs/${id}/plan`);
    await page.getByRole('button', { name: 'Change days or date' }).click();
    await holds('days of training');
    await page.goto('/catalogue');
    await page
      .getByRole('button', { name: /Take in a size chart|size chart/ })
      .first()
      .click();
    await holds('size chart');
  });

test('read from the right nothing runs off the page, and drawings stay as they are', async ({ page }) => {
  const id = await newDog(page, 'From the right');
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const path of ['/', `/dogs/${id}/measure`, `/dogs/${id}/fit`, `/dogs/${id}/plan`, `/dogs/${id}/wear`]) {
      await page.goto(path);
      await expect(page.getByRole('main').getByRole('heading').first()).toBeVisible();
      const [over, drawn] = await page.evaluate(() => {
        const root = document.documentElement;
        root.dir = 'rtl';
        const drawing = document.querySelector('main svg');
        return [root.scrollWidth - root.clientWidth, drawing ? getComputedStyle(drawing).direction : 'ltr'];
      });
      expect([path, width, over, drawn]).toEqual([path, width, 0, 'ltr']);
    }
  }
});

test.describe('on a phone that lies flat', () => {
  test.use({ viewport: { width: 844, height: 390 }, hasTouch: true, isMobile: true });

  test('how long it may be worn is on the screen as the page comes up', async ({ page }) => {
    await page.goto('/');
    const juno = ((await (await page.request.get('/api/round?count=2000')).json()) as Round).cards.find(
      (c) => c.name === 'Juno',
    );
    await page.goto(`/dogs/${juno?.id}/wear`);
    const minutes = page
      .getByRole('main')
      .getByText(/^[0-9]+$/)
      .first();
    await expect(minutes).toBeVisible();
    expect(await onScreen(page, minutes)).toBe(true);
  });
});
