import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';
import { pick } from '../select';

const startOf = (hours: string) => Number(hours.split('–')[0]!.replace(':', ''));
const endOf = (hours: string) => Number(hours.split('–')[1]!.replace(':', ''));

test('a class shows its other places, each with what it leaves, and moves there', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  await workbench.class('TID 210', 'Lab').hover();
  await expect(workbench.outlines.first()).toBeVisible();
  const labels = await workbench.outlines.allTextContents();
  expect(labels.every((label) => Number(label.replaceAll(',', '')) > 0)).toBe(true);

  await workbench.class('TID 210', 'Lab').click();
  const menu = page.getByRole('dialog', { name: /^TID 210 Lab/ });
  const move = menu.getByRole('button', { name: /leaves [\d,]+$/ }).first();
  const leaves = Number(/leaves ([\d,]+)$/.exec((await move.textContent())!)![1]!.replaceAll(',', ''));
  await move.click();
  await expect(menu).toHaveCount(0);
  await expect.poll(() => workbench.count()).toBe(leaves);
  await expect(workbench.grid.getByRole('button', { name: /^TID 210 Lab .*, kept$/ })).toBeVisible();

  // Of a kept class, the other places are those it could move to.
  await workbench.class('TID 210', 'Lab').focus();
  await expect(workbench.outlines.first()).toBeVisible();
  await page.keyboard.press('x');
  await expect(workbench.row('TID 210')).toContainText('without');
  await page.keyboard.press('Control+z');
  await workbench.class('WRT 101', 'Lecture').focus();
  await page.keyboard.press('k');
  await expect(workbench.row('WRT 101')).toContainText('keeps');
});

test('moved across a conflict, the count is 0 until it is resolved, and the conflict is marked', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305');
  await workbench.keepOnly('TID 210', 'L03');
  await workbench.keepOnly('CAR 305', 'L01');
  await expect.poll(() => workbench.count()).toBe(0);
  await expect(workbench.grid.getByText(/min of conflict/).first()).toBeVisible();
  await expect(workbench.classes.filter({ hasText: 'TID 210' }).first()).toBeVisible();
  await expect(page.getByText(/conflicts? between sections you keep/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Stop keeping sections of/ })
    .first()
    .click();
  await expect.poll(() => workbench.count()).toBeGreaterThan(0);
  await expect(workbench.grid.getByText(/min of conflict/)).toHaveCount(0);
});

test('a week is built by hand, place by place', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  let left = await workbench.count();
  await page.keyboard.press('h');
  await expect(workbench.classes).toHaveCount(0);
  await expect.poll(() => workbench.count()).toBe(left);
  await workbench.course('TID 210').click();
  for (const component of ['Lecture', 'Lab']) {
    const place = workbench.grid
      .getByRole('button', { name: new RegExp(`^Keep TID 210 ${component}`) })
      .first();
    const count = Number(
      /: ([\d,]+)$/.exec((await place.getAttribute('aria-label'))!)![1]!.replaceAll(',', ''),
    );
    await place.click();
    await expect.poll(() => workbench.count()).toBe(count);
    expect(count).toBeLessThanOrEqual(left);
    left = count;
  }
  await expect(workbench.grid.getByRole('button', { name: /^TID 210 (Lecture|Lab)/ })).toHaveCount(
    await workbench.classes.count(),
  );
  await page.getByRole('button', { name: 'By hand' }).click();
  await expect(workbench.class('WRT 101', 'Lecture')).toBeVisible();
});

test('why none: each rule leads to its row, and a way out gives what it says', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305');
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('daily 8-22 a job');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  await page.getByRole('button', { name: '“Can’t: Mon–Fri 8:00–22:00, a job”', exact: true }).click();
  await expect(workbench.line('Can’t: Mon–Fri 8:00–22:00, a job').getByRole('checkbox')).toBeFocused();
  const way = page.getByRole('button', { name: /^Switch off “Can’t: Mon–Fri/ });
  const gives = Number(/([\d,]+) timetables?$/.exec((await way.textContent())!)![1]!.replaceAll(',', ''));
  await way.click();
  await expect.poll(() => workbench.count()).toBe(gives);
  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.count()).toBe(0);
});

