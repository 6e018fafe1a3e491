// The first page as Lighthouse sees it, on a desk and on a phone, and what comes over the line for it. node bench/first-page.mjs ADDRESS [RUNS];
// needs the packages of bench (npm ci there) and Debian's Chromium. Loopback only. Ends with 1 where a score is under what was asked for.
import { launch } from 'chrome-launcher';
import lighthouse, { desktopConfig } from 'lighthouse';

const [address, runs = '3'] = process.argv.slice(2);
if (!address) throw new Error('Say which address, such as http://127.0.0.1:5080/');
const ASKED = { desktop: 0.95, phone: 0.85 };
const LIGHTEST_KB = 200;

const chrome = await launch({
  chromePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  chromeFlags: ['headless', 'no-sandbox', 'disable-gpu', 'disable-quic', 'no-first-run', 'disable-background-networking', 'disable-component-update', 'disable-sync'].map((flag) => `--${flag}`),
});
let short = false;
for (const [name, config] of [['desktop', desktopConfig], ['phone', undefined]]) {
  const scores = [];
  let last;
  for (let run = 0; run < Number(runs); run++) {
    last = (await lighthouse(address, { port: chrome.port, onlyCategories: ['performance'], output: 'json' }, config)).lhr;
    scores.push(last.categories.performance.score);
  }
  const shown = (audit) => last.audits[audit].displayValue;
  const scripts = last.audits['network-requests'].details.items.filter((item) => item.resourceType === 'Script');
  const kB = scripts.reduce((sum, item) => sum + item.transferSize, 0) / 1024;
  console.log(
    `${name}: performance ${scores.join(', ')} (asked for: ${ASKED[name]}); first paint ${shown('first-contentful-paint')}, largest ${shown('largest-contentful-paint')}, ` +
      `blocked ${shown('total-blocking-time')}; ${scripts.length} scripts of ${kB.toFixed(0)} kB (asked for: under ${LIGHTEST_KB}), ${shown('total-byte-weight')}`,
  );
  short ||= scores.sort()[Math.floor(scores.length / 2)] < ASKED[name] || kB >= LIGHTEST_KB;
}
await chrome.kill();
process.exitCode = short ? 1 : 0;
