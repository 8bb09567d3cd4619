import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { Workbench } from '../workbench';

/** The text of the file that a menu item gives, and the name under which it is kept. */
async function saved(page: Page, item: string): Promise<{ name: string; text: string }> {
  const coming = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: item }).click();
  const file = await coming;
  return { name: file.suggestedFilename(), text: await readFile(await file.path(), 'utf8') };
}

test('the timetable in view is kept as calendar, spreadsheet and text', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220');
  await expect(workbench.classes.first()).toBeVisible();
  const numbers = await workbench.sections();
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

/** Where each class of a day's band stands, by what it says: parts of the hours and of the band. */
type Places = Map<string, { left: number; width: number; top: number; height: number }>;

/** "TID 210 Lecture L04, Monday 11:00–12:15" of all that a class says. */
const head = (said: string) => said.split(', ').slice(0, 2).join(', ');

test('the picture of a week is the week of the hour grid, in both themes', async ({ page }) => {
  const workbench = await Workbench.open(page);
  // Halves of the term and every second week among them.
  await workbench.add('TID 330', 'GLZ 233', 'GLZ 234', 'ACO 220');
  await expect(workbench.classes.first()).toBeVisible();
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/1$/);
  await workbench.saved();
  await page.getByRole('link', { name: 'Registration' }).click();
  await page.getByRole('button', { name: 'Choose a timetable' }).click();
  await page.getByRole('menuitem').first().click();
  const week = page.getByRole('region', { name: 'Week of the choice' });
  await expect(week.locator('[data-section]').first()).toBeVisible();
  const shown: Places = new Map(
    await week.locator('[data-section]').evaluateAll((classes) =>
      classes.map((one) => {
        const [box, band] = [
          one.getBoundingClientRect(),
          one.closest('[role=group]')!.getBoundingClientRect(),
        ];
        const share = (y: number) => y / (band.height - 12);
        return [
          one.getAttribute('title')!,
          {
            left: (box.left - band.left) / band.width,
            width: box.width / band.width,
            top: share(box.top - band.top - 6),
            height: share(box.height),
          },
        ] as const;
      }),
    ),
  );
  expect([...shown.values()].some((one) => one.height < 0.6)).toBe(true);

  const open = () => page.getByRole('button', { name: 'Export' }).click();
  await open();
  await expectNoFaults(page);
  const light = await saved(page, 'Drawing (.svg)');
  expect(light.name).toMatch(/\.svg$/);
  const drawn: Places = new Map(
    await page.evaluate((text) => {
      const svg = new DOMParser().parseFromString(text, 'image/svg+xml');
      return [...svg.querySelectorAll('g:has(> title)')].map((group) => {
        const number = (name: string) => Number(group.querySelector('rect')!.getAttribute(name));
        const above = (number('y') - 0.5 - 96) % 96;
        return [
          group.querySelector('title')!.textContent!,
          {
            left: (number('x') - 0.5 - 108) / (1256 - 108),
            width: (number('width') + 1) / (1256 - 108),
            top: (above - 6) / 84,
            height: (number('height') + 1) / 84,
          },
        ] as const;
      });
    }, light.text),
  );
  const byHead = new Map([...drawn].map(([said, place]) => [head(said), place]));
  expect([...byHead.keys()].sort()).toEqual([...shown.keys()].map(head).sort());
  for (const [said, place] of shown)
    for (const side of ['left', 'width', 'top', 'height'] as const)
      expect(Math.abs(byHead.get(head(said))![side] - place[side]), `${side} of ${said}`).toBeLessThan(0.02);

  await open();
  const dark = await saved(page, 'Drawing, dark (.svg)');
  expect(dark.text).not.toBe(light.text);
  for (const item of ['Picture (.png)', 'Picture, dark (.png)']) {
    await open();
    const coming = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    const png = await readFile(await (await coming).path());
    expect(png.subarray(1, 4).toString()).toBe('PNG');
    expect(png.readUInt32BE(16)).toBe(2560);
  }
});

test('a file that cannot be made is said', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await expect(workbench.classes.first()).toBeVisible();
  await page.route('**/timetable/ics', (route) => route.abort());
  await page.getByRole('button', { name: 'Print or export this timetable' }).click();
  await page.getByRole('menuitem', { name: 'Calendar (.ics)' }).click();
  await expect(page.getByRole('alert')).toContainText('Hour Grid cannot be reached.');
});

