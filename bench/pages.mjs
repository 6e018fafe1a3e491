// First pages as Lighthouse sees them on a phone, and what comes over the line for them: a keeper's own, and a dog's fit. node bench/pages.mjs [PORT] [RUNS]; needs the packages of bench (npm ci there).
// It serves a practice of its own, which nobody else is in. Lighthouse slows the machine to a quarter, which makes a usual desktop a phone; a machine of a lower index (it warns under
// 1000) is slowed too much by it, so that the same is measured slowed to a half as well.
import { launch } from 'chrome-launcher';
import lighthouse, { defaultConfig } from 'lighthouse';
import { practice } from './practice.mjs';

const [port = '5195', runs = '5'] = process.argv.slice(2);
const { address, cookie, fitter, dog, close } = await practice(port);
const chrome = await launch({
  chromePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  chromeFlags: ['headless', 'no-sandbox', 'disable-gpu', 'disable-quic', 'no-first-run', 'disable-background-networking', 'disable-component-update', 'disable-sync'].map((flag) => `--${flag}`),
});
const phone = { rttMs: 150, throughputKbps: 1638.4, requestLatencyMs: 562.5, downloadThroughputKbps: 1474.56, uploadThroughputKbps: 675 };
const median = (numbers) => numbers.sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

/** A page as somebody opens it whose machine is slowed so many times. */
const look = async (path, Cookie, slowed) => {
  const settings = { ...defaultConfig.settings, throttling: { ...phone, cpuSlowdownMultiplier: slowed } };
  return (await lighthouse(address + path, { port: chrome.port, output: 'json', extraHeaders: { Cookie } }, { ...defaultConfig, settings })).lhr;
};

async function measure(what, path, Cookie) {
  // The server's own first answers are not the page's.
  await look(path, Cookie, 1);
  for (const slowed of [4, 2]) {
    const reports = [];
    for (let run = 0; run < Number(runs); run++) reports.push(await look(path, Cookie, slowed));
    const [first] = reports;
    const score = (category) => reports.map((r) => r.categories[category].score ?? 'not scored').sort();
    const middle = (audit) => `${Math.round(median(reports.map((r) => r.audits[audit].numericValue ?? NaN)))} ms`;
    const scripts = first.audits['network-requests'].details.items.filter((item) => item.resourceType === 'Script');
    console.log(
      `${what}, slowed ${slowed} times (index of the machine ${Math.round(median(reports.map((r) => r.environment.benchmarkIndex)))}): performance ${score('performance').join(', ')}; others ${['accessibility', 'best-practices', 'seo'].map((c) => `${c} ${score(c)[0]}`).join(', ')};`,
      `in the middle first paint ${middle('first-contentful-paint')}, largest ${middle('largest-contentful-paint')}, blocked ${middle('total-blocking-time')}; ${scripts.length} scripts of ${Math.round(scripts.reduce((sum, item) => sum + item.transferSize, 0) / 1000)} kB`,
    );
    for (const audit of Object.values(first.audits).filter((a) => a.score !== null && a.score < 1 && a.scoreDisplayMode === 'binary')) console.log(`  ${audit.id}: ${audit.title}`);
  }
}

await measure('keeper', '/', cookie);
await measure('fit', `/dogs/${dog.id}/fit`, fitter);
await chrome.kill();
await close();
