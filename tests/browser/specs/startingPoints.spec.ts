import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';
import { Finder } from '../finder';

test('a first visit begins with one press, which can be undone', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await page.getByRole('button', { name: 'Third year, Coastal science' }).click();
  await expect(workbench.wanted.getByText('TID 210', { exact: true })).toBeVisible();
  await expect(workbench.line('Can’t: Wed 13:00–17:00, Boatyard shift')).toBeVisible();
  await expect(workbench.title).toHaveText(/week shape/);
  expect(await workbench.count()).toBeGreaterThan(0);
  await workbench.saved();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await expect(workbench.wanted.locator('[data-course]')).toHaveCount(0);
});

test('where none is possible the nearest week is shown faintly, and taken by one press', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220', 'GLZ 233', 'GLZ 234', 'WRT 101', 'CAR 305');
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  await expect(page.getByText('The nearest week stands faintly on the grid.')).toContainText(
    'It goes against “',
  );
  await expect(
    workbench.grid.getByRole('button', { name: /of the nearest week, goes against what you ask$/ }).first(),
  ).toBeVisible();
  await expect(workbench.grid.getByRole('button', { name: /of the nearest week$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take this week' }).click();
  await expect.poll(() => workbench.count()).toBeGreaterThan(0);
  await expect(workbench.grid.getByRole('button', { name: /of the nearest week/ })).toHaveCount(0);
});

test('subjects are found by their names, and one press lists all they offer', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.box.fill('acoustics');
  await expect(finder.status).toHaveText(/^5 courses/);
  for (const text of await finder.rows.allTextContents()) expect(text).toMatch(/^ACO/);
  await finder.box.fill('');
  await page
    .getByRole('navigation', { name: 'Subjects' })
    .getByRole('button', { name: /^GLZ Glass and Ceramics/ })
    .click();
  await expect(finder.status).toHaveText(/^6 courses/);
  await finder.rows.first().click();
  await expect(page.getByRole('button', { name: 'GLZ Glass and Ceramics' }).last()).toBeVisible();
});
