// Asks for a dog's fits over and over, then picks one muzzle after another in the browser and measures from the key to the painted drawing. Called by bench/run.
import { createRequire } from 'node:module';
import { launchOptions } from '../tests/browser/chromium.mjs';

const { chromium } = createRequire(new URL('../tests/browser/package.json', import.meta.url))('@playwright/test');
const address = process.argv[2];
const at = (times, share) => Math.round(times.sort((a, b) => a - b)[Math.floor(share * (times.length - 1))]);

const { cards } = await (await fetch(`${address}/api/round`)).json();
const id = cards.find((card) => card.name === 'Bracken').id;
const asked = [];
let bytes = 0;
for (let i = 0; i < 200; i++) {
  const start = performance.now();
  bytes = (await (await fetch(`${address}/api/dogs/${id}/fits`)).arrayBuffer()).byteLength;
  if (i >= 100) asked.push(performance.now() - start);
}
console.log(`GET fits, ${Math.round(bytes / 1024)} kB: median ${at(asked, 0.5)} ms, 90 % within ${at(asked, 0.9)} ms`);

const browser = await chromium.launch(launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/dogs/${id}/fit`);
await page.getByRole('img', { name: /over the snout/ }).waitFor();
await page.waitForTimeout(1500);
const rows = page.getByRole('region', { name: 'Muzzles, ranked' }).getByRole('button');
const count = Math.min(10, await rows.count());
const painted = [];
for (let turn = 0; turn < 3; turn++) {
  for (let i = 0; i < count; i++) {
    const row = rows.nth(i);
    await row.focus();
    const name = (await row.locator('b').innerText()).trim();
    await page.evaluate((wanted) => {
      window.took = new Promise((done) => {
        document.addEventListener(
          'keydown',
          () => {
            const start = performance.now();
            const look = () => {
              const drawn = document.querySelector(`svg[role=img][aria-label^="${wanted} over the snout"]`);
              if (!drawn) return requestAnimationFrame(look);
              const after = new MessageChannel();
              after.port1.onmessage = () => done(performance.now() - start);
              requestAnimationFrame(() => after.port2.postMessage(0));
            };
            requestAnimationFrame(look);
          },
          { once: true, capture: true },
        );
      });
    }, name);
    await page.keyboard.press('Enter');
    const took = await page.evaluate(() => window.took);
    // The one in hand is drawn already; what was looked at before may be remembered, so only the first turn asks the server.
    if (turn === 0 && i > 0) painted.push(took);
    await page.waitForTimeout(250);
  }
}
console.log(`${painted.length} muzzles taken in hand: key to drawing median ${at(painted, 0.5)} ms, 90 % within ${at(painted, 0.9)} ms, worst ${at(painted, 1)} ms`);
await browser.close();
