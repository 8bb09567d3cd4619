import { expect, test } from '@playwright/test';
import { Workbench } from '../workbench';
import { Finger, type Point } from '../finger';

test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

test('a finger that rests on the grid draws hours; one that moves scrolls', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await page.getByRole('button', { name: 'Add a course' }).click();
  const sheet = page.getByRole('dialog', { name: 'Courses and rules' });
  await sheet.getByRole('combobox').fill('TID 210');
  await sheet.getByRole('option', { name: /TID 210/ }).click();
  await expect(workbench.wanted.getByText('TID 210')).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(workbench.classes.first()).toBeVisible();
  const all = await workbench.count();
  const finger = await Finger.of(page);
  const scrolled = () =>
    workbench.grid.evaluate((grid) => {
      let at: Element | null = grid;
      while (at && at.scrollLeft === 0) at = at.parentElement;
      return at?.scrollLeft ?? 0;
    });

  // The lower edge of a day is free of classes.
  const friday = (await workbench.grid.getByRole('group', { name: 'Friday' }).boundingBox())!;
  const edge = friday.y + friday.height - 4;
  await finger.swipe({ x: 330, y: edge }, { x: 130, y: edge });
  await expect.poll(scrolled).toBeGreaterThan(50);
  await expect(workbench.blocks).toHaveCount(0);

  const one = workbench.classes.first();
  await one.scrollIntoViewIfNeeded();
  const before = await scrolled();
  const taken = (await one.boundingBox())!;
  const day = (await one.locator('xpath=ancestor::*[@role="group"]').boundingBox())!;
  const under = (x: number): Point => ({ x, y: day.y + day.height - 4 });
  await finger.down(under(taken.x + 4));
  await expect(workbench.blocks).toHaveCount(1);
  const hour = (await workbench.blocks.boundingBox())!.width;
  await finger.move(under(taken.x + taken.width));
  await finger.move(under(taken.x + taken.width + 40));
  await expect.poll(async () => (await workbench.blocks.boundingBox())!.width).toBeGreaterThan(hour);
  await finger.up();
  await expect(workbench.blocks).toHaveCount(1);
  expect(await scrolled()).toBe(before);
  await expect.poll(() => workbench.count()).toBeLessThan(all);

  // What is drawn is moved by the finger, at once, and taken back like any step.
  const drawn = (await workbench.blocks.boundingBox())!;
  const middle = { x: drawn.x + drawn.width / 2, y: drawn.y + drawn.height - 4 };
  await finger.down(middle);
  await finger.move({ x: middle.x + 30, y: middle.y });
  await finger.move({ x: middle.x + 60, y: middle.y });
  await finger.up();
  await expect.poll(async () => (await workbench.blocks.boundingBox())!.x).toBeGreaterThan(drawn.x + 20);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(workbench.blocks).toHaveCount(0);
  await expect.poll(() => workbench.count()).toBe(all);
});
