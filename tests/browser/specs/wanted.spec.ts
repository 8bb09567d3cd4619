import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';
import { pick } from '../select';

test('one key each for the roles, and the order by keys and by dragging', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101');
  const all = await workbench.count();
  await workbench.course('CAR 305').focus();
  await page.keyboard.press('3');
  await expect(workbench.row('CAR 305')).toContainText('not taken');
  await page.keyboard.press('2');
  await expect(
    workbench.row('CAR 305').getByRole('button', { name: 'CAR 305: If it fits. Change' }),
  ).toBeVisible();
  // Taken or not: those with it are the ones there were, and it says so.
  await expect(workbench.row('CAR 305')).toContainText(new RegExp(`in ${all} of \\d+`));
  await page.keyboard.press('1');
  await expect.poll(() => workbench.count()).toBe(all);

  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => workbench.order()).toEqual(['CAR 305', 'TID 210', 'WRT 101']);
  await workbench
    .row('WRT 101')
    .locator('[title^="Drag"]')
    .dragTo(workbench.row('CAR 305'), { targetPosition: { x: 100, y: 3 } });
  await expect.poll(() => workbench.order()).toEqual(['WRT 101', 'CAR 305', 'TID 210']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.order()).toEqual(['CAR 305', 'TID 210', 'WRT 101']);
});

test('one course dropped on another makes an either–or, and what is taken of it is set', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305', 'WRT 101');
  const row = (await workbench.row('CAR 305').boundingBox())!;
  await workbench
    .row('WRT 101')
    .locator('[title^="Drag"]')
    .dragTo(workbench.row('CAR 305'), { targetPosition: { x: 100, y: row.height / 2 } });
  const choice = page.getByRole('group', { name: 'Either–or of CAR 305, WRT 101' });
  await expect(choice).toBeVisible();
  await expect(workbench.row('WRT 101')).toContainText('1 of this or CAR 305');
  const one = await workbench.count();
  await pick(choice.getByRole('combobox', { name: 'At most' }), '2');
  await expect.poll(() => workbench.count()).toBeGreaterThan(one);
  await workbench.row('WRT 101').getByRole('button', { name: 'WRT 101: one of several. Change' }).click();
  await page.getByRole('menuitemradio', { name: 'Must' }).click();
  await expect(choice).toHaveCount(0);
});

test('without a course for a moment changes nothing that is kept', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const both = await workbench.count();
  await workbench.course('WRT 101').focus();
  await page.keyboard.down('w');
  await expect.poll(() => workbench.count()).not.toBe(both);
  await expect(workbench.row('WRT 101')).toContainText('not taken');
  await page.keyboard.up('w');
  await expect.poll(() => workbench.count()).toBe(both);
  const toggle = page.getByRole('button', { name: 'Without WRT 101 for a moment' });
  await toggle.click();
  await expect.poll(() => workbench.count()).not.toBe(both);
  await page.reload();
  await expect.poll(() => workbench.count()).toBe(both);
});

test('a course opens to its sections: where each stands, kept and ruled out one by one or together', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const all = await workbench.count();
  await workbench.course('TID 210').click();
  const sections = page.getByRole('list', { name: 'Sections of TID 210' });
  // Just one lecture is in each timetable.
  await expect(async () => {
    const said = await sections.getByRole('listitem').filter({ hasText: 'Lecture' }).allTextContents();
    const counts = said.map((text) =>
      Number(/in (?:all )?([\d,]+)/.exec(text)?.[1]?.replaceAll(',', '') ?? 0),
    );
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(all);
  }).toPass();

  const lab = sections
    .getByRole('listitem')
    .filter({ hasText: 'Lab' })
    .filter({ hasNotText: 'in none' })
    .first();
  const count = Number(/in ([\d,]+)/.exec((await lab.textContent())!)![1]);
  const name = (await lab.getByRole('checkbox').getAttribute('aria-label'))!.replace('Select ', '');
  await sections.getByRole('button', { name: `Keep ${name}` }).click();
  await expect.poll(() => workbench.count()).toBe(count);
  await expect(sections.getByRole('listitem').filter({ hasText: name })).toContainText(`in all ${count}`);
  await sections.getByRole('button', { name: `Keep ${name}` }).click();
  await expect.poll(() => workbench.count()).toBe(all);

  // All evening labs out.
  await page.getByRole('button', { name: 'labs', exact: true }).click();
  await page.getByRole('button', { name: 'of these, evening ones' }).click();
  await page
    .getByRole('group', { name: 'Sections selected' })
    .getByRole('button', { name: 'Rule out' })
    .click();
  await expect.poll(() => workbench.count()).toBeLessThan(all);
  const out = sections.getByRole('button', { name: /^Rule out Lab/, pressed: true });
  const evening = sections.getByRole('listitem').filter({ hasText: /Lab.*(1[789]|20):\d\d–/ });
  expect(await out.count()).toBe(await evening.count());
  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.count()).toBe(all);

  // Pointing at a section shows where it falls.
  await sections.getByRole('listitem').first().hover();
  await expect(workbench.outlines.first()).toBeVisible();

  await page.getByRole('button', { name: /^Instructors: / }).click();
  await page.getByRole('dialog', { name: 'Instructors' }).getByRole('checkbox').first().check();
  await page.keyboard.press('Escape');
  await expect(workbench.row('TID 210')).toContainText('only with');
});

test('credits are said against full-time, award and maximum', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305');
  await expect(page.getByText('7 credits, 5 credits short of full-time (12)')).toBeVisible();
  await workbench.add('WRT 101', 'LOG 118');
  await expect(page.getByText('13 credits, full-time; 2 credits short of the award (15)')).toBeVisible();
  await page.getByRole('button', { name: /^13 credits/ }).click();
  await page.getByRole('spinbutton', { name: 'Award from' }).fill('13');
  await page.keyboard.press('Escape');
  await expect(page.getByText(/^13 credits$/).first()).toBeVisible();
  await expect(page.getByText(/short of the award/)).toHaveCount(0);
});
