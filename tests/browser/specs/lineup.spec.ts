import { expect, type Page, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { Workbench } from '../workbench';

const courses = ['TID 210', 'GLZ 155', 'ACO 220', 'CAR 305', 'LOG 118'];

/** Puts the week shapes with these numbers into the line-up. */
async function lineUp(workbench: Workbench, ...numbers: number[]): Promise<void> {
  for (const [i, number] of numbers.entries()) {
    await workbench.go(number);
    await workbench.page.keyboard.press('l');
    await expect(workbench.page.getByRole('link', { name: `Line-up ${i + 1}` })).toBeVisible();
    await workbench.saved();
  }
}

async function openLineUp(page: Page): Promise<void> {
  await page.getByRole('link', { name: /^Line-up/ }).click();
  await expect(page.getByRole('heading', { name: 'Line-up' })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Straight swaps if one fills' })).toBeVisible();
}

const lane = (page: Page, letter: string) => page.locator(`[data-lane="${letter}"]`).getByRole('button');

async function inLane(page: Page, letter: string, item: RegExp | string): Promise<void> {
  await lane(page, letter).click();
  await page.getByRole('menuitem', { name: item }).click();
}

test('a timetable is put by with a name of its own, named, noted, ordered, removed and had back', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await workbench.go(3);
  await page.keyboard.press('s');
  await expect(page.getByRole('button', { name: 'Put this timetable on the shortlist' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await workbench.saved();
  const third = await workbench.sections();
  await workbench.go(1);
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/2$/);

  // Once more, and its name can be typed over.
  await page.keyboard.press('s');
  const list = page.getByRole('dialog', { name: 'Shortlist' });
  const rows = list.getByRole('list', { name: 'Timetables on the shortlist' }).getByRole('listitem');
  await expect(rows).toHaveCount(2);
  await expect(rows.nth(1).getByRole('textbox', { name: 'Name' })).toBeFocused();
  await page.keyboard.type('The best one');
  await page.keyboard.press('Enter');
  await rows.nth(1).getByRole('textbox', { name: 'Note' }).fill('Ask Mika');
  await page.keyboard.press('Enter');
  await rows.nth(1).getByRole('button', { name: 'Move The best one up' }).click();
  await expect(rows.nth(0).getByRole('textbox', { name: 'Name' })).toHaveValue('The best one');
  await expectNoFaults(page);

  await rows.nth(1).getByRole('button', { name: 'Show on the grid' }).click();
  await expect(list).toBeHidden();
  await expect.poll(() => workbench.sections()).toEqual(third);
  expect(await workbench.number()).toBe(3);

  await page.reload();
  await expect(workbench.shortlistButton).toHaveText(/2$/);
  await workbench.shortlistButton.click();
  await expect(rows.nth(0).getByRole('textbox', { name: 'Note' })).toHaveValue('Ask Mika');
  await rows.nth(0).getByRole('button', { name: 'Remove' }).click();
  await expect(rows).toHaveCount(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(workbench.shortlistButton).toHaveText(/2$/);
});

test('what is put by outlives the rules, says what it breaks, and offers the nearest that holds', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  // What is put by is what is in view: all of the courses, not those of the answer before.
  await expect(workbench.class('LOG 118', 'Lecture')).toBeVisible();
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/1$/);
  const putBy = await workbench.sections();
  const first = workbench.class('CAR 305', 'Lab');
  await first.focus();
  await page.keyboard.press('x');
  await expect.poll(() => workbench.sections()).not.toEqual(putBy);
  await workbench.saved();

  await workbench.shortlistButton.click();
  const list = page.getByRole('dialog', { name: 'Shortlist' });
  await expect(list.getByText('It breaks a rule: the sections of CAR 305 you ruled out.')).toBeVisible();
  await expect(list.getByRole('button', { name: 'Show on the grid' })).toBeHidden();
  await expectNoFaults(page);
  await list.getByRole('button', { name: /^Show the nearest that holds \(.*CAR 305.* changes?\)$/ }).click();
  await expect(list).toBeHidden();
  // All but the one course is as it was put by.
  const near = await workbench.sections();
  const other = near.filter((number) => !putBy.includes(number));
  expect(other.length).toBeGreaterThan(0);
  expect(other.length).toBeLessThan(putBy.length);
});

test('a line-up shows lanes on one axis, what they share faded, and hides a lane by its letter', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4, 9);
  await openLineUp(page);
  const lanes = page.locator('[data-day]');
  const faded = lanes.locator('[data-faded=true]');
  await expect(faded.first()).toBeVisible();
  // What is faded stands in every lane.
  for (const number of new Set(
    await faded.evaluateAll((all) => all.map((one) => one.getAttribute('data-section')!)),
  ))
    expect((await lanes.locator(`[data-section="${number}"]`).count()) % 3).toBe(0);
  await page.getByRole('checkbox', { name: 'fade what all 3 share' }).click();
  await expect(faded).toHaveCount(0);

  // The table says the same to those who hear it.
  const table = page.getByRole('table', { name: 'Classes by day' });
  await expect(table.getByRole('row', { name: /^Monday/ })).toContainText(/\d:\d\d–\d+:\d\d [A-Z]{3} \d{3}/);
  await expect(table.getByRole('columnheader')).toHaveCount(4);

  await page.keyboard.press('b');
  await expect(lane(page, 'B')).toHaveAccessibleName(/hidden/);
  await expect(table.getByRole('columnheader')).toHaveCount(3);
  await expect(page.getByText(/^A and C differ/)).toBeVisible();
  await expect(page.getByText(/^A and B differ/)).toBeHidden();
  await page.keyboard.press('b');
  await expect(page.getByText(/^A and B differ/)).toBeVisible();
});

