import { expect, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { clerkForm, setSeats, signIn } from '../campus';
import { OwnServer } from '../ownServer';
import { Registration } from '../registration';
import { Requirements } from '../requirements';
import { Workbench } from '../workbench';

const term = '2027SP';

test('from a requirement to a confirmed week, against the crowd', async ({ browser }) => {
  const server = await OwnServer.startWithCampus();
  try {
    const context = await browser.newContext({ baseURL: server.address });
    const page = await context.newPage();
    const clerk = await context.newPage();
    await clerkForm(clerk, server.campus, 'turn', { term, student: 'S2041', seconds: '600' });
    await clerkForm(clerk, server.campus, 'crowd', { pace: '2', students: '200', course: '' });

    // What the degree needs goes into a sketch with one press; the rest is wanted there.
    await page.goto(`/${term}/workbench`);
    await signIn(page, 'Wren Halloran');
    const requirements = await Requirements.open(page);
    await requirements.row('Humanities').click();
    await requirements
      .offer('MUS 101')
      .getByRole('button', { name: /^Add MUS 101 to/ })
      .click();
    await requirements.told('MUS 101 is a must of');
    await page.getByRole('link', { name: 'Workbench' }).click();
    const workbench = new Workbench(page);
    await workbench.add('CAR 305', 'GLZ 155', 'ACO 220');
    // One that has a line to wait in.
    await workbench.keepOnly('GLZ 155', 'T03');
    await expect.poll(() => workbench.sections()).toContain('10266');
    const registration = await Registration.ofFirstTimetable(page);

    // Everything that stands in the way at once, each with what to do.
    await expect(registration.heading).toContainText('Ready: 0 of 4');
    await expect(page.getByText(/^Your turn is in \d/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Register 4 courses' })).toBeDisabled();
    await page.getByRole('button', { name: 'Read it and agree' }).click();
    await page.getByRole('button', { name: 'I have read this and agree' }).click();
    await expect(registration.heading).toContainText('Ready: 4 of 4');
    await expectNoFaults(page);

    // A swap is prepared for one, and a place in line for another.
    const [acoustics, clay] = [await registration.numbers('ACO 220'), await registration.numbers('GLZ 155')];
    await page.getByRole('button', { name: /^Prepare this for ACO 220 Recitation/ }).click();
    await registration.row('GLZ 155').getByRole('combobox', { name: 'If it is full:' }).click();
    await page.getByRole('option', { name: 'wait in line' }).click();
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

    // The seats go while one waits for the turn; of the others there are enough for the crowd, too.
    for (const course of ['CAR 305', 'MUS 101'])
      for (const number of await registration.numbers(course))
        await setSeats(clerk, server.campus, number, 90, 10);
    await fill(acoustics[1]!);
    await fill(clay[0]!);
    await expect(registration.row('GLZ 155')).toContainText(/seats? went while you looked/);
    await expect(registration.row('GLZ 155')).toContainText(/full: would wait, place \d/);
    await expect(registration.row('ACO 220')).toContainText('full: would take the swap');
    await clerkForm(clerk, server.campus, 'turn', { term, student: 'S2041', seconds: '5' });
    await expect(page.getByText('It is your turn').first()).toBeVisible();
    await registration.press();

    await expect(registration.row('ACO 220', 'held')).toContainText('the swap you prepared was taken.');
    await expect(registration.row('MUS 101', 'held')).toContainText('confirmation');
    await expect(registration.row('GLZ 155', 'waiting')).toContainText(/waiting, place \d of \d/);
    await expect(registration.heading).toContainText('3 of 4 courses are yours');
    const week = page.getByRole('region', { name: 'Week as it stands with the registrar' });
    await expect(week).toContainText('registered');
    await expect(week).toContainText(/waiting, \d/);
    await expectNoFaults(page);

    // Somebody gives a seat up: it is let in by itself, told in the page and by mail.
    await setSeats(clerk, server.campus, clay[0]!, 40, 14);
    await expect(registration.row('GLZ 155', 'held')).toBeVisible();
    await expect(page.getByText('You were let in: GLZ 155 is registered.')).toBeVisible();
    await expect(async () => {
      await clerk.goto(`${server.campus}/mail`);
      await expect(clerk.getByText('You were let in: GLZ 155 is registered.').first()).toBeVisible({
        timeout: 500,
      });
    }).toPass();
    await page.getByRole('button', { name: 'Seen' }).click();
    await expect(page.getByText('You were let in: GLZ 155 is registered.')).toHaveCount(0);

    // And a record of it all, to keep.
    await page.getByRole('button', { name: 'What is registered, to keep' }).click();
    await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(
      1 + (await page.locator('[data-state=held]').count()),
    );
    await expectNoFaults(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'History' }).click();
    await expect(page.getByRole('dialog')).toContainText('Let in: GLZ 155');
    await expect(page.getByRole('dialog')).toContainText('registered what was prepared instead');

    async function fill(number: string): Promise<void> {
      await setSeats(clerk, server.campus, number, 14, 14);
    }
  } finally {
    await server.stop();
  }
});

test('a browser closed in the middle shows the truth afterwards, and nothing is done twice', async ({
  browser,
}) => {
  // Twenty-five pages are loaded, one after the other.
  test.slow();
  const server = await OwnServer.startWithCampus();
  try {
    const context = await browser.newContext({ baseURL: server.address });
    const clerk = await context.newPage();
    await clerkForm(clerk, server.campus, 'opening', { term, phase: 'open', seconds: '0' });
    let page = await context.newPage();
    await page.goto(`/${term}/workbench`);
    await signIn(page, 'Tamsin Roe');
    await new Workbench(page).add('GLZ 155');
    await Registration.ofFirstTimetable(page);
    for (let round = 0; round < 25; round++) {
      // Registered and dropped in turn, and the page is gone a moment later each time.
      const press = page.getByRole('button', { name: 'Register 1 course' });
      await expect(press).toBeEnabled();
      const sent = page.waitForRequest('**/presses');
      const answered = page.waitForResponse('**/presses');
      const gone = Promise.allSettled([sent, answered]);
      await press.click();
      if (round % 3 > 0) await sent;
      if (round % 3 > 1) await answered;
      await page.close();
      await gone;
      page = await context.newPage();
      await page.goto(`/${term}/registration`);
      const again = new Registration(page);
      const held = again.row('GLZ 155', 'held');
      // What did not leave the browser is said, and sent with the same key.
      const unsent = page.getByRole('button', { name: 'Send it now' });
      await expect(held.or(unsent)).toBeVisible();
      if (await unsent.isVisible()) await unsent.click();
      await expect(held).toHaveCount(1);
      await again.row('GLZ 155').getByRole('button', { name: 'Drop GLZ 155' }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Drop it' }).click();
      await expect(again.row('GLZ 155', 'held')).toHaveCount(0);
    }
    await page.getByRole('button', { name: 'History' }).click();
    const rows = page.getByRole('dialog').getByRole('row');
    await expect(rows.filter({ hasText: 'Register GLZ 155' })).toHaveCount(25);
    await expect(rows.filter({ hasText: 'Drop GLZ 155' })).toHaveCount(25);
    await expect(rows.filter({ hasText: 'not registered' })).toHaveCount(0);
  } finally {
    await server.stop();
  }
});

test('what is held is changed by a sketch that begins with it, and a seat is told of', async ({
  browser,
}) => {
  const server = await OwnServer.startWithCampus();
  try {
    const context = await browser.newContext({ baseURL: server.address });
    const clerk = await context.newPage();
    await clerkForm(clerk, server.campus, 'opening', { term, phase: 'open', seconds: '0' });
    const page = await context.newPage();
    await page.goto(`/${term}/workbench`);
    await signIn(page, 'Tamsin Roe');
    await new Workbench(page).add('GLZ 155', 'MUS 101');
    const registration = await Registration.ofFirstTimetable(page);
    await expect(registration.heading).toContainText('Ready: 2 of 2');
    await registration.press();
    await expect(registration.heading).toContainText('All 2 courses are yours');
    const before = await registration.numbers('GLZ 155');

    // Held sections stay until they are released.
    await page.getByRole('button', { name: 'Change it' }).click();
    const bar = page.getByRole('region', { name: 'Change of what is held' });
    await expect(bar).toContainText('GLZ 155 stays');
    await expect(bar).toContainText('This one: as it is held');
    await bar.getByRole('button', { name: /^Release GLZ 155/ }).click();
    await expect(bar).toContainText('GLZ 155 released');
    await bar.getByRole('button', { name: 'In order of fewest changes' }).click();
    const list = page.getByRole('dialog').getByRole('listitem');
    await expect(list.nth(0)).toContainText('as it is held');
    await expect(list.nth(1)).toContainText('swap 1');
    await expectNoFaults(page);
    await list.nth(1).getByRole('button', { name: 'Show it' }).click();
    await expect(bar).toContainText('This one: swap 1');
    await bar.getByRole('button', { name: 'Send 1 change' }).click();
    await expect(registration.heading).toContainText('courses are yours');
    await expect.poll(() => registration.numbers('GLZ 155')).not.toEqual(before);

    // Dropping says before what else falls.
    await registration.row('MUS 101').getByRole('button', { name: 'Drop MUS 101' }).click();
    await expect(page.getByRole('dialog')).toContainText('short of full-time');
    await page.getByRole('dialog').getByRole('button', { name: 'Drop it' }).click();
    await expect(registration.row('MUS 101', 'held')).toHaveCount(0);

    // Another takes the seat; one asks to be told of the next, and is.
    const seat = (await registration.numbers('MUS 101'))[0]!;
    await setSeats(clerk, server.campus, seat, 14, 14);
    const row = registration.row('MUS 101');
    await row.getByRole('button', { name: 'Tell me when there is a seat' }).click();
    await expect(row.getByRole('button', { name: 'You are told of a seat' })).toBeVisible();
    const told = page.getByRole('listitem').filter({ hasText: 'Do not tell me' });
    await expect(told).toHaveCount(1);
    // Of that section alone, too: in the Catalogue, for whatever stands there.
    await page.goto(`/${term}/catalogue?q=MUS+101`);
    await page.getByText('Hearing Structure').first().click();
    const ofSection = page
      .getByRole('listitem')
      .filter({ hasText: seat })
      .getByRole('button', { name: /^Seat notice/ });
    await ofSection.click();
    await expect(ofSection).toHaveAttribute('aria-pressed', 'true');

    // Told in whatever place one is; a course taken whole is registered from there.
    await setSeats(clerk, server.campus, seat, 15, 14);
    const happened = page.getByRole('list', { name: 'What happened' }).getByRole('listitem');
    await expect(happened).toHaveCount(2);
    await expect(happened.first()).toContainText('There is a seat: MUS 101');
    await expectNoFaults(page);
    await page.getByRole('button', { name: 'Register MUS 101 now' }).click();
    await expect(registration.row('MUS 101', 'held')).toBeVisible();
    // What tells of the same seats is settled with it.
    await expect(happened).toHaveCount(0);
    await expect(told).toHaveCount(0);
  } finally {
    await server.stop();
  }
});
