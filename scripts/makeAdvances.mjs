// Makes src/core/section/labels/labelAdvances.json: advance widths of the shipped type at the cut used for labels,
// measured in the browser, so that labels can be spread without one. Run again when the type changes.
import fs from 'node:fs';
import { chromium } from '@playwright/test';
import { BROWSER } from '../tests/browser/chromium.mjs';

const file = fs.readFileSync(
  'node_modules/@fontsource-variable/open-sans/files/open-sans-latin-standard-normal.woff2',
);
const characters =
  Array.from({ length: 95 }, (_, index) => String.fromCharCode(32 + index)).join('') +
  '·–—±µ°’“”…\u00a0éèöüäåøæ';
const browser = await chromium.launch(BROWSER);
const page = await browser.newPage();
await page.setContent(`<style>@font-face{font-family:T;src:url(data:font/woff2;base64,${file.toString('base64')});font-weight:300 800;font-stretch:75% 100%}
span{font-family:T;font-stretch:87.5%;font-size:200px;white-space:pre;position:absolute}</style><span>x</span>`);
await page.evaluate(() => document.fonts.load('400 20px T'));
const widths = await page.evaluate((all) => {
  const span = document.querySelector('span');
  const measure = (weight, text) => {
    span.style.fontWeight = weight;
    span.textContent = text;
    return span.getBoundingClientRect().width / 200;
  };
  return Object.fromEntries(
    [400, 650].map((weight) => [
      weight,
      Object.fromEntries(
        [...all].map((c) => [c, Number((measure(weight, `n${c}n`) - measure(weight, 'nn')).toFixed(4))]),
      ),
    ]),
  );
}, characters);
await browser.close();
fs.writeFileSync('src/core/section/labels/labelAdvances.json', `${JSON.stringify(widths)}\n`);
