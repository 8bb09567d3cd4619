import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';

test('a place that breaks says so and takes nothing along', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  // An answer that no version of the server gives.
  await page.route('**/search?**', (route) =>
    route.fulfill({ json: { total: 1, matches: 1, courses: [{}] } }),
  );
  await page.getByRole('link', { name: 'Catalogue' }).click();
  const broken = page.getByRole('alert').filter({ hasText: 'The Catalogue broke.' });
  await expect(broken).toContainText('Nothing you did is lost');
  // The other places go on.
  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(workbench.wanted.getByText('TID 210')).toBeVisible();
  await page.getByRole('link', { name: 'Catalogue' }).click();
  await expect(broken).toBeVisible();
  await page.unroute('**/search?**');
  await broken.getByRole('button', { name: 'Load the page again' }).click();
  await expect(page.locator('[data-result]').first()).toBeVisible();
});

test('a place whose file is gone since a newer version was deployed is had by loading the page once more', async ({
  page,
}) => {
  let isGone = true;
  await page.route('**/assets/Registration-*.js', (route) =>
    isGone ? route.fulfill({ status: 404 }) : route.continue(),
  );
  await Workbench.open(page);
  // The page as it is served now names another script.
  await page.route('**/', async (route) => {
    if (route.request().resourceType() === 'document') return route.continue();
    const served = await route.fetch();
    await route.fulfill({
      response: served,
      body: (await served.text()).replace(/index-[\w-]+\.js/, 'index-newer.js'),
    });
    isGone = false;
  });
  await page.getByRole('link', { name: 'Registration' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing is chosen yet' })).toBeVisible();
});

test('a place whose file cannot be had says so', async ({ page }) => {
  await page.route('**/assets/Registration-*.js', (route) => route.abort());
  await Workbench.open(page);
  await page.getByRole('link', { name: 'Registration' }).click();
  await expect(page.getByRole('alert')).toContainText('The Registration broke.');
  await expect(page.getByRole('alert')).toContainText('this part could not be loaded');
});

test('the sheet fetches what is in view, and a page that fails can be tried again', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('WRT 101', 'LOG 118', 'MTH 120', 'ACO 120');
  expect(await workbench.shapes()).toBeGreaterThan(100);
  const asked: number[] = [];
  let fails = false;
  await page.route('**/api/answers/week-shapes', async (route) => {
    asked.push((route.request().postDataJSON() as { first: number }).first);
    await (fails ? route.abort() : route.continue());
  });
  await page.keyboard.press('a');
  const sheet = page.getByRole('dialog', { name: 'All week shapes' });
  await expect(sheet.getByRole('button', { name: /^N° 1,/ })).toBeVisible();
  expect(asked.length).toBeLessThanOrEqual(2);

  fails = true;
  await sheet.getByRole('button', { name: 'Friday' }).click();
  const notice = sheet.getByRole('alert');
  await expect(notice).toContainText('Not all week shapes could be fetched.');
  fails = false;
  await notice.getByRole('button', { name: 'Try again' }).click();
  await expect(notice).toHaveCount(0);
  await expect(sheet.getByRole('status')).toHaveText(/^\d+ week shapes? of /);
});

test('numbers are copied on pages that came over plain HTTP too', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toContainText('1');
  await page.getByRole('link', { name: 'Registration' }).click();
  await page.getByRole('button', { name: 'Choose a timetable' }).click();
  await page.getByRole('menuitem').first().click();
  // Browsers keep the clipboard from such pages.
  await page.evaluate(() => {
    const clipboard = navigator.clipboard;
    Object.defineProperty(navigator, 'clipboard', { value: undefined, configurable: true });
    Object.assign(window, { readBack: () => clipboard.readText() });
  });
  const copy = page.getByRole('button', { name: /^Copy all \d+ numbers$/ });
  const count = Number(/\d+/.exec((await copy.textContent())!)![0]);
  await copy.click();
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible();
  const copied = await page.evaluate(() =>
    (window as unknown as { readBack: () => Promise<string> }).readBack(),
  );
  expect(copied.split('\n')).toHaveLength(count);
  for (const number of copied.split('\n')) expect(number).toMatch(/^\d{5}$/);
});
