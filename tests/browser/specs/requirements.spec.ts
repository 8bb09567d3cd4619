import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { sharedCampus, signIn } from '../campus';
import { Finder } from '../finder';
import { Requirements } from '../requirements';
import { Workbench } from '../workbench';

// One after the other: some are the same student, whose terms ahead are the same in every browser.
test.describe.configure({ mode: 'default' });

test('who is not signed in is told so in a line, with one button', async ({ page }) => {
  await page.goto('/2027SP/requirements');
  await expect(page.getByRole('heading', { name: /^Sign in to see/ })).toBeVisible();
  await expectNoFaults(page);
  await page.getByRole('main').getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /Mika Lund/ }).click();
  await expect(page).toHaveURL(/\/2027SP\/requirements$/);
  // What is done is folded; what is missing stands open.
  const requirements = new Requirements(page);
  await expect(requirements.row('Machines')).toHaveAttribute('aria-expanded', 'false');
  await expect(requirements.outline.getByRole('status')).toHaveText('3 credits still short');
  await expect(requirements.row('Writing')).toHaveAttribute('aria-current', 'true');
  // One after the other would have given LOG 118 to the first that wants it.
  await requirements.row('Foundations').click();
  await expect(requirements.row('Reasoning')).toContainText('LOG 205');
  await expect(requirements.row('Humanities')).toContainText('LOG 118');
  await expectNoFaults(page);
});

test('credit from school exams counts, and stands with what it is for', async ({ page }) => {
  await page.goto('/2027SP/requirements');
  await page.getByRole('main').getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /Idris Vane/ }).click();
  const requirements = new Requirements(page);
  await expect(requirements.outline).toContainText(
    'Calculus placement, 5 → MTH 120, 4 credits, for Calculus',
  );
  await expect(requirements.row('Calculus')).toContainText('MTH 120 by exam');
  // A language by exam settles the choice: a craft is not needed.
  await requirements.row('A language or a craft').click();
  await expect(requirements.row('A language LAN')).toContainText('done');
  await expect(requirements.row('A craft')).toContainText('not needed');
});

test('what the adviser recommends stands marked, and an approval that is needed is asked for there', async ({
  page,
  context,
  baseURL,
}) => {
  await page.goto('/2027SP/requirements');
  await page.getByRole('main').getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /Perrin Ashdown/ }).click();
  // Whatever is known of the degree.
  const place = page.getByRole('main');
  await expect(place).toContainText('Your adviser has not approved Spring 2027 yet.');
  await place.getByRole('button', { name: 'Ask your adviser…' }).click();
  await place.getByRole('textbox').fill('Four of five are for the degree.');
  await expectNoFaults(page);
  await place.getByRole('button', { name: 'Ask for the approval' }).click();
  await expect(place).toContainText('Asked your adviser: waiting for an answer.');

  const adviser = await context.newPage();
  const asked = adviser.getByRole('row').filter({ hasText: 'Four of five are for the degree.' });
  await adviser.goto(`${sharedCampus(baseURL!)}/adviser`);
  await asked.getByLabel('Words').fill('Only three are.');
  await asked.getByRole('button', { name: /^Refuse/ }).click();
  await expect(place).toContainText('Asked your adviser: refused. “Only three are.”');
  await expect(place.getByRole('button', { name: 'Ask your adviser…' })).toBeVisible();
  await asked.getByRole('button', { name: /^Approve/ }).click();
  await expect(place).toContainText('Your adviser has approved Spring 2027.');

  const recommend = adviser.locator('form').filter({ hasText: 'Recommend' }).last();
  await recommend.getByLabel('Student').selectOption('Perrin Ashdown');
  await recommend.getByLabel('Course').fill('MUS 260');
  await recommend.getByLabel('Why').fill('<i>Small</i> and good.');
  await recommend.getByRole('button', { name: 'Recommend' }).click();
  await page.getByRole('link', { name: 'Catalogue' }).click();
  const finder = new Finder(page);
  await finder.box.fill('mus 260');
  await expect(finder.rows.first()).toContainText('Recommended');
  await finder.rows.first().click();
  await expect(finder.course).toContainText('Recommended by your adviser: “<i>Small</i> and good.”');
  await expectNoFaults(page);
});

