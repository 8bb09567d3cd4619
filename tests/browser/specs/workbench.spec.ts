import { expect, test } from '@playwright/test';
import { Desk } from '../desk';

test('a whole visit: four courses by keyboard, hours taken out, walked, undone, and found again', async ({
  page,
}) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'WRT 101', 'CAR 305');
  const all = await desk.count();
  expect(all).toBeGreaterThan(10);
  for (const inPlay of await desk.wanted.getByText(/sections in play/).allTextContents())
    expect(Number(/^\d+/.exec(inPlay)![0])).toBeGreaterThan(0);
  // Taken whole: the lab and the recitation come with their lectures.
  await expect(desk.class('TID 210', 'Lab')).toBeVisible();
  await expect(desk.class('ACO 220', 'Recitation')).toBeVisible();

  // The count follows while the pointer is still down.
  await desk.press('Tuesday', 8);
  await desk.moveTo('Tuesday', 10.5);
  await expect(desk.grid.getByText(/8:00–10:30 leaves/)).toBeVisible();
  await expect.poll(() => desk.count()).toBeLessThan(all);
  await page.mouse.up();
  await desk.saved();
  const left = await desk.count();
  expect(left).toBeGreaterThan(0);
  await expect(desk.rules.getByRole('button', { name: 'Can’t: Tue 8:00–10:30', exact: true })).toBeVisible();

  // Arrows walk the week shapes from the best on; each is another one.
  const shapes = await desk.shapes();
  const first = await desk.sections();
  await page.keyboard.press('Home');
  const seen = new Set<string>();
  for (let number = 1; number <= Math.min(shapes, 25); number++) {
    await expect.poll(() => desk.number()).toBe(number);
    await expect.poll(async () => seen.has((await desk.sections()).join())).toBe(false);
    seen.add((await desk.sections()).join());
    await page.keyboard.press('ArrowRight');
  }
  await page.keyboard.press('End');
  await expect.poll(() => desk.number()).toBe(shapes);
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => desk.number()).toBe(shapes - 1);
  expect(first.length).toBeGreaterThan(0);

  // Undo gives the hours back, redo takes them again.
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.count()).toBe(all);
  await expect(desk.blocks).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => desk.count()).toBe(left);
  await expect(desk.blocks).toHaveCount(1);
  await desk.saved();

  const inView = await desk.sections();
  await page.reload();
  await expect.poll(() => desk.count()).toBe(left);
  await expect(desk.wanted.getByRole('listitem')).toHaveCount(4);
  await expect(desk.blocks).toHaveCount(1);
  expect(await desk.sections()).toEqual(inView);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
});

test('hours are drawn, moved, stretched and removed with the mouse', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210');
  await desk.drag('Friday', 13, 15);
  const list = desk.rules;
  await expect(list.getByRole('button', { name: 'Can’t: Fri 13:00–15:00', exact: true })).toBeVisible();

  await desk.drag('Friday', 14, 16);
  await expect(list.getByRole('button', { name: 'Can’t: Fri 15:00–17:00', exact: true })).toBeVisible();

  await desk.press('Friday', 17);
  await desk.moveTo('Friday', 18.25);
  await page.mouse.up();
  await expect(list.getByRole('button', { name: 'Can’t: Fri 15:00–18:15', exact: true })).toBeVisible();

  await desk.press('Friday', 16);
  await desk.moveTo('Wednesday', 16);
  await page.mouse.up();
  await expect(list.getByRole('button', { name: 'Can’t: Wed 15:00–18:15', exact: true })).toBeVisible();

  // Escape drops a drag as if it had not been.
  await desk.press('Monday', 9);
  await desk.moveTo('Monday', 12);
  await expect(desk.blocks).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(desk.blocks).toHaveCount(1);
  await page.mouse.up();
  await expect(desk.blocks).toHaveCount(1);

  await desk.blocks.focus();
  await page.keyboard.press('Delete');
  await expect(desk.blocks).toHaveCount(0);
});