test('what matters orders the week shapes', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101');
  const start = page.getByRole('combobox', { name: 'What matters, start from' });
  await expect(start).toHaveText('A bit of everything');
  await pick(start, 'Sleep in');
  await expect(start).toHaveText('Sleep in');
  await expect.poll(() => workbench.number()).toBe(1);
  const late = await workbench.fact('first to last');
  await pick(start, 'Done early');
  await expect.poll(() => workbench.fact('first to last')).not.toBe(late);
  const early = await workbench.fact('first to last');
  expect(startOf(late)).toBeGreaterThan(startOf(early));
  expect(endOf(late)).toBeGreaterThanOrEqual(endOf(early));
});

test('a weight is one step when it is let go, and the order follows it meanwhile', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101');
  const saves: string[] = [];
  const ordered: number[] = [];
  page.on('request', (request) => {
    if (request.method() === 'PUT') saves.push(request.url());
  });
  await page.route('**/week-shapes', async (route) => {
    const { ask } = route.request().postDataJSON() as { ask: { weights: { laterStart: number } } };
    ordered.push(ask.weights.laterStart);
    await route.continue();
  });
  const fader = page.getByRole('slider', { name: /^Later start/ });
  const box = (await fader.boundingBox())!;
  await page.mouse.move(box.x + 4, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 5 });
  await page.mouse.move(box.x + box.width - 3, box.y + box.height / 2, { steps: 5 });
  await expect.poll(() => ordered.at(-1)).toBe(100);
  expect(saves).toHaveLength(0);
  await page.mouse.up();
  await workbench.saved();
  expect(saves).toHaveLength(1);
  await expect(fader).toHaveValue('100');
  await page.keyboard.press('Control+z');
  await expect(fader).toHaveValue('0');

  await fader.focus();
  await page.keyboard.down('ArrowRight');
  await page.keyboard.down('ArrowRight');
  await page.keyboard.up('ArrowRight');
  await expect(fader).toHaveValue('10');
  await workbench.saved();
  expect(saves).toHaveLength(2);
});

test('one goes to a number, and to the first and the last', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const shapes = await workbench.shapes();
  await page.keyboard.press('End');
  await expect.poll(() => workbench.number()).toBe(shapes);
  await page.keyboard.press('7');
  await page.keyboard.press('Enter');
  await expect.poll(() => workbench.number()).toBe(7);
  await workbench.jump.fill('999999');
  await page.keyboard.press('Enter');
  await expect.poll(() => workbench.number()).toBe(shapes);
  await page.keyboard.press('Home');
  await expect.poll(() => workbench.number()).toBe(1);
});

test('look-alikes fold together and open to what tells them apart', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const alike = page
    .getByRole('region', { name: 'Week shapes' })
    .getByRole('button', { name: /^\d+ alike/ })
    .first();
  const many = Number(/^(\d+)/.exec((await alike.textContent())!)![1]);
  await alike.click();
  const dialog = page.getByRole('dialog', { name: `${many} timetables at the same hours` });
  await expect(dialog.getByRole('listitem')).toHaveCount(many);
  await expect(dialog.getByRole('listitem').first()).toContainText('The best of them');
  await expect(dialog.getByRole('listitem').nth(1)).toContainText(/WRT 101 Lecture L\d\d \(\d+\)/);
  // What lies under a dialog is hidden from those who do not see it, and so from this reading.
  await page.keyboard.press('Escape');
  const before = await workbench.sections();
  await alike.click();
  await dialog.getByRole('button', { name: 'Show' }).first().click();
  await expect(page.getByText(`look-alike 2 of ${many}`)).toBeVisible();
  await expect.poll(() => workbench.sections()).not.toEqual(before);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(() => workbench.sections()).toEqual(before);
});