test('from a leaf to a sketch in one press, and to every timetable that settles it in two', async ({
  page,
}) => {
  await page.goto('/2027SP/workbench');
  await signIn(page, 'Wren Halloran');
  const workbench = new Workbench(page);
  await workbench.add('MTH 235');
  const alone = await workbench.count();
  const requirements = await Requirements.open(page);
  await requirements.row('Humanities').click();
  await expect(requirements.offer('HIS 210')).toContainText(
    'Recommended by your adviser: “It counts as humanities and as writing.”',
  );
  await expect(page.getByText(/courses of Spring 2027 would settle some of what is missing/)).toBeVisible();

  // A course, and back.
  const song = requirements.offer('MUS 101');
  await expect(song).toContainText(/\d+ timetables/);
  await song.getByRole('button', { name: /^Add MUS 101 to/ }).click();
  await requirements.told('MUS 101 is a must of');
  await expect(song.getByRole('button', { name: 'Take MUS 101 out' })).toBeVisible();
  await requirements.strip.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(song.getByRole('button', { name: /^Add MUS 101 to/ })).toBeVisible();

  // What it takes to settle one more requirement.
  const figure = page.getByText(/^Every timetable of .* that also settles it:/);
  await expect(figure).toContainText(/[\d,]+ timetables/);
  const told = (await figure.textContent())!.match(/([\d,]+) timetables/)![1]!;
  await page.getByRole('button', { name: /^Ask for one of these/ }).click();
  await requirements.told('asks for Humanities now');
  await expectNoFaults(page);
  await page.getByRole('link', { name: 'Workbench' }).click();
  const row = workbench.wanted.locator('[data-requirement="Humanities"]');
  await expect(row).toContainText(/one of \d+ courses, \d+ of them possible/);
  await workbench.answered();
  expect(await workbench.count()).toBe(Number(told.replaceAll(',', '')));
  expect(await workbench.count()).toBeGreaterThan(alone);

  // It opens to its courses, and goes as a whole; undo brings it back.
  await row.getByRole('button', { name: 'Humanities', exact: true }).click();
  await expect(row.getByRole('listitem')).not.toHaveCount(0);
  await expect(row.getByRole('listitem').first()).toContainText(/HIS|LOG|MUS|PHI|CAR/);
  await expectNoFaults(page);
  await row.getByRole('button', { name: 'Take Humanities out of the sketch' }).click();
  await expect(row).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(row).toBeVisible();
  await workbench.saved();
  await page.reload();
  await expect(row).toContainText(/one of \d+ courses/);
});

