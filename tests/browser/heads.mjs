// A sheet of the heads of all breeds, as they are drawn. Called by screenshots.mjs; by itself: node heads.mjs ADDRESS FILE [FIRST [COUNT [COLUMNS]]], to look at some of them large.
import { chromium } from '@playwright/test';
import { fileURLToPath } from 'node:url';
import { launchOptions } from './chromium.mjs';

/** Takes the sheet. */
export async function headsOfBreeds(browser, address, file, { first = 0, count = 1000, columns = 14 } = {}) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(address);
  const breeds = (await (await page.request.get(`${address}/api/breeds`)).json()).slice(first, first + count);
  await page.evaluate(
    ({ shown, across }) => {
      document.body.innerHTML = `<div id="sheet" style="display:grid;grid-template-columns:repeat(${across},1fr);gap:6px;padding:10px;background:#f4f0e6;width:1280px">${shown
        .map(
          ({ id, name }) =>
            `<figure style="margin:0;text-align:center"><img src="/api/breeds/${id}/head.svg" style="width:100%;height:${Math.round(820 / across)}px;object-fit:contain"><figcaption style="font-size:${across > 8 ? 8 : 13}px;line-height:1.1;color:#16352f">${name}</figcaption></figure>`,
        )
        .join('')}</div>`;
    },
    { shown: breeds, across: columns },
  );
  await page.waitForFunction(() => [...document.images].every((image) => image.complete));
  await page.locator('#sheet').screenshot({ path: file });
  await page.close();
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [address, file, ...numbers] = process.argv.slice(2);
  const [first, count, columns] = numbers.map(Number);
  const browser = await chromium.launch(launchOptions);
  await headsOfBreeds(browser, address, file, { first, count, columns });
  await browser.close();
}
