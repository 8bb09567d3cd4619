import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { Desk } from '../desk';

/** The text of the file that a menu item gives, and the name under which it is kept. */
async function saved(page: Page, item: string): Promise<{ name: string; text: string }> {
  const coming = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: item }).click();
  const file = await coming;
  return { name: file.suggestedFilename(), text: await readFile(await file.path(), 'utf8') };
}

test('the timetable in view is kept as calendar, spreadsheet and text', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220');
  await expect(desk.classes.first()).toBeVisible();
  const numbers = await desk.sections();
  const open = () => page.getByRole('button', { name: 'Print or export this timetable' }).click();
  await open();
  await expectNoFaults(page);
  const calendar = await saved(page, 'Calendar (.ics)');
  expect(calendar.name).toBe('Week shape 1.ics');
  expect(calendar.text).toMatch(/^BEGIN:VCALENDAR/);
  expect(calendar.text).toContain('BEGIN:VTIMEZONE');
  for (const number of numbers) expect(calendar.text).toContain(`X-REGISTRATION-NUMBER:${number}`);
  await open();
  const sheet = await saved(page, 'Spreadsheet (.csv)');
  for (const number of numbers) expect(sheet.text).toContain(`\n${number},`);
  await open();
  const text = await saved(page, 'Plain text (.txt)');
  for (const number of numbers) expect(text.text).toContain(number);
});

test('a file that cannot be made is said', async ({ page }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210');
  await expect(desk.classes.first()).toBeVisible();
  await page.route('**/timetable/ics', (route) => route.abort());
  await page.getByRole('button', { name: 'Print or export this timetable' }).click();
  await page.getByRole('menuitem', { name: 'Calendar (.ics)' }).click();
  await expect(page.getByRole('alert')).toContainText('Hour Grid cannot be reached.');
});

test('a calendar address follows the choice, is changed and withdrawn', async ({ page, request }) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210');
  await page.keyboard.press('s');
  await expect(desk.shortlistButton).toHaveText(/1$/);
  await desk.saved();
  const numbers = await desk.sections();
  await page.getByRole('link', { name: 'Choice' }).click();
  await page.getByRole('button', { name: 'Choose a timetable' }).click();
  await page.getByRole('menuitem').first().click();
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('menuitem', { name: 'Calendar address…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Calendar address' });
  await dialog.getByRole('button', { name: 'Give an address' }).click();
  const field = dialog.getByRole('textbox', { name: 'Address' });
  await expect(field).toHaveValue(/\/calendars\/.{43}\.ics$/);
  await expectNoFaults(page);
  const address = await field.inputValue();
  const text = await (await request.get(address)).text();
  for (const number of numbers) expect(text).toContain(`X-REGISTRATION-NUMBER:${number}`);

  await dialog.getByRole('button', { name: 'Give another' }).click();
  await expect(field).not.toHaveValue(address);
  expect((await request.get(address)).status()).toBe(404);
  const second = await field.inputValue();
  await dialog.getByRole('button', { name: 'Withdraw' }).click();
  await expect(field).toBeHidden();
  expect((await request.get(second)).status()).toBe(404);
});

test('a sketch is kept as a file and opened again, and a wrong file is refused in words', async ({
  page,
}) => {
  const desk = await Desk.open(page);
  await desk.add('TID 210', 'ACO 220');
  await page.keyboard.press('s');
  await expect(desk.shortlistButton).toHaveText(/1$/);
  await desk.saved();
  const count = await desk.count();
  await desk.sketchName.click();
  const coming = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save as a file' }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toBe('First sketch.sketch.json');

  const picker = page.getByLabel('A file of a sketch');
  await picker.setInputFiles(await file.path());
  await expect(page.getByText('sketch 2 of 2')).toBeVisible();
  await expect.poll(() => desk.order()).toEqual(['TID 210', 'ACO 220']);
  await expect.poll(() => desk.count()).toBe(count);
  await expect(desk.shortlistButton).toHaveText(/1$/);

  await picker.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format": 1'),
  });
  await expect(page.getByRole('alert')).toContainText('it is not JSON');
  const wrong = { format: 'hour-grid-sketch', version: 1, name: 'A', ask: { wanted: 3 } };
  await picker.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(wrong)),
  });
  await expect(page.getByRole('alert')).toContainText('ask');
  await expect(page.getByText('sketch 2 of 2')).toBeVisible();
});
