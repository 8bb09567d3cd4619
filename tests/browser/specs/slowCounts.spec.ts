import { expect, type Page, test } from '@playwright/test';
import { Workbench } from '../workbench';

/** Counts take as long as the test wants: each waits until it is let go. */
async function holdCounts(page: Page, change: (answer: Record<string, unknown>) => Record<string, unknown>) {
  let letGo = () => {};
  let until = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/\/api\/answers$/, async (route) => {
    await until;
    const answer = await route.fetch();
    await route.fulfill({ response: answer, json: change((await answer.json()) as Record<string, unknown>) });
  });
  return {
    letGo: () => letGo(),
    hold: () => {
      until = new Promise<void>((resolve) => (letGo = resolve));
    },
  };
}

// What is still under way when a test has seen what it wanted is nobody's failure.
test.afterEach(({ page }) => page.unrouteAll({ behavior: 'ignoreErrors' }));

test('a count that takes long is told about at once, and exactly when it is there', async ({ page }) => {
  const workbench = await Workbench.open(page);
  // Courses that no other test takes together: what was counted before is known at once.
  await workbench.add('TID 330', 'GLZ 233', 'LOG 118', 'CAR 305');
  const all = await workbench.count();
  const counts = await holdCounts(page, (answer) => ({ ...answer, countMs: 400 }));
  const told = page.getByRole('heading', { level: 1 });

  // The first slow one is waited for a moment, the next is known to be slow.
  for (const [day, from, to] of [
    ['Tuesday', 8, 12],
    ['Thursday', 10, 15],
  ] as const) {
    counts.hold();
    await workbench.press(day, from);
    await workbench.moveTo(day, to);
    await expect(
      workbench.grid.getByText(new RegExp(`${from}:00–${to}:00 leaves about [\\d,]+`)),
    ).toBeVisible();
    await expect(told).toContainText(/of … week shapesabout [\d,]+ timetables/);
    await expect(workbench.grid).toHaveAttribute('aria-busy', 'true');
    counts.letGo();
    await expect(workbench.grid).toHaveAttribute('aria-busy', 'false');
    await expect(workbench.grid.getByText(/leaves [\d,]+$/)).toBeVisible();
    await expect(told).not.toContainText('about');
    expect(await workbench.count()).toBeLessThan(all);
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await expect.poll(() => workbench.count()).toBe(all);
  }
});

test('a pointer faster than the counts is shown the way it goes, and where it stays', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220', 'WRT 101', 'CAR 305');
  const counts = await holdCounts(page, (answer) => answer);
  await workbench.press('Tuesday', 8);
  for (let hour = 9; hour <= 15; hour += 0.25) await workbench.moveTo('Tuesday', hour);
  await expect(workbench.grid.getByText(/8:00–15:00 leaves about [\d,]+/)).toBeVisible();
  counts.letGo();
  await expect(workbench.grid).toHaveAttribute('aria-busy', 'false');
  await page.mouse.up();
  await workbench.saved();
  await expect(
    workbench.rules.getByRole('button', { name: 'Can’t: Tue 8:00–15:00', exact: true }),
  ).toBeVisible();
});

test('where there are too many to count, what is known is said, and nothing else', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220');
  await page.route(/\/api\/answers$/, async (route) => {
    const response = await route.fetch();
    const answer = (await response.json()) as Record<string, unknown>;
    const estimate = { timetables: 4.42e13, relativeError: 0.01 };
    await route.fulfill({ response, json: { ...answer, isExact: false, estimate } });
  });
  for (const part of ['costs', 'standings', 'week-shapes'])
    await page.route(`**/api/answers/${part}`, async (route) => {
      const response = await route.fetch();
      await route.fulfill({ response, json: { ...((await response.json()) as object), isExact: false } });
    });
  await workbench.press('Friday', 8);
  await workbench.moveTo('Friday', 9);
  await expect(workbench.grid.getByText('leaves about 4.4 × 10¹³')).toBeVisible();
  const told = page.getByRole('heading', { level: 1 });
  await expect(told).toContainText('about 4.4 × 10¹³ timetables');
  await expect(told).toContainText(/of at least [\d,]+ week shapes/);
  await expect(told).toContainText('in the best order found in time');
  await expect(
    page.getByText('There are too many timetables to say in how many each section stands'),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await page.mouse.up();
});
