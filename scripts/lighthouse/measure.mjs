import { chromium } from '@playwright/test';
import lighthouse, { desktopConfig } from 'lighthouse';

const ADDRESS = process.env.ESCALIER_BENCH_ADDRESS ?? '';
const PORT = 9333;

/** Lighthouse's own judgement of the screens that are opened on a poor network: a JSON line each. */
const browser = await chromium.launch({
  executablePath: process.env.ESCALIER_BENCH_CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--no-first-run',
    '--disable-background-networking',
    `--remote-debugging-port=${PORT}`,
  ],
});
const context = await browser.newContext();
const page = await context.newPage();
await page.goto(`${ADDRESS}/sign-in`);
await page.getByRole('button', { name: 'Open the demo school' }).click();
await page.getByRole('heading', { name: 'Classes' }).waitFor();
const classes = await (await context.request.get(`${ADDRESS}/api/classes`)).json();
const Cookie = (await context.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
await context.close();

const id = classes[0].id;
const SCREENS = {
  'sign-in': '/sign-in',
  classes: '/classes',
  class: `/classes/${id}`,
  hearing: `/classes/${id}/hear`,
  library: '/tunes',
};
for (const [name, path] of Object.entries(SCREENS)) {
  for (const device of ['mobile', 'desktop']) {
    const flags = {
      port: PORT,
      onlyCategories: ['performance', 'accessibility'],
      extraHeaders: name === 'sign-in' ? {} : { Cookie },
    };
    const result = await lighthouse(`${ADDRESS}${path}`, flags, device === 'desktop' ? desktopConfig : undefined);
    const { categories, audits } = result.lhr;
    const score = (id) => Math.round((categories[id]?.score ?? 0) * 100);
    const figure = (id) => Math.round(audits[id]?.numericValue ?? 0);
    console.log(
      JSON.stringify({
        name: `lighthouse-${name}`,
        device,
        performance: score('performance'),
        accessibility: score('accessibility'),
        fcpMs: figure('first-contentful-paint'),
        lcpMs: figure('largest-contentful-paint'),
        blockedMs: figure('total-blocking-time'),
        shift: audits['cumulative-layout-shift']?.numericValue,
        kB: Math.round(figure('total-byte-weight') / 1024),
      }),
    );
  }
}
await browser.close();
