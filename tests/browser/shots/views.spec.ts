import { expect, type Page, test } from '@playwright/test';
import { Desk } from '../desk';
import { Finder } from '../finder';

const folder = '../../docs/screenshots';

test('Workbench, many timetables', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('MAR 105', 'ACO 120', 'WRT 101', 'GLZ 233', 'GLZ 234', 'ROB 101');
  await desk.drag('Tuesday', 18, 20);
  await page.mouse.move(800, 560);
  for (let step = 0; step < 2; step++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^N° 5,/ })).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench.png` });
});

test('Workbench, few timetables', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'CAR 305', 'LOG 118', 'MTH 120');
  await desk.drag('Monday', 14, 15);
  await desk.drag('Friday', 13, 17);
  await page.mouse.move(800, 560);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-few.png` });
});

test('Workbench, the other places of a class', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'CAR 305');
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('fri 14-18 rather not');
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('thu 17-20 boatyard shift');
  await page.keyboard.press('Enter');
  await desk.addRule('A break');
  await page.getByRole('button', { name: 'Add the break' }).click();
  await desk.class('TID 210', 'Lecture').focus();
  await page.keyboard.press('k');
  await desk.saved();
  await desk.class('TID 210', 'Lab').focus();
  await expect(desk.outlines.first()).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-places.png` });
});

test('Workbench, all laid out', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'WRT 101');
  await page.keyboard.press('a');
  const sheet = page.getByRole('dialog', { name: 'All week shapes' });
  await sheet.getByRole('button', { name: 'Friday' }).click();
  await expect(sheet.getByRole('status')).toContainText('of');
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-all.png` });
});

test('Workbench, taking hours out', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'WRT 101');
  await desk.press('Thursday', 8);
  await desk.moveTo('Thursday', 11);
  await expect(page.getByText(/8:00–11:00 leaves/)).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-taking-hours-out.png` });
});

test('Workbench, no timetable', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'WRT 101', 'TID 330', 'MTH 120');
  await desk.drag('Monday', 8, 13);
  await desk.drag('Tuesday', 9, 16);
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  await page.screenshot({ path: `${folder}/workbench-none.png` });
});

test('Workbench, dark', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  const desk = await Desk.open(page);
  await desk.add('LOG 118', 'MAR 220', 'OPT 130', 'LAN 150');
  await desk.drag('Friday', 13, 18);
  await page.mouse.move(800, 560);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-dark.png` });
});

test('Workbench on a phone', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220', 'WRT 101');
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole('button', { name: 'Courses and rules' })).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-phone.png` });
});

test('Catalogue', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.want('TID 210', 'CAR 305', 'LOG 118', 'ACO 220');
  await finder.find('ACO 245');
  const course = new URL(page.url()).searchParams.get('course')!;
  const search = new URLSearchParams({ course, hours: '08:00-18:00', seats: 'open' });
  for (const campus of ['HAR', 'KLN']) search.append('campus', campus);
  await Finder.open(page, `?${search}`);
  await expect(finder.rows.nth(8)).toContainText('timetables');
  await finder.course.getByRole('listitem').nth(1).hover();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/catalogue.png` });
});

test('Catalogue, nothing found', async ({ page }) => {
  await Finder.open(page, '?q=sound&campus=RDG&mode=online&seats=open');
  await expect(page.getByRole('heading', { name: /narrowing hides them all/ })).toBeVisible();
  await page.screenshot({ path: `${folder}/catalogue-none.png` });
});

test('Catalogue on a phone', async ({ page }) => {
  const finder = await Finder.open(page);
  await finder.want('TID 210');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/2027SP/catalogue?q=underwater&course=ACO+245');
  await expect(page.getByRole('dialog', { name: 'Course' }).getByText(/each section says/)).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/catalogue-phone.png` });
});

/** Three quite different timetables lined up, named as a student would. */
async function lineUp(page: Page): Promise<Desk> {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'GLZ 155', 'ACO 220', 'CAR 305', 'LOG 118');
  for (const [i, number] of [1, 9, 30].entries()) {
    await desk.go(number);
    await page.keyboard.press('l');
    await expect(page.getByRole('link', { name: `Line-up ${i + 1}` })).toBeVisible();
    await desk.saved();
  }
  return desk;
}

test('Shortlist', async ({ page }) => {
  const desk = await lineUp(page);
  await desk.shortlistButton.click();
  const list = page.getByRole('dialog', { name: 'Shortlist' });
  const names = list.getByRole('textbox', { name: 'Name' });
  for (const [i, name] of ['Least waiting', 'Evenings free', 'For the boatyard'].entries()) {
    await names.nth(i).fill(name);
    await names.nth(i).press('Enter');
  }
  await list.getByRole('textbox', { name: 'Note' }).nth(1).fill('Mika has the same GLZ 155 studio');
  await list.getByRole('textbox', { name: 'Note' }).nth(1).press('Enter');
  await page.keyboard.press('Escape');
  await desk.class('CAR 305', 'Lab').focus();
  await page.keyboard.press('x');
  await desk.saved();
  await desk.shortlistButton.click();
  await expect(list.getByText(/^It breaks a rule/).first()).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/shortlist.png` });
});

test('Line-up', async ({ page }) => {
  await lineUp(page);
  await page.getByRole('link', { name: /^Line-up/ }).click();
  await expect(page.getByText(/^A and B differ/)).toBeVisible();
  await page.mouse.move(900, 700);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/line-up.png` });
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.screenshot({ path: `${folder}/line-up-phone.png` });
});

test('Hours of a calendar', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'GLZ 155', 'ACO 220', 'LOG 118');
  const event = (uid: number, name: string, from: string, to: string, rule: string) =>
    `BEGIN:VEVENT\r\nUID:${uid}\r\nSUMMARY:${name}\r\nDTSTART:${from}\r\nDTEND:${to}\r\n${rule}END:VEVENT\r\n`;
  const text = [
    'BEGIN:VCALENDAR\r\nVERSION:2.0\r\n',
    event(
      1,
      'Boatyard shift',
      '20270112T080000',
      '20270112T110000',
      'RRULE:FREQ=WEEKLY;BYDAY=TU,FR;COUNT=24\r\n',
    ),
    event(2, 'Choir', '20270113T180000', '20270113T200000', 'RRULE:FREQ=WEEKLY;COUNT=15\r\n'),
    event(3, 'Dentist', '20270114T090000', '20270114T100000', ''),
    'END:VCALENDAR\r\n',
  ].join('');
  await page
    .getByLabel('A calendar file')
    .setInputFiles({ name: 'roster.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
  await expect(page.getByText(/^leaves /)).toBeVisible();
  await desk.answered();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-calendar.png` });
});

test('Picture', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 330', 'GLZ 233', 'GLZ 234', 'ACO 220');
  await page.getByRole('button', { name: 'Print or export this timetable' }).click();
  const coming = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Picture (.png)' }).click();
  await (await coming).saveAs(`${folder}/picture.png`);
});

test('Choice', async ({ page }) => {
  await lineUp(page);
  await page.getByRole('link', { name: /^Line-up/ }).click();
  await page.locator('[data-lane="B"]').getByRole('button').click();
  await page.getByRole('menuitem', { name: 'Choose it' }).click();
  await page
    .getByRole('button', { name: /^Prepare this for/ })
    .first()
    .click();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/choice.png` });
});
