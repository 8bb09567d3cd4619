import { expect, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { Workbench } from '../workbench';

test('axe finds nothing in any state, in either theme', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await expectNoFaults(page);

  await page.keyboard.press('/');
  await page.keyboard.type('tid');
  await expect(page.getByRole('option').first()).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');

  await workbench.add('TID 210', 'ACO 220', 'GLZ 233', 'ROB 101');
  await expectNoFaults(page);

  await workbench.wanted.getByRole('button', { name: 'TID 210: Must. Change' }).click();
  await expect(page.getByRole('menu')).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');

  await workbench.takeHoursOut();
  await page.getByRole('button', { name: 'Take these hours out' }).click();
  await expect(page.getByText('Choose at least one day.')).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');

  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');

  await workbench.course('TID 210').click();
  await expect(page.getByRole('list', { name: 'Sections of TID 210' })).toContainText('in ');
  await page.getByRole('button', { name: 'labs', exact: true }).click();
  await workbench.class('ACO 220', 'Lecture').focus();
  await expectNoFaults(page);
  await workbench.class('ACO 220', 'Lecture').click();
  await expect(page.getByRole('heading', { name: 'Move to' })).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('h');
  await expectNoFaults(page);
  await page.keyboard.press('h');
  await workbench.course('TID 210').click();

  await workbench.addRule('Credits');
  await workbench
    .line('12 to 18 credits')
    .getByRole('button', { name: '12 to 18 credits', exact: true })
    .click();
  await workbench.addRule('A break');
  await expectNoFaults(page);
  await page.getByRole('button', { name: 'Add the break' }).click();
  await workbench.line('12 to 18 credits').getByRole('checkbox').click();
  await expectNoFaults(page);

  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'What to do' })).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');
  await page.keyboard.press('a');
  await expect(page.getByRole('dialog', { name: 'All week shapes' }).getByRole('status')).toContainText(
    'week',
  );
  await expectNoFaults(page);
  await page.keyboard.press('Escape');
  await workbench.sketchMenu('Copy this sketch');
  await expect(workbench.sketchName).toHaveText('First sketch, copy');
  await workbench.sketchMenu('Compare sketches…');
  await expect(page.getByRole('row', { name: /First sketch, copy/ })).toContainText('with class');
  await expectNoFaults(page);
  await page.keyboard.press('Escape');

  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'])
    await workbench.drag(day, 8, 21);
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  await expectNoFaults(page);
});

test('on a phone every task can be done', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const workbench = await Workbench.open(page);
  await page.getByRole('button', { name: 'Add a course' }).click();
  const sheet = page.getByRole('dialog', { name: 'Courses and rules' });
  await sheet.getByRole('combobox').fill('TID 210');
  await sheet.getByRole('option', { name: /TID 210/ }).click();
  await expect(workbench.wanted.getByText('TID 210')).toBeVisible();
  const form = await workbench.takeHoursOut();
  await form.getByRole('button', { name: 'Friday' }).click();
  await form.getByRole('textbox', { name: 'From' }).fill('8');
  await form.getByRole('textbox', { name: 'To' }).fill('12');
  await form.getByRole('button', { name: 'Take these hours out' }).click();
  await expectNoFaults(page);
  await sheet.getByRole('button', { name: 'Close' }).click();

  await expect(workbench.blocks).toHaveCount(1);
  const total = await workbench.count();
  expect(total).toBeGreaterThan(1);
  const before = await workbench.number();
  await page.getByRole('button', { name: 'Next week shape' }).click();
  await expect.poll(() => workbench.number()).toBe(before + 1);
  await expectNoFaults(page);
  // The page itself does not scroll sideways; only the grid does.
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  // Of the places along the top, the one that is open is in view.
  const last = page.getByRole('navigation', { name: 'Places' }).getByRole('link').last();
  await last.focus();
  await page.keyboard.press('Enter');
  await page.reload();
  await expect(last).toHaveAttribute('aria-current', 'page');
  await expect(last).toBeInViewport({ ratio: 1 });
});

test('at 200% zoom nothing is lost', async ({ page }) => {
  await page.setViewportSize({ width: 640, height: 400 });
  const workbench = await Workbench.open(page);
  await page.getByRole('button', { name: 'Courses and rules' }).click();
  await page.getByRole('combobox').fill('ACO 220');
  await page.keyboard.press('Enter');
  await expect(workbench.wanted.getByText('ACO 220')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(workbench.title).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(640);
});

test('nothing moves under reduced motion', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await expect(workbench.classes.first()).toBeVisible();
  const durations = await workbench.classes.evaluateAll((all) =>
    all.map((one) => getComputedStyle(one).transitionDuration),
  );
  expect(new Set(durations)).toEqual(new Set(['0s']));
});

test('the type ships with it, and nothing is asked of anyone else', async ({ page, baseURL }) => {
  const strangers: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(baseURL!) && !request.url().startsWith('data:'))
      strangers.push(request.url());
  });
  const complaints: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error' || message.type() === 'warning') complaints.push(message.text());
  });
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.evaluate(() => document.fonts.ready);
  expect(await page.evaluate(() => document.fonts.check('14px "Atkinson Hyperlegible Next Variable"'))).toBe(
    true,
  );
  expect(
    await page.evaluate(() => Array.from(document.fonts.values()).some((font) => font.status === 'loaded')),
  ).toBe(true);
  expect(strangers).toEqual([]);
  expect(complaints).toEqual([]);
});

test('the answer is told to those who do not see it', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await expect(page.getByText(/^\d+ timetables? in \d+ week shapes?$/)).toBeAttached();
  await expect(
    workbench.grid
      .getByRole('button', { name: /^TID 210 Lecture L\d\d, \w+day \d+:\d\d–\d+:\d\d, Harbour/ })
      .first(),
  ).toBeAttached();
});
