import { chromium } from '@playwright/test';
import { launchOptions } from './chromium.mjs';
const b = await chromium.launch(launchOptions);
const A='http://127.0.0.1:5099';
const { cards } = await (await fetch(A+'/api/round?count=99')).json();
const id = (n) => cards.find((c) => c.name === n).id;
const list = JSON.parse(process.argv[2]);
for (const [name, dog, path, w, h, scheme, lang] of list) {
  const p = await b.newPage({ viewport: { width: w, height: h }, reducedMotion: 'reduce' });
  await p.addInitScript(([s,l]) => { localStorage.setItem('jaunty-badge.scheme', s); localStorage.setItem('jaunty-badge.language', l); }, [scheme, lang]);
  await p.goto(A + (dog ? `/dogs/${id(dog)}${path}` : path));
  await p.waitForLoadState('networkidle');
  await p.waitForTimeout(300);
  await p.screenshot({ path: `/tmp/shots/${name}.png` });
  await p.close();
}
await b.close();
