// Types into the bench and measures from each key to the first painted frame of a drawing that has changed. Called by bench/run.
import { createRequire } from 'node:module';
import { launchOptions } from '../tests/browser/chromium.mjs';

const { chromium } = createRequire(new URL('../tests/browser/package.json', import.meta.url))('@playwright/test');
const address = process.argv[2];
const browser = await chromium.launch(launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const { cards } = await (await page.request.get(`${address}/api/round`)).json();
const bracken = cards.find((card) => card.name === 'Bracken').id;
await page.goto(`${address}/dogs/${bracken}/measure`);
const field = page.getByRole('textbox', { name: 'Snout width' });
await field.click();
await page.waitForTimeout(1000);

// A key counts until the last change of the drawing that it brings is on the screen.
await page.evaluate(() => {
  window.times = [];
  const head = document.querySelector('svg[role=img][aria-label^="Head of"]');
  let start = 0;
  let settled = 0;
  window.next = (from) => {
    if (settled > 0) window.times.push(settled);
    [start, settled] = [from, 0];
  };
  document.addEventListener('keydown', () => window.next(performance.now()), true);
  new MutationObserver(() => {
    const from = start;
    if (from === 0) return;
    requestAnimationFrame(() => {
      const painted = new MessageChannel();
      painted.port1.onmessage = () => {
        if (from === start) settled = performance.now() - from;
      };
      painted.port2.postMessage(0);
    });
  }).observe(head, { subtree: true, attributes: true, childList: true, characterData: true, attributeFilter: ['d', 'viewBox'] });
});
for (let i = 0; i < 40; i++) {
  await page.evaluate(() => window.next(0));
  await field.fill('');
  await page.waitForTimeout(200);
  for (const key of String(60 + i)) {
    await page.keyboard.press(key);
    await page.waitForTimeout(300);
  }
}
const times = (await page.evaluate(() => window.times)).sort((a, b) => a - b);
const at = (share) => Math.round(times[Math.floor(share * (times.length - 1))]);
console.log(`${times.length} keystrokes: median ${at(0.5)} ms, 90 % within ${at(0.9)} ms, worst ${at(1)} ms`);
await browser.close();
