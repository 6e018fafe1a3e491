// Takes the pictures of docs/screenshots from a fresh demo practice. Called by bin/screenshots.
import { chromium } from '@playwright/test';
import { launchOptions } from './chromium.mjs';

const [address, folder] = process.argv.slice(2);
const wide = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

const browser = await chromium.launch(launchOptions);

async function picture(name, { viewport = wide, scheme = 'light', at, then }) {
  const page = await browser.newPage({
    viewport,
    reducedMotion: 'reduce',
    hasTouch: viewport === phone,
    isMobile: viewport === phone,
  });
  await page.addInitScript((s) => localStorage.setItem('jaunty-badge.scheme', s), scheme);
  const round = await (await page.request.get(`${address}/api/round`)).json();
  const id = (dog) => round.find((card) => card.dog.name === dog).dog.id;
  await page.goto(address + at(id));
  await page.waitForLoadState('networkidle');
  if (then) await then(page);
  await page.evaluate(() => document.fonts.ready.then(() => window.scrollTo(0, 0)));
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${folder}/${name}.png` });
  await page.close();
  console.log(name);
}

const openSession = async (page, dog) => {
  await page.getByRole('button', { name: new RegExp(`(Train|Go on): ${dog}`) }).click();
  await page.getByRole('button', { name: /^Good/ }).waitFor();
};

await picture('round', { at: () => '/' });
await picture('dog', { at: (id) => `/dogs/${id('Admiral')}` });
await picture('measure', {
  at: (id) => `/dogs/${id('Dumpling')}/measure`,
  then: async (page) => {
    await page.getByRole('textbox', { name: 'Jaw to nose' }).fill('9,5 cm');
    await page.getByText('= 95 mm').waitFor();
  },
});
await picture('fit', {
  at: (id) => `/dogs/${id('Otis')}/fit`,
  then: async (page) => {
    await page.getByRole('slider').focus();
    for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowRight');
  },
});
await picture('fit-dark', { scheme: 'dark', at: (id) => `/dogs/${id('Sorrel')}/fit` });
await picture('plan', { at: (id) => `/dogs/${id('Bracken')}/plan` });
await picture('session-phone', {
  viewport: phone,
  at: () => '/',
  then: async (page) => {
    await openSession(page, 'Fern');
    for (const name of [/^Good/, /^Good/, /^Missed/, /^Good/]) await page.getByRole('button', { name }).click();
    await page.getByRole('button', { name: 'Looks away' }).click();
    await page.getByRole('listitem', { name: 'good' }).nth(2).waitFor();
  },
});
await picture('decision-phone-dark', {
  viewport: phone,
  scheme: 'dark',
  at: () => '/',
  then: async (page) => {
    await openSession(page, 'Admiral');
    for (let i = 0; i < 6; i++) await page.getByRole('button', { name: /^Good/ }).click();
    await page.getByRole('button', { name: /^Finish the set/ }).click();
    await page.getByText('On to the next target').waitFor();
  },
});
await picture('numbers', { at: () => '/numbers' });
await browser.close();