test('a calendar address follows the choice, is changed and withdrawn', async ({ page, request }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/1$/);
  await workbench.saved();
  const numbers = await workbench.sections();
  await page.getByRole('link', { name: 'Registration' }).click();
  await page.getByRole('button', { name: 'Choose a timetable' }).click();
  await page.getByRole('menuitem').first().click();
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('menuitem', { name: 'Calendar address…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Calendar address' });
  await dialog.getByRole('button', { name: 'Make an address' }).click();
  const field = dialog.getByRole('textbox', { name: 'Address' });
  await expect(field).toHaveValue(/\/calendars\/.{43}\.ics$/);
  await expectNoFaults(page);
  const address = await field.inputValue();
  const text = await (await request.get(address)).text();
  for (const number of numbers) expect(text).toContain(`X-REGISTRATION-NUMBER:${number}`);

  await dialog.getByRole('button', { name: 'Make a new address' }).click();
  await expect(field).not.toHaveValue(address);
  expect((await request.get(address)).status()).toBe(404);
  const second = await field.inputValue();
  await dialog.getByRole('button', { name: 'Withdraw' }).click();
  await expect(field).toBeHidden();
  expect((await request.get(second)).status()).toBe(404);
});

test('what a sketch asks and the answer are kept as files, and an ask is opened as a sketch', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220');
  const count = await workbench.count();
  const keep = async (item: string) => {
    await workbench.sketchName.click();
    const file = await saved(page, item);
    return { name: file.name, json: JSON.parse(file.text) as Record<string, unknown> };
  };
  const answer = await keep('Save the answer');
  expect(answer.name).toBe('First sketch.answer.json');
  expect(answer.json['timetables']).toBe(count);
  const ask = await keep('Save what it asks');
  expect(ask.name).toBe('First sketch.ask.json');
  expect(ask.json['format']).toBe('hour-grid-ask');

  const picker = page.getByLabel('A file of a sketch');
  const file = (name: string, json: unknown) => ({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(json)),
  });
  await picker.setInputFiles(file('From a friend.ask.json', ask.json));
  await expect(page.getByText('sketch 2 of 2')).toBeVisible();
  await expect(workbench.sketchName).toHaveText('From a friend');
  await expect.poll(() => workbench.order()).toEqual(['TID 210', 'ACO 220']);
  await picker.setInputFiles(file('x.ask.json', { ...ask.json, seats: 'mine' }));
  await expect(page.getByRole('alert')).toContainText('seats');
  await expect(page.getByText('sketch 2 of 2')).toBeVisible();
});

test('a sketch is kept as a file and opened again, and a wrong file is refused in words', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220');
  await page.keyboard.press('s');
  await expect(workbench.shortlistButton).toHaveText(/1$/);
  await workbench.saved();
  const count = await workbench.count();
  await workbench.sketchName.click();
  const coming = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save as a file' }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toBe('First sketch.sketch.json');

  const picker = page.getByLabel('A file of a sketch');
  await picker.setInputFiles(await file.path());
  await expect(page.getByText('sketch 2 of 2')).toBeVisible();
  await expect.poll(() => workbench.order()).toEqual(['TID 210', 'ACO 220']);
  await expect.poll(() => workbench.count()).toBe(count);
  await expect(workbench.shortlistButton).toHaveText(/1$/);

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

const roster = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'BEGIN:VEVENT',
  'UID:1',
  'SUMMARY:Boatyard shift',
  'DTSTART:20270112T120000Z',
  'DTEND:20270112T150000Z',
  'RRULE:FREQ=WEEKLY;COUNT=6',
  'END:VEVENT',
  'BEGIN:VEVENT',
  'UID:2',
  'SUMMARY:Dentist',
  'DTSTART:20270114T100000',
  'DTEND:20270114T110000',
  'END:VEVENT',
  'END:VCALENDAR',
].join('\r\n');

