import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';

test('a whole visit: four courses by keyboard, hours taken out, walked, undone, and found again', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220', 'WRT 101', 'CAR 305');
  const all = await workbench.count();
  expect(all).toBeGreaterThan(10);
  for (const inPlay of await workbench.wanted.getByText(/sections in play/).allTextContents())
    expect(Number(/^\d+/.exec(inPlay)![0])).toBeGreaterThan(0);
  // Taken whole: the lab and the recitation come with their lectures.
  await expect(workbench.class('TID 210', 'Lab')).toBeVisible();
  await expect(workbench.class('ACO 220', 'Recitation')).toBeVisible();

  // The count follows while the pointer is still down.
  await workbench.press('Tuesday', 8);
  await workbench.moveTo('Tuesday', 10.5);
  await expect(workbench.grid.getByText(/8:00–10:30 leaves/)).toBeVisible();
  await expect.poll(() => workbench.count()).toBeLessThan(all);
  await page.mouse.up();
  await workbench.saved();
  const left = await workbench.count();
  expect(left).toBeGreaterThan(0);
  await expect(
    workbench.rules.getByRole('button', { name: 'Can’t: Tue 8:00–10:30', exact: true }),
  ).toBeVisible();

  // Arrows walk the week shapes from the best on; each is another one.
  const shapes = await workbench.shapes();
  const first = await workbench.sections();
  await page.keyboard.press('Home');
  const seen = new Set<string>();
  for (let number = 1; number <= Math.min(shapes, 25); number++) {
    await expect.poll(() => workbench.number()).toBe(number);
    await expect.poll(async () => seen.has((await workbench.sections()).join())).toBe(false);
    seen.add((await workbench.sections()).join());
    await page.keyboard.press('ArrowRight');
  }
  await page.keyboard.press('End');
  await expect.poll(() => workbench.number()).toBe(shapes);
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => workbench.number()).toBe(shapes - 1);
  expect(first.length).toBeGreaterThan(0);

  // Undo gives the hours back, redo takes them again.
  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.count()).toBe(all);
  await expect(workbench.blocks).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => workbench.count()).toBe(left);
  await expect(workbench.blocks).toHaveCount(1);
  await workbench.saved();

  const inView = await workbench.sections();
  await page.reload();
  await expect.poll(() => workbench.count()).toBe(left);
  await expect(workbench.wanted.getByRole('listitem')).toHaveCount(4);
  await expect(workbench.blocks).toHaveCount(1);
  expect(await workbench.sections()).toEqual(inView);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
});

test('hours are drawn, moved, stretched and removed with the mouse', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await workbench.drag('Friday', 13, 15);
  const list = workbench.rules;
  await expect(list.getByRole('button', { name: 'Can’t: Fri 13:00–15:00', exact: true })).toBeVisible();

  await workbench.drag('Friday', 14, 16);
  await expect(list.getByRole('button', { name: 'Can’t: Fri 15:00–17:00', exact: true })).toBeVisible();

  await workbench.press('Friday', 17);
  await workbench.moveTo('Friday', 18.25);
  await page.mouse.up();
  await expect(list.getByRole('button', { name: 'Can’t: Fri 15:00–18:15', exact: true })).toBeVisible();

  await workbench.press('Friday', 16);
  await workbench.moveTo('Wednesday', 16);
  await page.mouse.up();
  await expect(list.getByRole('button', { name: 'Can’t: Wed 15:00–18:15', exact: true })).toBeVisible();

  // Escape drops a drag as if it had not been.
  await workbench.press('Monday', 9);
  await workbench.moveTo('Monday', 12);
  await expect(workbench.blocks).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(workbench.blocks).toHaveCount(1);
  await page.mouse.up();
  await expect(workbench.blocks).toHaveCount(1);

  await workbench.blocks.focus();
  await page.keyboard.press('Delete');
  await expect(workbench.blocks).toHaveCount(0);
});

