import { chromium } from '@playwright/test';
const [url, out, size = '1280x800', scheme = 'light', ...acts] = process.argv.slice(2);
const [width, height] = size.split('x').map(Number);
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync'] });
const p = await b.newPage({ viewport: { width, height } });
p.on('console', m => m.type() === 'error' && console.log('console:', m.text()));
p.on('pageerror', e => console.log('pageerror:', e.message));
await p.addInitScript(s => localStorage.setItem('jaunty-badge.scheme', s), scheme);
await p.goto(url); await p.waitForLoadState('networkidle'); await p.waitForTimeout(600);
for (const a of acts) { await eval(`(async()=>{${a}})()`); await p.waitForTimeout(400); }
await p.screenshot({ path: out, fullPage: process.env.FULL === '1' });
console.log(p.url()); await b.close();