test('measures stand side by side, the best marked, and a baseline makes them differences', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4);
  await openLineUp(page);
  const idle = page.getByRole('row', { name: /^Between classes a week/ });
  await expect(idle).toContainText('best');
  await expect(page.getByText(/^The same in all 2: .*days with class/)).toBeVisible();
  await page.getByText(/^The same in all 2/).click();
  await expect(page.getByRole('definition').first()).toBeVisible();

  await inLane(page, 'A', /^Baseline/);
  await expect(idle).toContainText(/(more|less|the same)/);
  await expect(page.getByRole('columnheader', { name: /^A · .* \(baseline\)$/ })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'fade what each shares with A' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(idle).not.toContainText(/more|less/);
});

test('lanes are put in another order by keys and by dragging, and taken out', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4, 9);
  await openLineUp(page);
  const names = () =>
    page.locator('[data-lane] button').evaluateAll((all) => all.map((one) => one.textContent!));
  const [a, b, c] = await names();
  await lane(page, 'A').focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(names).toEqual([b, a, c]);
  await page.locator('[data-lane="C"]').dragTo(page.locator('[data-lane="A"]'), {
    sourcePosition: { x: 14, y: 14 },
    targetPosition: { x: 14, y: 14 },
  });
  await expect.poll(names).toEqual([c, b, a]);
  await inLane(page, 'B', 'Take it out of the line-up');
  await expect.poll(names).toEqual([c, a]);
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual([c, b, a]);
  await page.reload();
  await expect.poll(names).toEqual([c, b, a]);
});

test('timetables of several sketches stand side by side, and one goes on from a lane', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 2);
  const second = await workbench.sections();
  await workbench.sketchMenu('New sketch…');
  await page.getByRole('textbox', { name: 'Name' }).fill('Other plans');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await workbench.add('TID 210', 'ACO 220');
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/1$/);
  await workbench.saved();
  await page.getByRole('link', { name: /^Line-up/ }).click();
  await page.getByRole('button', { name: '+ Add from shortlist' }).click();
  await page.getByRole('menuitem', { name: /Other plans$/ }).click();
  await expect(page.getByText(/^A and B differ in \d courses: /)).toBeVisible();
  await expectNoFaults(page);

  await inLane(page, 'A', 'Go on from here on the Workbench');
  await expect(page.getByRole('button', { name: 'Sketch: First sketch. Change' })).toBeVisible();
  await expect.poll(() => workbench.sections()).toEqual(second);
});