test('all laid out, filtered by facts, and the most different', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const shapes = await workbench.shapes();
  await page.keyboard.press('a');
  const sheet = page.getByRole('dialog', { name: 'All week shapes' });
  await expect(sheet.getByRole('status')).toHaveText(`${shapes} week shapes`);
  await sheet.getByRole('button', { name: 'Friday' }).click();
  await expect(sheet.getByRole('status')).toHaveText(new RegExp(`^\\d+ week shapes? of ${shapes}$`));
  await pick(sheet.getByRole('combobox', { name: 'Starts at or after' }), '12:00');
  await pick(sheet.getByRole('combobox', { name: 'Ends at or before' }), '13:00');
  await expect(sheet.getByText('No listed week shape has all of this.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Show them all again' }).click();
  await sheet.getByRole('button', { name: 'Most different' }).click();
  await expect(sheet.getByRole('status')).toHaveText(/^12 that differ most, of the best/);
  await sheet.getByRole('button', { name: /^N° / }).nth(1).click();
  await expect(sheet).toHaveCount(0);
  await expect.poll(() => workbench.number()).toBeGreaterThan(1);
});

test('one week of the term is shown as it is', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('GLZ 233', 'GLZ 234');
  await expect(workbench.classes.filter({ hasText: 'GLZ 233' }).first()).toBeVisible();
  await expect(workbench.classes.filter({ hasText: 'GLZ 234' }).first()).toBeVisible();
  const all = await workbench.classes.count();
  await page.getByRole('button', { name: /^Week 2,/ }).click();
  await expect.poll(() => workbench.classes.count()).toBeLessThan(all);
  await expect(workbench.classes.filter({ hasText: 'GLZ 234' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Week 9,.*no class/ }).click();
  await expect(workbench.classes).toHaveCount(0);
  const date = page.getByRole('textbox', { name: 'Week of a date' });
  await date.fill('14 Apr');
  await date.press('Enter');
  await expect(date).toHaveValue('12 Apr');
  await expect(workbench.classes.filter({ hasText: 'GLZ 234' }).first()).toBeVisible();
  await expect(workbench.classes.filter({ hasText: 'GLZ 233' })).toHaveCount(0);
  await page.getByRole('button', { name: 'show all weeks' }).click();
  await expect(workbench.classes).toHaveCount(all);
});

test('every action is reached from the palette, and the keys are shown', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.keyboard.press('Control+k');
  const palette = page.getByRole('dialog', { name: 'What to do' });
  await palette.getByRole('combobox').fill('by hand');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'By hand', pressed: true })).toBeVisible();
  for (const [typed, then] of [
    ['add a rule days off', 'Off: Fri'],
    ['add a rule latest', 'No class after 18:00'],
  ] as const) {
    await page.keyboard.press('Control+k');
    await palette.getByRole('combobox').fill(typed);
    await page.keyboard.press('Enter');
    await expect(workbench.line(then)).toBeVisible();
  }
  await page.keyboard.press('Control+k');
  await palette.getByRole('combobox').fill('tid 210 set aside');
  await page.keyboard.press('Enter');
  await expect(workbench.row('TID 210')).toContainText('not taken');
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await expect(keys.getByText('Ctrl + K')).toBeVisible();
  await expect(keys.getByText('1, 2, 3 on a course')).toBeVisible();
});

test('the timetable in view prints on one page', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101', 'LOG 118');
  const paper = await page.pdf({ preferCSSPageSize: true });
  expect(paper.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('columnheader', { name: 'Number' })).toBeVisible();
  await expect(workbench.wanted).toBeHidden();
});

test('a timetable is told day by day', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await expect(page.getByText(/^Monday: .*Tuesday: .*TID 210 (Lecture|Lab) .*Friday: .*\.$/)).toBeAttached();
});