test('a roster becomes time blocks: looked at on the grid, picked there and beside it, taken out, undone', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const before = await workbench.count();
  const file = { name: 'roster.ics', mimeType: 'text/calendar', buffer: Buffer.from(roster) };
  await page.getByLabel('A calendar file').setInputFiles(file);
  const pane = page.getByRole('region', { name: 'Hours in “roster.ics”' });
  const shift = pane.getByRole('checkbox', { name: /^Boatyard shift/ });
  const dentist = pane.getByRole('checkbox', { name: /^Dentist/ });
  await expect(shift).toBeChecked();
  await expect(dentist).not.toBeChecked();
  await expect(pane.getByRole('heading')).toBeFocused();

  // On the grid: by the clocks of the campus, in the weeks of the roster, with what they would leave.
  const shiftOnGrid = workbench.grid.getByRole('button', {
    name: 'Boatyard shift, Tuesday 8:00–11:00, weeks 1–6',
  });
  const dentistOnGrid = workbench.grid.getByRole('button', { name: 'Dentist, Thursday 10:00–11:00, week 1' });
  await expect(shiftOnGrid).toHaveAttribute('aria-pressed', 'true');
  await expect(dentistOnGrid).toHaveAttribute('aria-pressed', 'false');
  await workbench.answered();
  await expect.poll(() => workbench.count()).toBeLessThan(before);
  const withShift = await workbench.count();
  await expectNoFaults(page);
  await shiftOnGrid.click();
  await expect(shift).not.toBeChecked();
  await expect.poll(() => workbench.count()).toBe(before);
  await shiftOnGrid.press('Enter');
  await expect(shift).toBeChecked();
  await dentist.check();
  await expect(dentistOnGrid).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(() => workbench.count()).toBeLessThanOrEqual(withShift);
  await workbench.answered();
  const withBoth = await workbench.count();

  await pane.getByRole('button', { name: 'Take 2 events out' }).click();
  await expect(
    workbench.rules.getByText(/Tue 8:00–11:00.*Boatyard shift|Boatyard shift.*Tue 8:00–11:00/),
  ).toBeVisible();
  await expect(workbench.rules.getByRole('listitem')).toHaveCount(2);
  await workbench.answered();
  expect(await workbench.count()).toBe(withBoth);
  await workbench.saved();
  await page.keyboard.press('Control+z');
  await expect(workbench.rules.getByRole('listitem')).toHaveCount(0);

  await page
    .getByLabel('A calendar file')
    .setInputFiles({ ...file, name: 'no.ics', buffer: Buffer.from('no calendar') });
  await expect(page.getByRole('alert')).toContainText('BEGIN:VCALENDAR');
  await page.keyboard.press('Escape');
  await expect(workbench.wanted).toBeVisible();
});

test('a calendar that leaves no timetable says so, and nothing is taken out by looking', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const text = roster
    .replace('T120000Z', 'T040000')
    .replace('T150000Z', 'T230000')
    .replace('COUNT=6', 'BYDAY=MO,TU,WE,TH,FR;COUNT=60');
  await page
    .getByLabel('A calendar file')
    .setInputFiles({ name: 'all.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  // Nothing is taken out as yet; a way out takes the hours along, in one step.
  const wayOut = page.getByRole('button', { name: /timetables?$/ }).first();
  const gives = Number(/([\d,]+) timetables?$/.exec(await wayOut.innerText())![1]!.replaceAll(',', ''));
  await wayOut.click();
  await expect(workbench.wanted).toBeVisible();
  await workbench.answered();
  await expect.poll(() => workbench.count()).toBe(gives);
  await workbench.saved();
  await page.keyboard.press('Control+z');
  await expect(workbench.rules.getByRole('listitem')).toHaveCount(0);
  await page
    .getByLabel('A calendar file')
    .setInputFiles({ name: 'all.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
  await expect(page.getByRole('heading', { name: 'No timetable is possible' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(workbench.title).toContainText('week shapes');
  await expect(workbench.rules.getByRole('listitem')).toHaveCount(0);
});

test('a calendar is dropped on the grid, and several lines of hours are pasted', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const dropped = await page.evaluateHandle((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'roster.ics', { type: 'text/calendar' }));
    return data;
  }, roster);
  await workbench.grid.dispatchEvent('drop', { dataTransfer: dropped });
  const pane = page.getByRole('region', { name: 'Hours in “roster.ics”' });
  await expect(pane.getByRole('checkbox', { name: /^Boatyard shift/ })).toBeChecked();
  await pane.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('complementary', { name: 'What I ask' })).toBeFocused();

  const line = page.getByRole('textbox', { name: 'Type hours you can’t' });
  const paste = (text: string) =>
    line.evaluate((field, pasted) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text', pasted);
      field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    }, text);
  await paste('Mon 9-12 shift\nnonsense');
  await expect(page.getByText('Can’t: Mon 9:00–12:00, shift', { exact: true })).toBeVisible();
  await line.press('Enter');
  await expect(page.getByRole('alert')).toContainText('“nonsense”');
  await expect(workbench.rules.getByRole('listitem')).toHaveCount(0);
  await line.fill('');
  await paste('Mon 9-12 shift\r\nTue Thu 18-20 choir\r\n');
  await expect(page.getByText('Enter takes all 2.')).toBeVisible();
  await line.press('Enter');
  await expect(workbench.rules.getByRole('listitem')).toHaveCount(2);
});
