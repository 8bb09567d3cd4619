import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';

test('each rule is a line with its cost, which is what lifting it adds', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101');
  const all = await workbench.count();
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('tue thu 8-10 boatyard shift');
  await page.keyboard.press('Enter');
  const line = workbench.line('Can’t: Tue Thu 8:00–10:00, boatyard shift');
  await workbench.saved();
  await expect.poll(() => workbench.count()).toBeLessThan(all);
  const left = await workbench.count();
  await expect(line).toContainText(`+${all - left} timetables without it`);

  // Off, the rule is kept and of no effect; on again, it is the same.
  await line.getByRole('checkbox').click();
  await expect.poll(() => workbench.count()).toBe(all);
  await expect(workbench.blocks).toHaveCount(0);
  await page.reload();
  await expect(line.getByRole('checkbox')).not.toBeChecked();
  await line.getByRole('checkbox').click();
  await expect.poll(() => workbench.count()).toBe(left);
  await expect(workbench.blocks).toHaveCount(2);

  await line.getByRole('button', { name: /^Remove/ }).click();
  await expect.poll(() => workbench.count()).toBe(all);
  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.count()).toBe(left);
});

test('what is typed wrongly says what is missing, and stays', async ({ page }) => {
  await Workbench.open(page);
  const field = page.getByRole('textbox', { name: 'Type hours you can’t' });
  for (const [typed, said] of [
    ['8-12', 'Begin with the days'],
    ['tue', 'After the days come the hours'],
    ['tue 12-8', 'The end must come after the start'],
  ] as const) {
    await field.fill(typed);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText(said);
    await expect(field).toHaveValue(typed);
  }
});

test('a limit opens in place, changes live, and is undone', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101');
  const all = await workbench.count();
  await workbench.addRule('Most class days');
  const line = workbench.line('At most 4 class days a week');
  await line.getByRole('button', { name: 'At most 4 class days a week', exact: true }).click();
  await line.getByRole('spinbutton').fill('2');
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  const tight = workbench.line('At most 2 class days a week');
  // A rule that leaves none says how many there would be without it.
  await expect(tight).toContainText(`+${all.toLocaleString('en')} timetables without it`);
  await page.getByRole('button', { name: /^Switch off “At most 2 class days a week”/ }).click();
  await expect.poll(() => workbench.count()).toBe(all);
  await expect(tight.getByRole('checkbox')).not.toBeChecked();
});

test('every kind of rule can be added, said, and taken away', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const all = await workbench.count();
  for (const [rule, text] of [
    ['Earliest start', 'No class before 9:00'],
    ['Latest end', 'No class after 18:00'],
    ['Days off', 'Off: Fri'],
    ['Most class a day', 'At most 6 h of class a day'],
    ['Longest unbroken stretch', 'At most 4 h without a pause'],
    ['Minutes between classes', '10 min between classes'],
    ['Rest between days', '12 h of rest between days'],
    ['Campuses allowed', 'Only on Harbour'],
    ['Preferred campus', 'Rather on Harbour'],
    ['Delivery modes', 'Only in person or hybrid'],
    ['Credits', '12 to 18 credits'],
  ] as const) {
    await workbench.addRule(rule);
    const line = workbench.line(text);
    await expect(line).toBeVisible();
    await line.getByRole('button', { name: `Remove: ${text}` }).click();
    await expect(line).toHaveCount(0);
  }
  await expect.poll(() => workbench.count()).toBe(all);
});

test('a break is drawn as a bracket, hard or soft', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305');
  await workbench.addRule('A break');
  const form = page.getByRole('dialog', { name: 'A break' });
  await form.getByRole('textbox', { name: 'Minutes' }).fill('400');
  await form.getByRole('button', { name: 'Add the break' }).click();
  await expect(form.getByText('The window has only 150 minutes.')).toBeVisible();
  await form.getByRole('textbox', { name: 'Minutes' }).fill('60');
  await form.getByRole('radio', { name: /^If it can be/ }).check();
  await form.getByRole('button', { name: 'Add the break' }).click();
  const line = workbench.line('Break: 1 h in 11:30–14:00, Mon–Fri');
  await expect(line).toContainText('only a wish');
  await expect(workbench.grid.getByText(/^(no )?break (of )?1 h$/)).toHaveCount(5);
});

test('rather-not hours are drawn over several days and count for nothing but the order', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305');
  const all = await workbench.count();
  await page.keyboard.press('d');
  await workbench.press('Monday', 17);
  await workbench.moveTo('Wednesday', 19);
  await page.mouse.up();
  await expect(workbench.line('Rather not: Mon–Wed 17:00–19:00')).toContainText('only a wish');
  await expect(workbench.blocks).toHaveCount(3);
  await expect.poll(() => workbench.count()).toBe(all);
});

test('hours are bound to weeks', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const form = await workbench.takeHoursOut();
  await form.getByRole('button', { name: 'Tuesday' }).click();
  await form.getByRole('textbox', { name: 'From' }).fill('8');
  await form.getByRole('textbox', { name: 'To' }).fill('20');
  await form.getByRole('textbox', { name: 'Weeks' }).fill('1-99');
  await form.getByRole('button', { name: 'Take these hours out' }).click();
  await expect(form.getByText(/Type weeks such as 1-8, 10; the term has 17/)).toBeVisible();
  await form.getByRole('textbox', { name: 'Weeks' }).fill('9');
  await form.getByRole('button', { name: 'Take these hours out' }).click();
  await expect(workbench.line('Can’t: Tue 8:00–20:00, week 9')).toBeVisible();
});
