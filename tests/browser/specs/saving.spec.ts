import { expect, type Page, test } from '@playwright/test';
import { setSeats, sharedCampus } from '../campus';
import { Workbench } from '../workbench';
import { OwnServer } from '../ownServer';

const notSaved = (page: Page) => page.getByRole('alert').filter({ hasText: 'Not saved yet' });

test.describe('with a server that stops', () => {
  let server: OwnServer;
  test.beforeEach(async () => {
    server = await OwnServer.start();
  });
  test.afterEach(() => server.stop());

  test('a change survives the stop, a change of place, and a reload, and is saved when the server is back', async ({
    page,
  }) => {
    await page.goto(server.address);
    const workbench = new Workbench(page);
    await workbench.add('TID 210');
    await page.getByRole('link', { name: 'Catalogue' }).click();
    await page.getByRole('link', { name: 'Workbench' }).click();
    await expect(workbench.classes.first()).toBeVisible();

    await server.stop();
    await workbench.press('Friday', 9);
    await workbench.moveTo('Friday', 11);
    await page.mouse.up();
    await expect(notSaved(page)).toContainText('First sketch');
    await expect(workbench.blocks).toHaveCount(1);
    await expect(page.getByRole('status').filter({ hasText: /^Not saved$/ })).toBeVisible();

    // Another place says so too, and coming back shows the change.
    await page.getByRole('link', { name: 'Catalogue' }).click();
    await expect(page.getByRole('heading', { name: /^Catalogue/ })).toBeAttached();
    await expect(notSaved(page)).toBeVisible();
    await page.getByRole('link', { name: 'Workbench' }).click();
    await expect(workbench.line('Can’t: Fri 9:00–11:00')).toBeVisible();

    // The page is loaded again while what is saved there is older.
    await server.start();
    await page.route('**/api/sketches/**', (route) => route.abort());
    await page.reload();
    await expect(workbench.blocks).toHaveCount(1);
    await expect(notSaved(page)).toBeVisible();

    await page.unroute('**/api/sketches/**');
    await notSaved(page).getByRole('button', { name: 'Try again' }).click();
    await workbench.saved();
    await expect(notSaved(page)).toHaveCount(0);
    await page.reload();
    await expect(workbench.blocks).toHaveCount(1);
    await expect(notSaved(page)).toHaveCount(0);
  });

  test('a change is sent by itself once the server is back', async ({ page }) => {
    await page.goto(server.address);
    const workbench = new Workbench(page);
    await workbench.add('TID 210');
    await server.stop();
    await workbench.press('Friday', 9);
    await workbench.moveTo('Friday', 11);
    await page.mouse.up();
    await expect(notSaved(page)).toBeVisible();
    await server.start();
    await expect(notSaved(page)).toHaveCount(0);
    await workbench.saved();
  });

  test('a failed change of the line-up is shown, told, and saved later', async ({ page }) => {
    await page.goto(server.address);
    const workbench = new Workbench(page);
    await workbench.add('TID 210');
    await page.keyboard.press('s');
    await expect(workbench.shortlistButton).toContainText('1');
    await workbench.saved();
    await server.stop();
    await page.keyboard.press('l');
    await expect(notSaved(page)).toContainText('line-up and choice');
    await expect(page.getByRole('link', { name: 'Line-up 1' })).toBeVisible();
    await server.start();
    await expect(notSaved(page)).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('link', { name: 'Line-up 1' })).toBeVisible();
  });
});

test('a change to one sketch that is not saved survives the opening of another', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await workbench.sketchMenu('Copy this sketch');
  await expect(workbench.sketchName).toHaveText('First sketch, copy');
  await page.route('**/api/sketches/*', (route) => route.abort());
  await workbench.press('Friday', 9);
  await workbench.moveTo('Friday', 11);
  await page.mouse.up();
  await expect(notSaved(page)).toContainText('First sketch, copy');
  await workbench.sketchName.click();
  await page.getByRole('menuitemradio', { name: 'First sketch', exact: true }).click();
  await expect(workbench.sketchName).toHaveText('First sketch');
  await expect(workbench.blocks).toHaveCount(0);
  await expect(notSaved(page)).toContainText('First sketch, copy');
  await page.unroute('**/api/sketches/*');
  await expect(notSaved(page)).toHaveCount(0);
  await workbench.sketchName.click();
  await page.getByRole('menuitemradio', { name: 'First sketch, copy', exact: true }).click();
  await expect(workbench.blocks).toHaveCount(1);
});

test('a cookie that expires takes no change along: it is kept in a new sketch', async ({ page, context }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await context.clearCookies();
  await workbench.press('Friday', 9);
  await workbench.moveTo('Friday', 11);
  await page.mouse.up();
  await expect(page.getByRole('alert')).toContainText('is in a new sketch of that name');
  await expect(workbench.blocks).toHaveCount(1);
  await workbench.saved();
  await page.reload();
  await expect(workbench.wanted.getByText('TID 210')).toBeVisible();
  await expect(workbench.blocks).toHaveCount(1);
});

test('what was undone before it was sent can be done again', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.route('**/api/sketches/**', (route) => route.abort());
  await workbench.press('Friday', 9);
  await workbench.moveTo('Friday', 11);
  await page.mouse.up();
  await expect(notSaved(page)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(workbench.blocks).toHaveCount(0);
  await expect(notSaved(page)).toHaveCount(0);
  await page.unroute('**/api/sketches/**');
  await page.keyboard.press('Control+Shift+z');
  await expect(workbench.blocks).toHaveCount(1);
  await workbench.saved();
});

test('an edit asks for nothing that is known', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 120');
  const asked: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    // Where a count takes long, it is estimated meanwhile.
    if (pathname.startsWith('/api/') && pathname !== '/api/terms' && !pathname.endsWith('/at-once'))
      asked.push(`${request.method()} ${pathname.split('/')[2]} ${pathname.split('/').at(-1)}`);
  });
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('sat 8-9');
  await page.keyboard.press('Enter');
  await workbench.saved();
  await expect.poll(() => asked.some((one) => one.endsWith('standings'))).toBe(true);
  await page.waitForLoadState('networkidle');
  expect(asked.filter((one) => one.startsWith('PUT sketches'))).toHaveLength(1);
  expect(asked.filter((one) => !one.startsWith('PUT sketches')).sort()).toEqual([
    'POST answers costs',
    'POST answers standings',
    'POST answers week-shapes',
  ]);
});

test('a sketch deleted can be had back after seats changed', async ({ page, context, baseURL }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await workbench.sketchMenu('Delete this sketch');
  const deleted = page.getByText('“First sketch” is deleted.');
  await expect(deleted).toBeVisible();
  await page.getByRole('link', { name: 'Catalogue' }).click();
  // One that no other test counts timetables of: all share the server, and its seats.
  await page.getByRole('searchbox', { name: 'Find courses' }).fill('Markets and Harbours');
  await page.locator('[data-result]').first().click();
  await setSeats(await context.newPage(), sharedCampus(baseURL!), '10623', 61, 46);
  await expect(page.getByText('15 of 61 seats left')).toBeVisible();
  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(deleted).toBeVisible();
});
