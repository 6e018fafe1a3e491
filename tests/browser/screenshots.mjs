// Takes the pictures of docs/screenshots from a fresh demo practice, or those named. Called by bin/screenshots.
import { chromium } from '@playwright/test';
import { launchOptions } from './chromium.mjs';
import { headsOfBreeds } from './heads.mjs';

const [address, folder, ...only] = process.argv.slice(2);
const wide = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

const browser = await chromium.launch(launchOptions);

/** Takes one picture, from the top of the page or from a text on it. */
async function picture(name, { viewport = wide, scheme = 'light', at, then, top }) {
  if (only.length > 0 && !only.includes(name)) return;
  const page = await browser.newPage({
    viewport,
    reducedMotion: 'reduce',
    hasTouch: viewport === phone,
    isMobile: viewport === phone,
  });
  await page.addInitScript((s) => localStorage.setItem('jaunty-badge.scheme', s), scheme);
  const { cards } = await (await page.request.get(`${address}/api/round?count=2000`)).json();
  const id = (dog) => cards.find((card) => card.name === dog).id;
  await page.goto(address + at(id));
  await page.waitForLoadState('networkidle');
  if (then) await then(page);
  await page.evaluate(() => document.fonts.ready.then(() => window.scrollTo(0, 0)));
  if (top)
    await page
      .getByText(top)
      .last()
      .evaluate((el) => window.scrollTo(0, el.getBoundingClientRect().top - 60));
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${folder}/${name}.png` });
  await page.close();
  console.log(name);
}

const openSession = async (page, dog) => {
  await page.getByRole('button', { name: new RegExp(`(Train|Go on): ${dog}`) }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
};

await picture('round', { at: () => '/' });
await picture('dog', { at: (id) => `/dogs/${id('Admiral')}` });
await picture('measure', {
  at: (id) => `/dogs/${id('Dumpling')}/measure`,
  then: async (page) => {
    await page.getByRole('textbox', { name: 'Snout width' }).fill('6,7 cm');
    await page.getByText('= 67 mm').waitFor();
  },
});
await picture('photo', {
  at: (id) => `/dogs/${id('Nettle')}/measure/photos`,
  then: async (page) => {
    await page.getByRole('link', { name: /Nettle from the side/ }).click();
    await page.getByRole('button', { name: /Throat bump/ }).click();
    const picture = page.getByRole('application');
    await picture.focus();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowRight');
  },
});
await picture('practice', {
  at: () => '/practice',
  then: async (page) => {
    for (let go = 0; go < 4; go++) {
      await page.getByRole('button', { name: 'Ask for a go' }).click();
      await page.waitForTimeout(500);
    }
  },
});
await picture('training', {
  scheme: 'dark',
  at: () => '/training',
  then: async (page) => page.getByText(/Will hardly hold/).waitFor(),
});
await picture('fit', {
  at: (id) => `/dogs/${id('Bracken')}/fit`,
  then: async (page) => {
    await page.getByLabel('Compare with').selectOption({ index: 3 });
    await page.getByText(/^Dashed: /).waitFor();
    await page.getByRole('slider', { name: 'Open the jaw' }).focus();
    for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowRight');
  },
});
await picture('catalogue', {
  at: () => '/catalogue',
  then: async (page) => {
    await page.getByRole('button', { name: 'Take a size chart in' }).click();
    await page
      .getByLabel('or paste the chart')
      .fill('Size,Inside length (in),Circumference (in),Neck (in)\nS,3 1/4,10 1/2,12-17\nM,3 7/8,twelve,14-20\n');
    await page.getByRole('button', { name: 'Open it' }).click();
    await page.getByRole('row', { name: /twelve/ }).waitFor();
  },
});
await picture('van', { at: () => '/van', then: async (page) => page.getByText(/get a fit today/).waitFor() });
await picture('try-on-phone', {
  viewport: phone,
  at: (id) => `/dogs/${id('Otis')}/fit/try`,
  then: async (page) => {
    await page.getByRole('button', { name: 'No' }).first().click();
    await page.getByRole('button', { name: 'Rides into the eyes' }).click();
    await page.getByText('The basket is too long.').waitFor();
  },
  top: 'Are the eyes clear',
});
await picture('card-phone', { viewport: phone, at: (id) => `/cards/${id('Juno')}/clinic` });
await picture('plan', { at: (id) => `/dogs/${id('Fern')}/plan` });
await picture('progress', { at: (id) => `/dogs/${id('Bracken')}/plan/progress` });
await picture('session-phone', {
  viewport: phone,
  at: () => '/',
  then: async (page) => {
    await openSession(page, 'Fern');
    for (const name of [/^In\b/, /^In\b/, /^In\b/, /^Not yet/]) await page.getByRole('button', { name }).click();
    await page.getByRole('listitem', { name: 'good' }).nth(2).waitFor();
    await page.getByRole('button', { name: 'It shows …' }).click();
    await page.locator('button:has-text("Growls") svg').waitFor();
  },
});
await picture('wear', { at: (id) => `/dogs/${id('Juno')}/wear` });
await picture('wear-phone-dark', {
  viewport: phone,
  scheme: 'dark',
  at: (id) => `/dogs/${id('Juno')}/wear`,
  then: async (page) => {
    await page.clock.install({ time: Date.now() - 3_600_000 });
    await page.reload();
    await page.getByRole('button', { name: 'Put on now' }).click();
    await page.clock.runFor(3_590_000);
    await page.getByText('Take it off').waitFor();
  },
});
await picture('numbers', { at: () => '/numbers' });
await headsOfBreeds(browser, address, `${folder}/heads.png`);
console.log('heads');
// Last: the dog is given to a phone, and what it was to the demo's fitter before is in the pictures above.
await picture('home-phone', {
  viewport: phone,
  at: () => '/about',
  then: async (page) => {
    const { cards } = await (await page.request.get(`${address}/api/round?count=2000`)).json();
    for (const name of ['Juno', 'Otis']) {
      const dog = cards.find((card) => card.name === name).id;
      // The phone that has one dog already is given the other: the fitter is somebody else.
      const fitter = await browser.newContext();
      const offered = await fitter.request.post(`${address}/api/dogs/${dog}/pairings`, { data: { kind: 'keeper' } });
      const { code } = await offered.json();
      await page.request.post(`${address}/api/pair`, { data: { code, device: 'A phone' } });
      await fitter.close();
    }
    await page.evaluate(() => localStorage.removeItem('jaunty-badge.kind'));
    await page.goto(address);
    await page.getByRole('heading', { name: 'Otis' }).waitFor();
  },
});
await browser.close();
