// Draws the icons of an installed product from web/public/badge.svg: node tests/browser/icons.mjs
import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { launchOptions } from './chromium.mjs';

const svg = readFileSync(new URL('../../web/public/badge.svg', import.meta.url)).toString('base64');
const browser = await chromium.launch(launchOptions);
for (const size of [192, 512]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  // A fifth around it may be cut into any shape.
  const edge = Math.round(size * 0.1);
  await page.setContent(
    `<body style="margin:0;background:#f6f1e7"><img style="width:${size - 2 * edge}px;margin:${edge}px" src="data:image/svg+xml;base64,${svg}"></body>`,
  );
  await page.screenshot({ path: new URL(`../../web/public/icon-${size}.png`, import.meta.url).pathname });
}
await browser.close();
