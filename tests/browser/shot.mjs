import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const p = await (await b.newContext({ viewport: { width: 390, height: 844 } })).newPage();
const round = await (await fetch('http://127.0.0.1:5099/api/round?count=99')).json();
const of = (n) => round.cards.find((c) => c.name === n).id;
await p.goto(`http://127.0.0.1:5099/dogs/${of(process.argv[2] ?? 'Sorrel')}/wear`);
await p.getByRole('button', { name: 'Put on now' }).waitFor();
await p.screenshot({ path: '/tmp/w1.png' });
if (await p.getByRole('button', { name: 'Put on now' }).isEnabled()) {
  await p.getByRole('button', { name: 'Put on now' }).click();
  await p.waitForTimeout(1200);
  await p.screenshot({ path: '/tmp/w2.png' });
  await p.getByRole('button', { name: /Gums/ }).click();
  await p.waitForTimeout(400);
  await p.screenshot({ path: '/tmp/w3.png' });
  await p.getByRole('button', { name: 'Stop' }).click();
  await p.waitForTimeout(1500);
  await p.screenshot({ path: '/tmp/w4.png' });
}
await b.close();
