import { expect, test } from '@playwright/test';
import { setSeats } from '../campus';
import { OwnServer } from '../ownServer';
import { Workbench } from '../workbench';

test.describe('seats of the registrar', () => {
  let server: OwnServer;
  test.beforeAll(async () => {
    server = await OwnServer.startWithCampus();
  });
  test.afterAll(() => server.stop());

  test('a change is in every open page, and the Workbench answers anew when a section of its sketch fills', async ({
    page,
    context,
  }) => {
    await page.goto(server.address);
    const workbench = new Workbench(page);
    await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
    await workbench.add('WRT 101');
    const before = await workbench.count();

    const catalogue = await context.newPage();
    await catalogue.goto(`${server.address}/2027SP/catalogue?course=WRT+101`);
    const course = catalogue.getByRole('article');
    await expect(course.getByText('Seats as they are now')).toBeVisible();

    const asked: string[] = [];
    page.on('request', (request) => asked.push(new URL(request.url()).pathname));
    const clerk = await context.newPage();
    const number = (await workbench.classes.first().getAttribute('data-section')) ?? '';
    // A seat less is shown, and nothing is answered anew.
    await setSeats(clerk, server.campus, number, 30, 12);
    await expect(course.getByText('18 of 30 seats left')).toBeVisible();
    await setSeats(clerk, server.campus, number, 30, 13);
    await expect(course.getByText('17 of 30 seats left')).toBeVisible();
    expect(asked.filter((path) => path.startsWith('/api/answers'))).toEqual([]);
    // Full, it stands in no timetable any more.
    await setSeats(clerk, server.campus, number, 30, 30);
    await expect.poll(() => workbench.count()).toBe(before - 1);
    await setSeats(clerk, server.campus, number, 30, 29);
    await expect.poll(() => workbench.count()).toBe(before);
  });
});
