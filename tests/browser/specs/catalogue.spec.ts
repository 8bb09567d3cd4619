import { expect, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { Finder } from '../finder';
import { pick } from '../select';

test('a course is found as one types, by mouse, and added to the sketch', async ({ page }) => {
  const finder = await Finder.open(page);
  expect(await finder.total()).toBe(70);
  await finder.box.fill('mkaing chart');
  await expect(finder.rows.first()).toContainText('CAR 305');
  await finder.rows.first().click();
  await expect(finder.course.getByText('Needs CAR 110 and (LOG 118 or MTH 120).')).toBeVisible();
  await finder.course.getByRole('button', { name: 'Add as must' }).click();
  await expect(finder.rows.first()).toContainText('timetables · must');

  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(page.getByRole('list', { name: 'Wanted courses' })).toContainText('CAR 305');
});

test('the narrowing is a sentence, says what it hides, and stands in the address', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.phrase('Campus').click();
  const editor = page.getByRole('dialog', { name: 'Campus' });
  await editor.getByRole('checkbox', { name: 'Harbour' }).check();
  await editor.getByRole('checkbox', { name: 'Kiln' }).check();
  await page.keyboard.press('Escape');
  await expect(finder.phrase('Campus')).toHaveText('Harbour or Kiln');
  const before = await finder.total();
  expect(before).toBeLessThan(70);

  const back = page.getByRole('button', { name: /more if Ridge is allowed$/ });
  const more = Number((await back.textContent())!.match(/\d+/)![0]);
  await back.click();
  await expect(finder.status).toHaveText(`${before + more} courses.`);

  await page.goBack();
  await expect(finder.status).toHaveText(`${before} courses.`);
  await page.reload();
  await expect(finder.phrase('Campus')).toHaveText('Harbour or Kiln');
  await expect(finder.status).toHaveText(`${before} courses.`);
  expect(new URL(page.url()).searchParams.getAll('campus')).toEqual(['HAR', 'KLN']);

  await page.getByRole('button', { name: 'Show all 70' }).click();
  await expect(finder.status).toHaveText('70 courses.');
});

test('hours, days and credits are typed; what is no time is refused in words', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.phrase('Hours').click();
  const editor = page.getByRole('dialog', { name: 'Hours' });
  await editor.getByRole('textbox', { name: 'From' }).fill('noon');
  await editor.getByRole('button', { name: 'Set' }).click();
  await expect(editor.getByRole('alert')).toHaveText('“noon” is no time of day. Type it as 9:30.');
  await editor.getByRole('textbox', { name: 'From' }).fill('9');
  await editor.getByRole('textbox', { name: 'To' }).fill('1800');
  await page.keyboard.press('Enter');
  await expect(finder.phrase('Hours')).toHaveText('9:00–18:00');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: '+ narrow' }).click();
  await page.getByRole('menuitem', { name: 'Credits' }).click();
  await finder.phrase('Credits').click();
  const credits = page.getByRole('dialog', { name: 'Credits' });
  await credits.getByRole('textbox', { name: 'Least credits' }).fill('4');
  await credits.getByRole('textbox', { name: 'Most credits' }).fill('4');
  await credits.getByRole('button', { name: 'Set' }).click();
  await page.keyboard.press('Escape');
  await expect(finder.phrase('Credits')).toHaveText('4 credits');
  await expect(finder.rows.first()).toContainText('4 cr');
});

test('everything can be done with the keyboard alone', async ({ page }) => {
  const finder = await Finder.open(page);
  await page.keyboard.press('/');
  await expect(finder.box).toBeFocused();
  await page.keyboard.type('sound');
  await expect(finder.status).toHaveText('5 courses.');
  await expect(finder.rows.first()).toContainText('ACO 120');
  await page.keyboard.press('ArrowDown');
  await expect(finder.rows.first()).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(finder.rows.nth(1)).toBeFocused();
  await page.keyboard.press('End');
  await expect(finder.rows.last()).toBeFocused();
  await page.keyboard.press('Home');
  await page.keyboard.press('Enter');
  await expect(finder.course.getByRole('heading', { level: 2 })).toHaveText('ACO 120 Sound and Hearing');

  const add = finder.course.getByRole('button', { name: 'If it fits' });
  await add.focus();
  await page.keyboard.press('Enter');
  await expect(add).toHaveAttribute('aria-pressed', 'true');
  const keep = finder.course.getByRole('button', { name: 'Keep Lecture L01' });
  await keep.focus();
  await page.keyboard.press('Space');
  await expect(keep).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+z');
  await expect(keep).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('Control+Shift+z');
  await expect(keep).toHaveAttribute('aria-pressed', 'true');
});

test('each course says in how many timetables it fits, and why where in none', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.want('TID 210', 'CAR 305', 'LOG 118', 'ACO 220', 'ROB 230');
  await pick(page.getByRole('combobox', { name: 'Order' }), 'Most timetables');
  const figures = finder.rows.locator('.tabular-nums');
  await expect(figures.first()).toBeVisible();
  await expect(async () => {
    const counts = (await figures.allTextContents()).map((text) => Number(text.replaceAll(',', '')));
    expect(counts).toEqual([...counts].sort((a, b) => b - a));
  }).toPass();

  await page.getByRole('checkbox', { name: 'Only those that fit the sketch' }).check();
  await expect(finder.status).toHaveText(/^\d+ of 70 courses fit the sketch\.$/);
  await page.getByRole('checkbox', { name: 'Only those that fit the sketch' }).uncheck();
  await finder.rows.first().focus();
  await page.keyboard.press('End');
  await expect(finder.rows.last()).toContainText(/clashes with|has no free seat|needs|meets in|goes against/);
});

