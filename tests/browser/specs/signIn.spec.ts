import { expect, type Page, test } from '@playwright/test';
import { expectNoFaults } from '../axe';
import { account, openRecord, sharedCampus, signIn, signOut } from '../campus';
import { Finder } from '../finder';
import { OwnServer } from '../ownServer';
import { Workbench } from '../workbench';

/** What needs the registrar says in one line that it does not answer, and keeps what it shows. */
async function expectSilence(page: Page): Promise<void> {
  await openRecord(page, 'Wren Halloran');
  await page.getByRole('button', { name: 'I have read this and agree' }).click();
  await expect(page.getByRole('alert')).toContainText('The registrar does not answer just now.');
  await expect(page.getByRole('dialog').getByText('Fees agreement')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** All that the browser keeps for the page. */
function kept(page: Page): Promise<string> {
  return page.evaluate(() => JSON.stringify([{ ...localStorage }, { ...sessionStorage }]));
}

test('signing in takes along what the browser made, and signing out leaves nothing of it', async ({
  page,
  browser,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 330');
  await workbench.saved();
  await page.goto('/2027SP/catalogue?q=rob+450');
  await signIn(page, 'Tamsin Roe');
  // Back where one was.
  await expect(page).toHaveURL(/\/2027SP\/catalogue\?q=rob\+450$/);
  await page.getByRole('link', { name: 'Workbench' }).click();
  await expect(workbench.wanted).toContainText('TID 330');

  // No token is anywhere in the browser, and no script reads the cookie.
  expect(await kept(page)).not.toMatch(/eyJ|token/i);
  expect(await page.evaluate(() => document.cookie)).toBe('');

  // Another browser of the same person has the same sketches, and what it made stands beside them.
  const other = await browser.newPage();
  const elsewhere = await Workbench.open(other);
  await elsewhere.add('GLZ 140');
  await elsewhere.saved();
  await signIn(other, 'Tamsin Roe');
  await expect(other.getByText('sketch 2 of 2').or(other.getByText('sketch 1 of 2'))).toBeVisible();
  await other.close();

  // What is kept by sketch, under the sketch's name: how far the list was scrolled, the colours.
  const ofSketch = (await kept(page)).match(/hour-grid\.position\.[0-9a-f-]{36}/)![0];
  const sketch = ofSketch.slice(-36);
  await signOut(page, 'Tamsin Roe');
  await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
  expect(await kept(page)).not.toContain(sketch);
  // The campus asks again, too: nobody is signed in there any more.
  await page.getByRole('link', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Campus sign-in' })).toBeVisible();
});

test('a way back that is not ours, and an answer that was not asked for, lead to no sign-in', async ({
  page,
}) => {
  await Workbench.open(page);
  await page.goto('/api/sign-in?from=https%3A%2F%2Felsewhere.example%2F');
  await page.getByRole('button', { name: /Mika Lund/ }).click();
  await expect(account(page, 'Mika Lund')).toBeVisible();
  await expect(page).toHaveURL(/^http:\/\/127\.0\.0\.1:\d+\/2027SP\//);
  await signOut(page, 'Mika Lund');

  await page.goto('/signin-oidc?code=made-up&state=made-up');
  await expect(page.getByRole('alert')).toHaveText('Signing in did not work.');
  await expect(page.getByRole('link', { name: 'Sign in' })).toBeVisible();
});

test('a sign-in that runs out loses nothing: the change is sent once one is signed in again', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await signIn(page, 'Idris Vane');
  await workbench.add('CAR 305');
  await workbench.saved();
  await page.context().clearCookies({ name: 'hour-grid' });
  const oneCampus = page.getByRole('checkbox', { name: 'One campus a day' });
  await oneCampus.check();
  await expect(page.getByRole('alert')).toContainText('Your sign-in has run out.');
  await expectNoFaults(page);
  await page.getByRole('link', { name: 'Sign in again' }).click();
  // The campus still knows who it is.
  await expect(account(page, 'Idris Vane')).toBeVisible();
  await expect(oneCampus).toBeChecked();
  await workbench.saved();
  await page.reload();
  await expect(oneCampus).toBeChecked();
});

test('the record is read, a hold is read and agreed to, and what may be taken is said', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('ROB 450');
  await signIn(page, 'Perrin Ashdown');
  const wanted = workbench.wanted.getByRole('listitem').filter({ hasText: 'ROB 450' });
  await expect(wanted).toContainText('You lack ROB 230 and ROB 305.');
  await expectNoFaults(page);

  await openRecord(page, 'Perrin Ashdown');
  const record = page.getByRole('dialog', { name: 'Your record' });
  await expect(record.getByRole('listitem').filter({ hasText: 'Academic standing' })).toContainText(
    'Dean of students has to clear it.',
  );
  const safety = record.getByRole('listitem').filter({ hasText: 'Workshop safety' });
  await expect(safety).toContainText('Kilns and furnaces');
  await expectNoFaults(page);
  await safety.getByRole('button', { name: 'I have read this and agree' }).click();
  await expect(safety).toHaveCount(0);
  await expect(record.getByRole('listitem').filter({ hasText: 'Academic standing' })).toBeVisible();

  await page.keyboard.press('Escape');
  await page.goto('/2027SP/catalogue?q=glz+234');
  await page.getByText('Raku and Salt').first().click();
  await expect(page.getByText('If you pass GLZ 155.')).toBeVisible();
});

test('the Catalogue narrows to what one may take, and a permission that is granted is seen at once', async ({
  page,
  context,
  baseURL,
}) => {
  await Finder.open(page);
  await signIn(page, 'Idris Vane');
  const finder = new Finder(page);
  await page.getByRole('button', { name: '+ narrow' }).click();
  await page.getByRole('menuitem', { name: 'What I may take' }).click();
  const all = await finder.total();
  await finder.phrase('What I may take').click();
  await page.getByRole('radio', { name: 'That I may take, by my record' }).check();
  await expect(page).toHaveURL(/eligible=yes/);
  await expectNoFaults(page);
  await page.keyboard.press('Escape');
  await expect.poll(() => finder.total()).toBeLessThan(all);
  await expect(page.getByRole('button', { name: /^[\d,]+ more that you may not take$/ })).toBeVisible();

  await finder.box.fill('rob 450');
  await expect(page.getByRole('heading', { name: /the narrowing hides them all/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show 1 more that you may not take' }).click();
  await finder.rows.first().click();
  await expect(finder.course).toContainText('You lack ROB 230 and ROB 305.');
  await finder.course.getByRole('button', { name: 'Ask for a permission…' }).click();
  await finder.course.getByRole('textbox', { name: /^Why the instructor/ }).fill('I built two boats.');
  await expectNoFaults(page);
  await finder.course.getByRole('button', { name: 'Ask', exact: true }).click();
  const permissions = finder.course.getByRole('list', { name: 'Permissions' });
  await expect(permissions).toContainText('waiting for an answer.');

  const instructor = await context.newPage();
  await instructor.goto(`${sharedCampus(baseURL!)}/instructor`);
  const asked = instructor.getByRole('row').filter({ hasText: 'I built two boats.' });
  await asked.getByLabel('Words').fill('Come along.');
  await asked.getByRole('button', { name: 'Grant' }).click();
  await expect(permissions).toContainText('granted. “Come along.”');
  await expect(finder.course).not.toContainText('You lack ROB 230 and ROB 305.');

  // A code that is none is told, and nothing of what was typed is lost.
  await finder.course.getByRole('button', { name: 'Ask for a permission…' }).click();
  await finder.course.getByRole('textbox', { name: /^Or the code/ }).fill('NOTHING-0000');
  await finder.course.getByRole('button', { name: 'Give in the code' }).click();
  await expect(finder.course.getByRole('alert')).toContainText('"NOTHING-0000" is none of this term.');
  await expect(finder.course.getByRole('textbox', { name: /^Or the code/ })).toHaveValue('NOTHING-0000');
});

test.describe('a registrar that fails', () => {
  let server: OwnServer;
  test.beforeAll(async () => {
    server = await OwnServer.startWithCampus();
  });
  test.afterAll(() => server.stop());

  test('planning goes on while the registrar is down, and what is known is shown with its age', async ({
    page,
    context,
  }) => {
    await page.goto(server.address);
    const workbench = new Workbench(page);
    await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
    await workbench.add('TID 210');
    await signIn(page, 'Wren Halloran');
    await openRecord(page, 'Wren Halloran');
    await expect(page.getByRole('dialog').getByText('Fees agreement')).toBeVisible();
    await page.keyboard.press('Escape');

    const clerk = await context.newPage();
    await clerk.goto(`${server.campus}/clerk`);
    await expectNoFaults(clerk);
    const faults = clerk.getByRole('heading', { name: 'What goes wrong on purpose' }).locator('+ form');
    await faults.getByRole('checkbox', { name: 'Down' }).check();
    await faults.getByRole('button', { name: 'Set' }).click();

    // What needs the registrar says so in a line, and what does not goes on.
    await expectSilence(page);
    await workbench.add('WRT 101');
    await workbench.saved();

    // Where it is slow, or answers no sense, it is the same; nothing hangs.
    await faults.getByRole('checkbox', { name: 'Down' }).uncheck();
    await faults.getByRole('spinbutton', { name: 'Seconds every answer takes' }).fill('30');
    await faults.getByRole('button', { name: 'Set' }).click();
    await expectSilence(page);
    await faults.getByRole('spinbutton', { name: 'Seconds every answer takes' }).fill('0');
    await faults.getByRole('checkbox', { name: 'Nonsense' }).check();
    await faults.getByRole('button', { name: 'Set' }).click();
    await expectSilence(page);
    await workbench.add('LOG 118');
    await workbench.saved();

    await faults.getByRole('checkbox', { name: 'Nonsense' }).uncheck();
    await faults.getByRole('button', { name: 'Set' }).click();
    await openRecord(page, 'Wren Halloran');
    await expect(async () => {
      await page.getByRole('button', { name: 'I have read this and agree' }).click({ timeout: 1_000 });
      await expect(page.getByText('Nothing stands in the way of registering.')).toBeVisible({
        timeout: 6_000,
      });
    }).toPass();
  });
});
