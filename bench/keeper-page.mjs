// The keeper's first page as Lighthouse sees it on a phone, and what comes over the line for it. node bench/keeper-page.mjs [PORT]; needs the packages of bench (npm ci there).
// It serves a practice of its own, which nobody else is in.
import { launch } from 'chrome-launcher';
import lighthouse from 'lighthouse';
import { keeperPractice } from './keeper-practice.mjs';

const [port = '5195'] = process.argv.slice(2);
const { address, cookie, close } = await keeperPractice(port);
const chrome = await launch({
  chromePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  chromeFlags: ['headless', 'no-sandbox', 'disable-gpu', 'disable-quic', 'no-first-run', 'disable-background-networking', 'disable-component-update', 'disable-sync'].map((flag) => `--${flag}`),
});
for (let run = 0; run < 3; run++) {
  const { lhr } = await lighthouse(`${address}/`, { port: chrome.port, output: 'json', extraHeaders: { Cookie: cookie } });
  const scripts = lhr.audits['network-requests'].details.items.filter((item) => item.resourceType === 'Script');
  const kB = scripts.reduce((sum, item) => sum + item.transferSize, 0) / 1000;
  console.log(
    Object.values(lhr.categories).map((c) => `${c.id} ${c.score}`).join(', '),
    `; first paint ${lhr.audits['first-contentful-paint'].displayValue}, largest ${lhr.audits['largest-contentful-paint'].displayValue}, blocked ${lhr.audits['total-blocking-time'].displayValue}; ${scripts.length} scripts of ${kB.toFixed(0)} kB`,
  );
  if (run === 2)
    for (const audit of Object.values(lhr.audits).filter((a) => a.score !== null && a.score < 1 && a.scoreDisplayMode === 'binary')) console.log(`  ${audit.id}: ${audit.title}`);
}
await chrome.kill();
await close();