test('a course is limited, its sections kept and ruled out, and put into an either–or', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.want('TID 210');
  await finder.find('CAR 305');
  await finder.course.getByRole('button', { name: 'Either–or…' }).click();
  await page.getByRole('menuitem', { name: 'One of this and TID 210' }).click();
  await expect(finder.course.getByText('In the sketch: 1 of TID 210, CAR 305.')).toBeVisible();
  await finder.course.getByRole('button', { name: 'Rule out Lecture L01' }).click();
  await expect(finder.course.getByRole('button', { name: 'Rule out Lecture L01' })).toHaveText('Out');
  await finder.course.getByRole('button', { name: /^Seats: / }).click();
  await page.getByRole('radio', { name: 'full sections too' }).check();
  await page.keyboard.press('Escape');
  await expect(finder.course.getByRole('button', { name: /^Seats: / })).toHaveText('full sections too');

  await page.getByRole('link', { name: 'Workbench' }).click();
  const wanted = page.getByRole('list', { name: 'Wanted courses' });
  await expect(wanted).toContainText('1 of this or TID 210');
  await expect(wanted).toContainText('without L01');
  await expect(wanted).toContainText('full sections too');
});

test('pointing at a section outlines it on the small grid', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.find('CAR 305');
  const outlines = page.locator('figure rect.stroke-plum');
  await expect(outlines).toHaveCount(0);
  await finder.course.getByRole('listitem').first().hover();
  await expect(outlines).toHaveCount(2);
  await finder.course
    .getByRole('button', { name: /^Keep Lab/ })
    .first()
    .focus();
  await expect(outlines).toHaveCount(1);
});

test('registration numbers are recognised in a text and kept', async ({ page }) => {
  const finder = await Finder.open(page);
  await page.getByRole('button', { name: 'Paste numbers' }).click();
  const dialog = page.getByRole('dialog', { name: 'Registration numbers' });
  await dialog.getByRole('textbox').fill('Please add 10355, and not 99999.');
  await expect(dialog.getByText('CAR 305')).toHaveCount(2);
  await expect(dialog.getByText(/99999: no section of this catalogue/)).toBeVisible();
  const missing = dialog.getByRole('group', { name: 'CAR 305 also needs a lecture' });
  await missing.getByRole('radio').first().check();
  await dialog.getByRole('button', { name: 'Keep 2 sections in the sketch' }).click();
  await expect(dialog).toBeHidden();
  await finder.find('CAR 305');
  await expect(finder.course.getByRole('button', { name: /^Keep /, pressed: true })).toHaveCount(2);

  // Copying gives them back as text.
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Paste numbers' }).click();
  await dialog.getByRole('button', { name: 'Copy the 2 numbers kept' }).click();
  await expect(dialog.getByRole('button', { name: 'Copied' })).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split('\n')).toHaveLength(2);
  expect(copied).toContain('10355');
});

test('nothing found says why and offers the way back', async ({ page }) => {
  const finder = await Finder.open(page, '?q=sound&campus=RDG&mode=online');
  await expect(
    page.getByRole('heading', { name: /courses match, and the narrowing hides them all/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Show all courses again' }).click();
  await expect(finder.rows.first()).toBeVisible();
  await finder.box.fill('xyzzy');
  await expect(page.getByRole('heading', { name: 'No course of this term has “xyzzy”.' })).toBeVisible();
});

test('a search that fails says so and can be tried again', async ({ page }) => {
  let broken = true;
  await page.route('**/api/terms/*/search?**', (route) => (broken ? route.abort() : route.continue()));
  await page.goto('/2027SP/catalogue');
  await expect(page.getByRole('heading', { name: 'The search did not work.' })).toBeVisible();
  broken = false;
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('main').getByRole('status').first()).toHaveText('70 courses.');
});

test('axe finds nothing in the Catalogue, in either theme', async ({ page }) => {
  const finder = await Finder.open(page);
  await expectNoFaults(page);
  await finder.want('TID 210');
  await finder.find('CAR 305');
  await expect(finder.course.getByText(/each section says/)).toBeVisible();
  await expectNoFaults(page);
  await finder.phrase('Instructor').or(finder.phrase('Campus')).first().click();
  await expect(page.getByRole('dialog', { name: 'Campus' })).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Paste numbers' }).click();
  await page.getByRole('dialog').getByRole('textbox').fill('10355 99999');
  await expect(page.getByText('CAR 305 also needs a lecture')).toBeVisible();
  await expectNoFaults(page);
  await page.keyboard.press('Escape');
  await finder.box.fill('xyzzy');
  await expect(page.getByRole('heading', { name: /No course of this term/ })).toBeVisible();
  await expectNoFaults(page);
});

test('on a phone a course is found, read and added', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const finder = await Finder.open(page);
  await finder.box.fill('room acoustics');
  await finder.rows.first().click();
  const sheet = page.getByRole('dialog', { name: 'Course' });
  await sheet.getByRole('button', { name: 'Add as must' }).click();
  await expect(sheet.getByRole('button', { name: 'Must', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expectNoFaults(page);
});