test('hours are typed, moved and changed with the keyboard', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await page.keyboard.press('b');
  const form = page.getByRole('dialog', { name: 'Take hours out' });

  await form.getByRole('textbox', { name: 'From' }).fill('noon');
  await page.keyboard.press('Enter');
  await expect(form.getByText('Choose at least one day.')).toBeVisible();
  await expect(form.getByText('Type a time such as 9:30.')).toHaveCount(2);
  await form.getByRole('button', { name: 'Tuesday' }).press('Space');
  await form.getByRole('button', { name: 'Thursday' }).press('Space');
  await form.getByRole('textbox', { name: 'From' }).fill('9');
  await form.getByRole('textbox', { name: 'To' }).fill('8:30');
  await page.keyboard.press('Enter');
  await expect(form.getByText('The end must come after the start.')).toBeVisible();
  await form.getByRole('textbox', { name: 'To' }).fill('1130');
  await form.getByRole('textbox', { name: 'What it is' }).fill('Boatyard shift');
  await page.keyboard.press('Enter');
  await expect(form).toBeHidden();

  const list = workbench.rules;
  await expect(
    list.getByRole('button', { name: 'Can’t: Tue Thu 9:00–11:30, Boatyard shift', exact: true }),
  ).toBeVisible();
  await expect(workbench.blocks).toHaveCount(2);
  await workbench.blocks.first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(list.getByRole('button', { name: /^Can’t: Tue Thu 9:15–11:45/ })).toBeVisible();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(list.getByRole('button', { name: /^Can’t: Tue Thu 9:15–11:30/ })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(
    list.getByRole('button', { name: 'Can’t: Wed Fri 9:15–11:30, Boatyard shift', exact: true }),
  ).toBeVisible();

  await workbench.blocks.first().press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
  await expect(workbench.blocks).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(workbench.blocks).toHaveCount(2);
});

test('a course is set aside, taken again and removed', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220');
  const both = await workbench.count();
  const role = workbench.wanted.getByRole('button', { name: 'ACO 220: Must. Change' });
  await role.press('Enter');
  await page.getByRole('menuitemradio', { name: 'Set aside' }).press('Enter');
  await expect(workbench.wanted.getByText('sections, not taken')).toBeVisible();
  await expect.poll(() => workbench.count()).not.toBe(both);
  await expect(workbench.grid.getByText('ACO 220', { exact: false })).toHaveCount(0);

  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.count()).toBe(both);
  await role.click();
  await page.getByRole('menuitem', { name: 'Remove from sketch' }).click();
  await expect(workbench.wanted.getByRole('listitem')).toHaveCount(1);
});

test('no timetable is said plainly, with the way back', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('CAR 305', 'TID 210');
  const before = await workbench.count();
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday']) await workbench.drag(day, 8, 21);
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  expect(await workbench.count()).toBe(0);
  // What stands on the grid is only near.
  const near = page.getByRole('button', { name: /of the nearest week/ });
  await expect(workbench.classes.filter({ has: near }).first()).toBeVisible();
  await expect(workbench.classes.filter({ hasNot: near })).toHaveCount(0);
  await expect(page.getByText(/cannot be taken even alone/)).toBeVisible();
  await expect(page.getByText(/These are not possible together/)).toBeVisible();
  for (let step = 0; step < 4; step++) {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await workbench.saved();
  }
  await expect.poll(() => workbench.count()).toBe(before);
});

test('the reel shows week shapes and goes to the one chosen', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220');
  const reel = page.getByRole('region', { name: 'Week shapes' });
  await page.keyboard.press('Home');
  await expect(reel.getByRole('button', { name: /^N° 1,/ })).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('ArrowRight');
  await expect(reel.getByRole('button', { name: /^N° 2,/ })).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('ArrowLeft');
  await expect(reel.getByRole('button', { name: /^N° 1,/ })).toHaveAttribute('aria-current', 'true');
  await reel.getByRole('button', { name: /^N° 4,/ }).click();
  await expect.poll(() => workbench.number()).toBe(4);
});

test('classes keep their shapes: parts of the term share the band, no hours stand under it', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('GLZ 233', 'GLZ 234', 'ROB 101');
  await expect(page.getByRole('heading', { name: 'No set hours' })).toBeVisible();
  await expect(page.getByText(/ROB 101 Lecture L0\d, online/)).toBeVisible();
  const first = (await workbench.classes.filter({ hasText: 'GLZ 233' }).first().boundingBox())!;
  const second = (await workbench.classes.filter({ hasText: 'GLZ 234' }).first().boundingBox())!;
  const band = (await workbench.grid.getByRole('group', { name: 'Monday' }).boundingBox())!;
  expect(first.height).toBeLessThan(band.height / 2);
  expect(second.height).toBeLessThan(band.height / 2);
});

test('the whole year: another term has a sketch of its own', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.getByRole('button', { name: /^Term: Spring 2027/ }).click();
  await page.getByRole('menuitemradio', { name: 'Autumn 2026' }).click();
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await page.goBack();
  await expect(workbench.wanted.getByText('TID 210')).toBeVisible();
});