test('hours are typed, moved and changed with the keyboard', async ({ page }) => {
  const desk = await Desk.open(page);
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

  const list = desk.rules;
  await expect(
    list.getByRole('button', { name: 'Can’t: Tue Thu 9:00–11:30, Boatyard shift', exact: true }),
  ).toBeVisible();
  await expect(desk.blocks).toHaveCount(2);
  await desk.blocks.first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(list.getByRole('button', { name: /^Can’t: Tue Thu 9:15–11:45/ })).toBeVisible();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(list.getByRole('button', { name: /^Can’t: Tue Thu 9:15–11:30/ })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(
    list.getByRole('button', { name: 'Can’t: Wed Fri 9:15–11:30, Boatyard shift', exact: true }),
  ).toBeVisible();

  await desk.blocks.first().press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
  await expect(desk.blocks).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(desk.blocks).toHaveCount(2);
});

test('a course is set aside, taken again and removed', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220');
  const both = await desk.count();
  const role = desk.wanted.getByRole('button', { name: 'ACO 220: Must. Change' });
  await role.press('Enter');
  await page.getByRole('menuitemradio', { name: 'Set aside' }).press('Enter');
  await expect(desk.wanted.getByText('sections, not taken')).toBeVisible();
  await expect.poll(() => desk.count()).not.toBe(both);
  await expect(desk.grid.getByText('ACO 220', { exact: false })).toHaveCount(0);

  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.count()).toBe(both);
  await role.click();
  await page.getByRole('menuitem', { name: 'Remove from sketch' }).click();
  await expect(desk.wanted.getByRole('listitem')).toHaveCount(1);
});

test('no timetable is said plainly, with the way back', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('CAR 305', 'TID 210');
  const before = await desk.count();
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday']) await desk.drag(day, 8, 21);
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  expect(await desk.count()).toBe(0);
  // What stands on the grid is only near.
  const near = page.getByRole('button', { name: /of the nearest week/ });
  await expect(desk.classes.filter({ has: near }).first()).toBeVisible();
  await expect(desk.classes.filter({ hasNot: near })).toHaveCount(0);
  await expect(page.getByText(/cannot be taken even alone/)).toBeVisible();
  await expect(page.getByText(/These are not possible together/)).toBeVisible();
  for (let step = 0; step < 4; step++) {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await desk.saved();
  }
  await expect.poll(() => desk.count()).toBe(before);
});

test('the reel shows week shapes and goes to the one chosen', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220');
  const reel = page.getByRole('region', { name: 'Week shapes' });
  await page.keyboard.press('Home');
  await expect(reel.getByRole('button', { name: /^N° 1,/ })).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('ArrowRight');
  await expect(reel.getByRole('button', { name: /^N° 2,/ })).toHaveAttribute('aria-current', 'true');
  await page.keyboard.press('ArrowLeft');
  await expect(reel.getByRole('button', { name: /^N° 1,/ })).toHaveAttribute('aria-current', 'true');
  await reel.getByRole('button', { name: /^N° 4,/ }).click();
  await expect.poll(() => desk.number()).toBe(4);
});

test('classes keep their shapes: parts of the term share the band, no hours stand under it', async ({
  page,
}) => {
  const desk = await Desk.open(page);
  await desk.add('GLZ 233', 'GLZ 234', 'ROB 101');
  await expect(page.getByRole('heading', { name: 'No set hours' })).toBeVisible();
  await expect(page.getByText(/ROB 101 Lecture L0\d, online/)).toBeVisible();
  const first = (await desk.classes.filter({ hasText: 'GLZ 233' }).first().boundingBox())!;
  const second = (await desk.classes.filter({ hasText: 'GLZ 234' }).first().boundingBox())!;
  const band = (await desk.grid.getByRole('group', { name: 'Monday' }).boundingBox())!;
  expect(first.height).toBeLessThan(band.height / 2);
  expect(second.height).toBeLessThan(band.height / 2);
});

test('the whole year: another term has a sketch of its own', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210');
  await page.getByRole('button', { name: /^Term: Spring 2027/ }).click();
  await page.getByRole('menuitemradio', { name: 'Autumn 2026' }).click();
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  await page.goBack();
  await expect(desk.wanted.getByText('TID 210')).toBeVisible();
});
