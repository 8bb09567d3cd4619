import { expect, type Page, test } from '@playwright/test';
import { Workbench } from '../workbench';
import { clerkForm, openRecord, setSeats, signIn } from '../campus';
import { Finder } from '../finder';
import { OwnServer } from '../ownServer';
import { Registration } from '../registration';
import { Requirements } from '../requirements';

const folder = '../../docs/screenshots';

/** Three quite different timetables lined up, named as a student would. */
async function lineUp(page: Page): Promise<Workbench> {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'GLZ 155', 'ACO 220', 'CAR 305', 'LOG 118');
  for (const [i, number] of [1, 9, 30].entries()) {
    await workbench.go(number);
    await page.keyboard.press('l');
    await expect(page.getByRole('link', { name: `Line-up ${i + 1}` })).toBeVisible();
    await workbench.saved();
  }
  return workbench;
}

test('Workbench, many timetables', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('MAR 105', 'ACO 120', 'WRT 101', 'GLZ 233', 'GLZ 234', 'ROB 101');
  await workbench.drag('Tuesday', 18, 20);
  await page.mouse.move(800, 560);
  for (let step = 0; step < 2; step++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^N° 5,/ })).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench.png` });
});

test('Workbench, dark', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  const workbench = await Workbench.open(page);
  await workbench.add('LOG 118', 'MAR 220', 'OPT 130', 'LAN 150');
  await workbench.drag('Friday', 13, 18);
  await page.mouse.move(800, 560);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/workbench-dark.png` });
});

test('Workbench on a phone', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220', 'WRT 101');
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

test('Line-up', async ({ page }) => {
  await lineUp(page);
  await page.getByRole('link', { name: /^Line-up/ }).click();
  await expect(page.getByText(/^A and B differ/)).toBeVisible();
  await page.mouse.move(900, 700);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/line-up.png` });
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

test('Registration', async ({ browser }) => {
  const server = await OwnServer.startWithCampus();
  try {
    const context = await browser.newContext({ baseURL: server.address });
    const [page, clerk] = [await context.newPage(), await context.newPage()];
    const term = '2027SP';
    await clerkForm(clerk, server.campus, 'turn', { term, student: 'S2041', seconds: '90' });
    await page.goto(`/${term}/workbench`);
    await signIn(page, 'Wren Halloran');
    const workbench = new Workbench(page);
    await workbench.add('MUS 101', 'CAR 305', 'GLZ 155', 'ACO 220');
    await workbench.keepOnly('GLZ 155', 'T03');
    await expect.poll(() => workbench.sections()).toContain('10266');
    const registration = await Registration.ofFirstTimetable(page);
    await page.getByRole('button', { name: 'Read it and agree' }).click();
    await page.getByRole('button', { name: 'I have read this and agree' }).click();
    await expect(registration.heading).toContainText('Ready: 4 of 4');
    const [, recitation] = await registration.numbers('ACO 220');
    await page.getByRole('button', { name: /^Prepare this for ACO 220 Recitation/ }).click();
    await registration.row('GLZ 155').getByRole('combobox', { name: 'If it is full:' }).click();
    await page.getByRole('option', { name: 'wait in line' }).click();
    await setSeats(clerk, server.campus, recitation!, 20, 20);
    await setSeats(clerk, server.campus, '10266', 14, 14);
    await expect(registration.row('GLZ 155')).toContainText('full: would wait');
    await registration.heading.scrollIntoViewIfNeeded();
    await page.screenshot({ path: `${folder}/registration-ready.png` });
    await clerkForm(clerk, server.campus, 'turn', { term, student: 'S2041', seconds: '0' });
    await registration.press();
    await expect(registration.row('GLZ 155', 'waiting')).toBeVisible();
    await page.screenshot({ path: `${folder}/registration.png` });
  } finally {
    await server.stop();
  }
});

test('Requirements', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('CAR 305', 'MTH 235');
  await signIn(page, 'Wren Halloran');
  const requirements = await Requirements.open(page);
  const put = async (leaf: string, course: string, term: string) => {
    await requirements.row(leaf).click();
    await requirements
      .offer(course)
      .getByRole('button', { name: `Put ${course} into a term` })
      .click();
    await page.getByRole('menuitem', { name: term }).click();
    await expect(requirements.term(term)).toContainText(course);
  };
  await put('Tides', 'TID 240', 'Spring 2027');
  await put('Defending', 'TID 410', 'Spring 2028');
  await put('Humanities', 'MUS 215', 'Autumn 2027');
  await page.keyboard.press('Control+z');
  await put('Sea life', 'MAR 220', 'Autumn 2027');
  await requirements.row('Humanities').click();
  await expect(requirements.offer('PHI 220')).toContainText('timetables');
  await requirements.saved();
  await page.mouse.move(900, 560);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/requirements.png` });
});

test('The record, and a course one may not take', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 330', 'ROB 450', 'CAR 305');
  await signIn(page, 'Wren Halloran');
  await openRecord(page, 'Wren Halloran');
  await expect(page.getByRole('dialog').getByText('Fees agreement')).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/record.png` });
  await page.keyboard.press('Escape');
  await Finder.open(page, '?q=rob+450&course=ROB+450');
  await expect(page.getByText('You may not take it as things are')).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/may-not-take.png` });
});