test('terms ahead: put in, checked at once, moved by keys and by dragging, undone, kept', async ({
  page,
}) => {
  await page.goto('/2027SP/requirements');
  await page.getByRole('main').getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /Perrin Ashdown/ }).click();
  const requirements = new Requirements(page);
  // Perrin’s programme is not known; terms ahead work without.
  await expect(page.getByRole('heading', { name: 'No programme of yours is known here' })).toBeVisible();
  const put = async (term: string, words: string, course: string) => {
    await page.getByRole('button', { name: `Add a course to ${term}` }).click();
    await page.getByRole('textbox', { name: 'Find a course' }).fill(words);
    await page.getByRole('button', { name: new RegExp(`^${course}`) }).click();
    await page.keyboard.press('Escape');
    await expect(
      requirements.term(term).getByRole('button', { name: new RegExp(`^${course}`) }),
    ).toBeVisible();
  };
  await put('Autumn 2027', 'sediment', 'TID 240');
  const tides = (term: string) => requirements.term(term).getByRole('button', { name: /^TID 240/ });
  await expect(tides('Autumn 2027')).toContainText('Usually spring.');
  await expect(tides('Autumn 2027')).toContainText('Before it comes TID 110.');
  await put('Spring 2027', 'reading the shore', 'TID 110');
  await expect(tides('Autumn 2027')).not.toContainText('TID 110');

  // By key to a term in which it is offered.
  await tides('Autumn 2027').focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(tides('Spring 2028')).toBeVisible();
  await expect(tides('Spring 2028')).toHaveText('TID 240');
  await requirements.told('TID 240 moved to Spring 2028.');

  // By dragging to where its prerequisite comes too late.
  await tides('Spring 2028').dragTo(requirements.term('Spring 2027'));
  await expect(tides('Spring 2027')).toContainText('Before it comes TID 110.');
  await page.keyboard.press('Control+z');
  await expect(tides('Spring 2028')).toBeVisible();

  // By its menu, as on a phone.
  await tides('Spring 2028').click();
  await expectNoFaults(page);
  await page.getByRole('menuitem', { name: 'Take out' }).click();
  await expect(tides('Spring 2028')).toHaveCount(0);
  await requirements.strip.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(tides('Spring 2028')).toBeVisible();

  await requirements.saved();
  await page.reload();
  await expect(tides('Spring 2028')).toBeVisible();

  // Kept as a file, and opened from it.
  const menu = page.getByRole('button', { name: 'Print and keep terms ahead' });
  await menu.click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save as a file' }).click();
  const file = await (await download).path();
  expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({ format: 'hour-grid-plan', version: 1 });
  await tides('Spring 2028').focus();
  await page.keyboard.press('Delete');
  await expect(tides('Spring 2028')).toHaveCount(0);
  await page.getByLabel('Open a file').setInputFiles(file);
  await expect(tides('Spring 2028')).toBeVisible();
  await page.getByLabel('Open a file').setInputFiles({
    name: 'wrong.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"entries":[{"id":"a","term":"2027SP"}]}'),
  });
  await expect(requirements.strip.getByRole('alert')).toContainText('a course or a requirement');
});

test('the end in sight, with a plan that reaches it, and what waiting costs', async ({ page }) => {
  await page.goto('/2027SP/requirements');
  await page.getByRole('main').getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /Wren Halloran/ }).click();
  const requirements = new Requirements(page);
  await expect(requirements.strip).toContainText('Done at the earliest in Spring 2028.');
  await expect(requirements.strip).toContainText(
    'Leaving TID 240 for later costs 2 terms: TID 410 needs it and is offered in spring alone.',
  );
  await page.getByRole('button', { name: 'Put such a plan in' }).click();
  await expect(requirements.outline.getByRole('status')).toHaveText(
    'Nothing is missing with what is planned but 29 credits of free choice',
  );
  await expect(requirements.term('Spring 2028').getByRole('button', { name: /^TID 410/ })).toBeVisible();
  await expect(requirements.row('Sea life')).toContainText('planned');
  await expectNoFaults(page);
  // On paper the terms stand as a table.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('row', { name: /^Spring 2028/ })).toContainText('TID 410');
  await expect(requirements.outline).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  await page.keyboard.press('Control+z');
  await expect(requirements.outline.getByRole('status')).toContainText('25 credits still short');
});

test('on a phone a requirement opens in a sheet, in dark, and everything is reached', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/2027SP/requirements');
  await page.getByRole('main').getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('button', { name: /Wren Halloran/ }).click();
  const requirements = new Requirements(page);
  await requirements.row('Sea life').click();
  const sheet = page.getByRole('dialog', { name: 'Sea life' });
  await expect(sheet).toContainText('MAR 220');
  await expectNoFaults(page);
  await sheet.getByRole('button', { name: 'Put MAR 220 into a term' }).click();
  await page.getByRole('menuitem', { name: 'Autumn 2027' }).click();
  await page.keyboard.press('Escape');
  await expect(requirements.row('Sea life')).toContainText('MAR 220 planned');
  await expect(requirements.term('Autumn 2027').getByRole('button', { name: 'MAR 220' })).toBeVisible();
  const width = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(width).toBeLessThanOrEqual(390);
  await requirements.term('Autumn 2027').getByRole('button', { name: 'MAR 220' }).click();
  await page.getByRole('menuitem', { name: 'Take out' }).click();
  await expect(requirements.row('Sea life')).toContainText('short by 1 course');
});
