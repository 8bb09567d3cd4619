import { expect, test } from '@playwright/test';
import { Desk } from '../desk';
import { Finder } from '../finder';

test('a first visit begins with one press, which can be undone', async ({ page }) => {
  const desk = await Desk.open(page);
  await page.getByRole('button', { name: 'Third year, Coastal science' }).click();
  await expect(desk.wanted.getByText('TID 210', { exact: true })).toBeVisible();
  await expect(desk.line('Can’t: Wed 13:00–17:00, Boatyard shift')).toBeVisible();
  await expect(desk.title).toHaveText(/week shape/);
  expect(await desk.count()).toBeGreaterThan(0);
  await desk.saved();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await expect(desk.wanted.locator('[data-course]')).toHaveCount(0);
});

test('where none is possible the nearest week is shown faintly, and taken by one press', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'GLZ 233', 'GLZ 234', 'WRT 101', 'CAR 305');
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  await expect(page.getByText('The nearest week stands faintly on the grid.')).toContainText(
    'It goes against “',
  );
  await expect(
    desk.grid.getByRole('button', { name: /of the nearest week, goes against what you ask$/ }).first(),
  ).toBeVisible();
  await expect(desk.grid.getByRole('button', { name: /of the nearest week$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take this week' }).click();
  await expect.poll(() => desk.count()).toBeGreaterThan(0);
  await expect(desk.grid.getByRole('button', { name: /of the nearest week/ })).toHaveCount(0);
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
