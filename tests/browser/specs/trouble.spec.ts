import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';

test('a change that cannot be sent stays in view, and is saved on another try', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.route('**/api/sketches/**', (route) => route.abort());
  await workbench.press('Friday', 9);
  await workbench.moveTo('Friday', 11);
  await page.mouse.up();
  const notice = page.getByRole('alert');
  await expect(notice).toContainText('Not saved yet');
  await expect(workbench.blocks).toHaveCount(1);

  // Undo takes back just what was not saved, though the server is away.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(notice).toHaveCount(0);
  await expect(workbench.blocks).toHaveCount(0);
  await expect(workbench.wanted.getByText('TID 210')).toBeVisible();
  await workbench.press('Friday', 9);
  await workbench.moveTo('Friday', 11);
  await page.mouse.up();
  await expect(notice).toContainText('Not saved yet');

  await page.unroute('**/api/sketches/**');
  await notice.getByRole('button', { name: 'Try again' }).click();
  await workbench.saved();
  await expect(notice).toHaveCount(0);
  await page.reload();
  await expect(workbench.blocks).toHaveCount(1);
});

test('a change that was saved though the word of it was lost is not called lost', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  let lost = 0;
  await page.route('**/api/sketches/**', async (route) => {
    if (lost++ > 0) return route.fallback();
    await route.fetch();
    await route.abort();
  });
  await workbench.drag('Friday', 9, 11);
  await workbench.saved();
  expect(lost).toBeGreaterThan(1);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.reload();
  await expect(workbench.blocks).toHaveCount(1);
});

test('an ask that cannot be answered leaves the answer before in view', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const before = await workbench.count();
  await page.route('**/api/**', (route) => route.abort());
  await workbench.press('Friday', 9);
  await workbench.moveTo('Friday', 11);
  const strip = page.getByRole('main').getByRole('alert');
  await expect(strip).toContainText('Not answered');
  expect(await workbench.count()).toBe(before);
  // The drag goes on under it.
  await workbench.moveTo('Friday', 12);
  await expect(workbench.blocks).toHaveAccessibleName(/9:00–12:00/);
  await page.unroute('**/api/**');
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(strip).toHaveCount(0);
});

test('two windows: the second sees what the first saved, and neither loses an edit', async ({
  page,
  context,
}) => {
  const first = await Workbench.open(page);
  await first.add('TID 210');
  const otherPage = await context.newPage();
  await otherPage.goto('/');
  const second = new Workbench(otherPage);
  await expect(second.wanted.getByText('TID 210')).toBeVisible();

  await first.add('ACO 220');
  await expect(second.wanted.getByText('ACO 220')).toBeVisible();

  // The second changes an older version: what came between stays, and its own change is made on top.
  let letGo = () => {};
  const until = new Promise<void>((resolve) => (letGo = resolve));
  let held = 0;
  await otherPage.route('**/api/sketches/**', async (route) => {
    held++;
    await until;
    await route.continue();
  });
  await otherPage.keyboard.press('/');
  await otherPage.keyboard.type('LOG 118');
  await otherPage.keyboard.press('Enter');
  await expect.poll(() => held).toBe(1);
  await first.drag('Friday', 9, 11);
  letGo();
  await second.saved();
  await expect(second.wanted.getByText('LOG 118')).toBeVisible();
  await expect(second.blocks).toHaveCount(1);
  await expect(first.wanted.getByText('LOG 118')).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(otherPage.getByRole('alert')).toHaveCount(0);
});

test('a page that cannot be served says so and can be tried again', async ({ page }) => {
  await page.route('**/api/terms', (route) => route.abort());
  await page.goto('/');
  await expect(page.getByRole('alert')).toContainText('cannot be reached');
  await page.unroute('**/api/terms');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
});

test('a term that is not there is named', async ({ page }) => {
  await page.goto('/1999XX/workbench');
  await expect(page.getByRole('alert')).toContainText('1999XX');
});

test('what a student types is shown as text and run as nothing', async ({ page }) => {
  const workbench = await Workbench.open(page);
  const asked: string[] = [];
  page.on('dialog', (dialog) => {
    asked.push(dialog.message());
    void dialog.dismiss();
  });
  const form = await workbench.takeHoursOut();
  await form.getByRole('button', { name: 'Monday' }).click();
  await form.getByRole('textbox', { name: 'From' }).fill('9');
  await form.getByRole('textbox', { name: 'To' }).fill('15');
  const label = '<img src=x onerror=alert(1)> "shift" & more';
  await form.getByRole('textbox', { name: 'What it is' }).fill(label);
  await page.keyboard.press('Enter');
  await expect(workbench.rules.getByText(label)).toBeVisible();
  expect(asked).toEqual([]);
});

test('a course nobody offers is said not to be there', async ({ page }) => {
  await Workbench.open(page);
  await page.keyboard.press('/');
  await page.keyboard.type('zebra');
  await expect(
    page.getByText('No course of this term has “zebra” in its code, title or subject.'),
  ).toBeVisible();
});