test('from the Workbench to a printed choice with its fallbacks', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4);
  await openLineUp(page);
  await inLane(page, 'B', 'Choose it');
  const rows = page.getByRole('region', { name: 'Sections' }).locator('tbody tr');
  await expect(page.getByText('a plan. Nothing is registered by it.')).toBeVisible();
  await expect(rows).toHaveCount(8);
  await expect(
    page.getByText(/\d of \d sections have a straight swap; .* has \d+ seats? and /),
  ).toBeVisible();

  await page.getByRole('button', { name: 'Copy all 8 numbers' }).click();
  const copied = (await page.evaluate(() => navigator.clipboard.readText())).split('\n');
  const shown = await rows.evaluateAll((all) => all.map((one) => one.getAttribute('data-number')));
  expect(copied).toEqual(shown);

  // One fallback is accepted, another picked, and a whole timetable put behind it.
  await rows
    .nth(0)
    .getByRole('button', { name: /^Prepare this for/ })
    .click();
  await expect(rows.nth(0)).toContainText('Then ');
  await rows.nth(0).getByRole('button', { name: 'Drop' }).click();
  await expect(rows.nth(0)).not.toContainText('Then ');
  await rows
    .nth(0)
    .getByRole('button', { name: /^Prepare this for/ })
    .click();
  const lecture = rows.filter({ has: page.getByRole('button', { name: /^Pick another for LOG 118/ }) });
  await lecture.getByRole('button', { name: /^Pick another for/ }).click();
  await page.getByRole('menuitem').first().click();
  await expect(lecture).toContainText(/Then .*LOG 118 lecture|No timetable has that section/);
  await page.getByRole('button', { name: 'Add a second plan' }).click();
  await page.getByRole('menuitem').first().click();
  await expect(page.getByRole('region', { name: 'Second timetable' })).toContainText(/\d{5} TID 210/);
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  await expectNoFaults(page);

  await page.reload();
  await expect(rows.nth(0)).toContainText('Then ');
  const paper = await page.pdf({ preferCSSPageSize: true });
  expect(paper.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('region', { name: 'Week of the choice' })).toBeVisible();
  await expect(rows.nth(0)).toContainText('Then ');
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
});

test('nothing lined up and nothing chosen say what to do, and a choice is undone', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await page.getByRole('link', { name: 'Line-up' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing is lined up yet' })).toBeVisible();
  await expectNoFaults(page);
  await page.getByRole('link', { name: 'Registration' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing is chosen yet' })).toBeVisible();
  await expectNoFaults(page);

  await page.getByRole('link', { name: 'Workbench' }).click();
  await workbench.add('TID 210');
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/1$/);
  await workbench.saved();
  await page.getByRole('link', { name: 'Registration' }).click();
  await page.getByRole('button', { name: 'Choose a timetable' }).click();
  await page.getByRole('menuitem').first().click();
  await expect(page.getByRole('region', { name: 'Week of the choice' })).toBeVisible();
  await page.getByRole('button', { name: 'Choose none' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing is chosen yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(page.getByRole('region', { name: 'Week of the choice' })).toBeVisible();
});

test('two windows of the line-up lose nothing', async ({ page, context }) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4);
  await openLineUp(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(lane(other, 'B')).toBeVisible();
  await inLane(page, 'A', /^Baseline/);
  await expect(lane(page, 'A')).toHaveAccessibleName(/baseline/);
  await inLane(other, 'B', 'Choose it');
  await expect(other.getByRole('region', { name: 'Week of the choice' })).toBeVisible();
  await expect(lane(page, 'B')).toHaveAccessibleName(/the choice/);
  await expect(lane(page, 'A')).toHaveAccessibleName(/baseline/);
});

test('what cannot be saved of the line-up is said, and saved later', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4);
  await openLineUp(page);
  await page.route('**/picks', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await inLane(page, 'A', 'Take it out of the line-up');
  await expect(page.getByRole('alert')).toContainText('Not saved yet: line-up and choice.');
  await expect(lane(page, 'B')).toHaveCount(0);
  await page.unroute('**/picks');
  await page.getByRole('alert').getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.reload();
  await expect(lane(page, 'A')).toBeVisible();
  await expect(lane(page, 'B')).toHaveCount(0);
});

test('axe finds nothing in the Line-up and the choice, in either theme', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add(...courses);
  await lineUp(workbench, 1, 4, 9);
  await openLineUp(page);
  await expectNoFaults(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoFaults(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await inLane(page, 'C', 'Choose it');
  await expect(page.getByRole('region', { name: 'Week of the choice' })).toBeVisible();
  await expect(page.getByText(/sections have a straight swap/)).toBeVisible();
  await expectNoFaults(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.setViewportSize({ width: 1280, height: 800 });
  await expectNoFaults(page);
});
