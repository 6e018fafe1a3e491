// Takes pictures of moments rather than of pages at rest, to be looked at and not kept. Called by bin/screenshots moments.
import { chromium } from '@playwright/test';
import { launchOptions } from './chromium.mjs';

const [address, folder] = process.argv.slice(2);
const browser = await chromium.launch(launchOptions);

const sizes = {
  desk: { viewport: { width: 1280, height: 800 } },
  phone: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
};
const { cards } = await (await fetch(`${address}/api/round?count=2000`)).json();
const id = (dog) => cards.find((card) => card.name === dog).id;

/** What happens, on a page of its own. */
const moments = {
  notice: async (page, size) => {
    await page.goto(`${address}/dogs/${id(size === 'desk' ? 'Sorrel' : 'Nettle')}`);
    await page.getByRole('button', { name: 'Edit' }).click();
    await page.getByRole('button', { name: 'Archive this dog' }).click();
    await page.waitForTimeout(600);
  },
  error: async (page) => {
    await page.goto(`${address}/dogs/new`);
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('');
    await page.getByRole('button', { name: 'Add and measure' }).click();
    await page.waitForTimeout(500);
  },
  tray: async (page) => {
    await page.goto(`${address}/dogs/${id('Fern')}/plan`);
    await page.getByRole('button', { name: /^(Start a session|Go on with the session)$/ }).click();
    const well = page.getByRole('button', { name: 'Well: begin' });
    await well
      .or(page.getByRole('button', { name: /^It shows/ }))
      .first()
      .waitFor();
    if (await well.isVisible()) await well.click();
    await page.getByRole('button', { name: /^It shows/ }).click();
  },
  offline: async (page) => {
    await page.goto(`${address}/dogs/${id('Juno')}/wear`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForLoadState('networkidle');
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Fun' }).click();
    await page.waitForTimeout(2500);
  },
  large: async (page) => {
    await page.goto(`${address}/dogs/${id('Bracken')}/fit`);
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => (document.documentElement.style.fontSize = '200%'));
  },
  forced: async (page) => {
    await page.emulateMedia({ forcedColors: 'active' });
    await page.goto(`${address}/dogs/${id('Bracken')}/fit`);
    await page.waitForLoadState('networkidle');
  },
  broken: async (page) => {
    await page.route('**/api/van*', (route) => route.fulfill({ status: 500, json: { title: 'Something broke.' } }));
    await page.goto(`${address}/van`);
    await page.waitForTimeout(8000);
  },
};

for (const [name, happens] of Object.entries(moments))
  for (const [size, shape] of Object.entries(sizes)) {
    const page = await browser.newPage({ ...shape, reducedMotion: 'reduce', serviceWorkers: 'block' });
    const scheme = size === 'phone' ? 'dark' : 'light';
    await page.addInitScript((s) => localStorage.setItem('jaunty-badge.scheme', s), scheme);
    await happens(page, size);
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${folder}/${name}-${size}.png` });
    await page.context().close();
    console.log(`${name}-${size}`);
  }
await browser.close();
