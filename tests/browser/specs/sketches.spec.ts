import { expect, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { Workbench } from '../workbench';

test('several sketches: new, copied, renamed, chosen, compared, deleted and had back', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const both = await workbench.count();

  await workbench.sketchMenu('Copy this sketch');
  await expect(workbench.sketchName).toHaveText('First sketch, copy');
  await expect(page.getByText('sketch 2 of 2')).toBeVisible();
  await expect.poll(() => workbench.count()).toBe(both);
  await workbench.sketchMenu('Rename…');
  await page.getByRole('textbox', { name: 'Name' }).fill('With the evening job');
  await page.keyboard.press('Enter');
  await expect(workbench.sketchName).toHaveText('With the evening job');
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('tue thu 17-21 job');
  await page.keyboard.press('Enter');
  await expect.poll(() => workbench.count()).toBeLessThan(both);
  const evening = await workbench.count();
  await workbench.saved();

  await workbench.sketchMenu('New sketch…');
  await page.getByRole('textbox', { name: 'Name' }).fill('Only maps');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await expect(page.getByText('sketch 3 of 3')).toBeVisible();

  await workbench.sketchMenu('Compare sketches…');
  const dialog = page.getByRole('dialog', { name: 'Sketches of this term' });
  await expect(dialog.getByRole('row', { name: /First sketch/ })).toContainText(String(both));
  const row = dialog.getByRole('row', { name: /With the evening job/ });
  await expect(row).toContainText(String(evening));
  await expect(row).toContainText(/days? with class/);
  await row.getByRole('button', { name: 'Open' }).click();
  await expect(workbench.sketchName).toHaveText('With the evening job');
  await expect.poll(() => workbench.count()).toBe(evening);

  await workbench.sketchMenu('Move up in the list');
  await expect(page.getByText('sketch 1 of 3')).toBeVisible();
  await page.reload();
  await expect(workbench.sketchName).toHaveText('With the evening job');
  await expect(page.getByText('sketch 1 of 3')).toBeVisible();

  await workbench.sketchMenu('Delete this sketch');
  await expect(page.getByText('“With the evening job” is deleted.')).toBeVisible();
  await expect(page.getByText('sketch 2 of 2').or(page.getByText('sketch 1 of 2'))).toBeVisible();
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(workbench.sketchName).toHaveText('With the evening job');
  await expect.poll(() => workbench.count()).toBe(evening);

  // Also after the word of it is gone.
  await workbench.sketchMenu('Delete this sketch');
  await expect(workbench.sketchName).not.toHaveText('With the evening job');
  await page.reload();
  await workbench.sketchMenu('Bring back “With the evening job”');
  await expect(workbench.sketchName).toHaveText('With the evening job');
});

test('as many sketches as are kept: the menu shows the one that is open and reaches all, and there is no room for more', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  const ask = { format: 'hour-grid-ask', version: 1, term: '2027SP', wanted: [] };
  const make = async (name: string) =>
    expect(
      (await page.request.post('/api/terms/2027SP/sketches', { data: { name, ask, shortlist: [] } })).ok(),
    ).toBe(true);
  for (let i = 2; i <= 50; i++) await make(`Sketch number ${i}`);
  await page.reload();
  await expect(page.getByText('sketch 50 of 50')).toBeVisible();

  await page.getByRole('button', { name: 'Sketch: Sketch number 50. Change' }).click();
  await expect(page.getByRole('menuitemradio', { name: 'Sketch number 50' })).toBeInViewport();
  await expect(page.getByRole('menuitem', { name: 'Delete this sketch' })).toBeInViewport();
  await expectNoFaults(page);
  await page.keyboard.press('Home');
  await expect(page.getByRole('menuitemradio', { name: 'First sketch' })).toBeInViewport();
  await page.keyboard.press('Escape');

  // What Undo was answered is also there once the sketch that is open next has come.
  let openNext = () => {};
  const mayOpen = new Promise<void>((resolve) => (openNext = resolve));
  await page.route('**/api/terms/2027SP/sketch', async (route) => {
    await mayOpen;
    await route.continue();
  });
  await workbench.sketchMenu('Delete this sketch');
  await expect(page.getByText('“Sketch number 50” is deleted.')).toBeVisible();
  await make('In its place');
  const refused = page.waitForResponse(
    (response) => response.url().endsWith('/choose') && response.status() === 422,
  );
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await refused;
  openNext();
  await expect(workbench.sketchName).toHaveText('In its place');
  await expect(page.getByText('You have 50 sketches of this term, and no more are kept.')).toBeVisible();
});

test('on a phone a deleted sketch is told of and had back', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const workbench = await Workbench.open(page);
  await page.getByRole('button', { name: 'Courses and rules' }).click();
  await workbench.sketchMenu('Delete this sketch');
  await expect(page.getByRole('dialog', { name: 'Courses and rules' })).toBeHidden();
  await expect(page.getByText('“First sketch” is deleted.')).toBeInViewport();
  await expectNoFaults(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('“First sketch” is deleted.')).toBeHidden();
  await page.getByRole('button', { name: 'Courses and rules' }).click();
  await expect(workbench.sketchName).toHaveText('First sketch');
});

test('each sketch remembers its place, and a name can be undone', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  for (let step = 0; step < 4; step++) await page.keyboard.press('ArrowRight');
  await expect.poll(() => workbench.number()).toBe(5);
  const there = await workbench.sections();
  await workbench.sketchMenu('New sketch…');
  await page.getByRole('textbox', { name: 'Name' }).fill('Another');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await page.getByRole('button', { name: /^Sketch: / }).click();
  await page.getByRole('menuitemradio', { name: 'First sketch' }).click();
  await expect.poll(() => workbench.number()).toBe(5);
  expect(await workbench.sections()).toEqual(there);

  await workbench.sketchMenu('Rename…');
  await page.getByRole('textbox', { name: 'Name' }).fill('Renamed');
  await page.keyboard.press('Enter');
  await expect(workbench.sketchName).toHaveText('Renamed');
  await workbench.saved();
  await page.keyboard.press('Control+z');
  await expect(workbench.sketchName).toHaveText('First sketch');
});
