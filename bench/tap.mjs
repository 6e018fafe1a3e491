// Taps goes on the session pad: how long the server takes to acknowledge one, and how long until it is seen on the screen. Called by bench/run.
import { createRequire } from 'node:module';
import { launchOptions } from '../tests/browser/chromium.mjs';

const { chromium } = createRequire(new URL('../tests/browser/package.json', import.meta.url))('@playwright/test');
const address = process.argv[2];
const SETS = 6;
const browser = await chromium.launch(launchOptions);
const page = await browser.newPage({ viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true });
const made = await page.request.post(`${address}/api/dogs`, { data: { name: 'Tapped', breedIds: ['labrador-retriever'], bodyMassKg: 28, purposes: ['walks'] } });
const { id } = await made.json();
await page.goto(`${address}/dogs/${id}/plan`);
await page.getByRole('button', { name: 'Start a session' }).click();
await page.getByRole('button', { name: 'Well: begin' }).click();
await page.getByRole('button', { name: /^Yes/ }).waitFor();
await page.evaluate(() => {
  window.seen = [];
  let from = 0;
  document.addEventListener('pointerdown', () => (from = performance.now()), true);
  new MutationObserver(() => {
    if (from === 0) return;
    const tapped = from;
    from = 0;
    requestAnimationFrame(() => {
      const painted = new MessageChannel();
      painted.port1.onmessage = () => window.seen.push(performance.now() - tapped);
      painted.port2.postMessage(0);
    });
  }).observe(document.querySelector('ol[aria-label="Goes so far"]'), { subtree: true, attributes: true, childList: true, characterData: true });
});
const served = [];
page.on('requestfinished', (request) => {
  const { responseStart, requestStart } = request.timing();
  if (request.method() === 'PUT' && request.url().includes('/goes/')) served.push(responseStart - requestStart);
});
for (let set = 0; set < SETS; set++) {
  for (let go = 0; go < 4; go++) {
    await page.getByRole('button', { name: go % 2 === 0 ? /^Yes/ : /^Not yet/ }).tap();
    await page.waitForTimeout(250);
  }
  for (let go = 0; go < 4; go++) {
    await page.getByRole('button', { name: /^Take back/ }).first().tap();
    await page.waitForTimeout(250);
  }
}
const told = (numbers) => {
  const sorted = [...numbers].sort((a, b) => a - b);
  const at = (share) => sorted[Math.floor(share * (sorted.length - 1))].toFixed(0);
  return `median ${at(0.5)} ms, 90 % within ${at(0.9)} ms, worst ${at(1)} ms (${sorted.length})`;
};
console.log(`a go acknowledged by the server: ${told(served)}`);
console.log(`a tap seen on the screen: ${told(await page.evaluate(() => window.seen))}`);
await browser.close();
