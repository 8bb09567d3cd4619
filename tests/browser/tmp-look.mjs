import { chromium } from '@playwright/test';
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'.split(
    ' ',
  ),
});
const opts = JSON.parse(process.env.OPTS ?? '{}');
const ctx = await b.newContext({ viewport: { width: 1280, height: 800 }, ...opts });
const p = await ctx.newPage();
p.on('console', (m) => {
  if (!['log', 'debug', 'info'].includes(m.type())) console.log('CONSOLE', m.type(), m.text());
});
p.on('pageerror', (e) => console.log('PAGEERROR', e.message));
await p.goto('http://127.0.0.1:5099/');
await p.getByText('Start with a course').waitFor();
const add = async (list) => {
  await p.keyboard.press('/');
  for (const c of list) {
    await p.keyboard.type(c);
    await p.keyboard.press('Enter');
    await p
      .getByLabel('Wanted courses')
      .getByText(c.toUpperCase().slice(0, 3) + ' ' + c.slice(-3))
      .waitFor();
  }
  await p.keyboard.press('Escape');
  await p.waitForTimeout(500);
};
const shot = (n) => p.screenshot({ path: `/tmp/shots/${n}.png` });
const steps = await import(process.env.STEPS);
await steps.default({ p, add, shot, ctx });
await b.close();
