import { expect, type Locator, type Page, test } from '@playwright/test';
import { Workbench } from '../workbench';

test('the focus comes back to what opened a dialog, after every dialog', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'CAR 305');
  const openers: [string, () => Promise<Locator>, () => Promise<void>][] = [
    [
      'Keys',
      async () => page.getByRole('button', { name: 'Keys' }),
      async () => page.keyboard.press('Enter'),
    ],
    ['What to do', async () => workbench.course('TID 210'), async () => page.keyboard.press('Control+k')],
    [
      'All week shapes',
      async () => page.getByRole('button', { name: 'Show all week shapes' }),
      async () => page.keyboard.press('Enter'),
    ],
    ['Shortlist', async () => workbench.shortlistButton, async () => page.keyboard.press('Enter')],
  ];
  for (const [title, openerOf, open] of openers) {
    const opener = await openerOf();
    await opener.focus();
    await open();
    await expect(page.getByRole('dialog', { name: title })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(opener).toBeFocused();
  }
  // Those that a menu opens give it back to the menu's button.
  const add = page.getByRole('button', { name: '+ Add a rule' });
  for (const item of [/^Hours you can’t/, 'A break']) {
    await add.click();
    await page.getByRole('menuitem', { name: item }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(add).toBeFocused();
  }
  await workbench.sketchMenu('Rename…');
  await page.keyboard.press('Escape');
  await expect(workbench.sketchName).toBeFocused();
  await workbench.class('TID 210', 'Lecture').click();
  await page.keyboard.press('Escape');
  await expect(workbench.class('TID 210', 'Lecture')).toBeFocused();

  await page.getByRole('link', { name: 'Catalogue' }).click();
  const paste = page.getByRole('button', { name: 'Paste numbers' });
  await paste.click();
  await page.keyboard.press('Escape');
  await expect(paste).toBeFocused();
});

test('a time block keeps the focus while keys move it, and gives it on when they remove it', async ({
  page,
}) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const number = await workbench.number();
  await workbench.drag('Monday', 18, 19);
  await workbench.drag('Friday', 18, 19);
  const monday = workbench.blocks.first();
  await monday.focus();
  await page.keyboard.press('ArrowDown');
  const moved = workbench.grid.getByRole('button', { name: /^Can’t, Tuesday 18:00–19:00/ });
  await expect(moved).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowUp');
  await expect(workbench.grid.getByRole('button', { name: /^Can’t, Tuesday 18:15–19:15/ })).toBeFocused();
  expect(await workbench.number()).toBe(number);
  await page.keyboard.press('Delete');
  await expect(workbench.grid.getByRole('button', { name: /^Can’t, Friday/ })).toBeFocused();
});

test('walking is told once one rests, and not at every step', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'WRT 101');
  const told = page.locator('[aria-live="polite"]').filter({ hasText: /^N°/ });
  await page.evaluate(() => {
    const seen: string[] = ((window as unknown as { told: string[] }).told = []);
    new MutationObserver(() => {
      for (const region of document.querySelectorAll('[aria-live="polite"]'))
        if (/^N°/.test(region.textContent) && seen.at(-1) !== region.textContent)
          seen.push(region.textContent);
    }).observe(document.body, { childList: true, subtree: true, characterData: true });
  });
  for (let i = 0; i < 6; i++) await page.keyboard.down('ArrowRight');
  await page.keyboard.up('ArrowRight');
  await expect(told).toHaveText(/^N° 7: \d days with class, \d+:\d\d–\d+:\d\d first to last/);
  expect(await page.evaluate(() => (window as unknown as { told: string[] }).told)).toHaveLength(1);
});

test('a change of place moves the focus to its heading and names the page', async ({ page }) => {
  await Workbench.open(page);
  await expect(page).toHaveTitle('Workbench · Spring 2027 · Hour Grid');
  for (const [place, heading] of [
    ['Catalogue', /^Catalogue/],
    ['Line-up', /Nothing is lined up yet/],
    ['Registration', /Nothing is chosen yet/],
    ['Workbench', /Workbench/],
  ] as const) {
    await page.getByRole('link', { name: place }).click();
    await expect(page).toHaveTitle(`${place} · Spring 2027 · Hour Grid`);
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeFocused();
  }
});

test('Ctrl+Z works with the focus on any control; typed text keeps its own', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  const controls: Locator[] = [
    page.getByRole('slider').first(),
    page.getByRole('combobox', { name: 'What matters, start from' }),
    workbench.otherRules.getByRole('checkbox').first(),
    page.getByRole('textbox', { name: 'Type hours you can’t' }),
    workbench.wanted.getByRole('button', { name: 'TID 210: Must. Change' }),
  ];
  for (const control of controls) {
    await workbench.drag('Friday', 18, 19);
    await expect(workbench.blocks).toHaveCount(1);
    await control.focus();
    await page.keyboard.press('Control+z');
    await expect(workbench.blocks).toHaveCount(0);
  }
  await workbench.drag('Friday', 18, 19);
  await page.getByRole('textbox', { name: 'Type hours you can’t' }).fill('mon');
  await page.keyboard.press('Control+z');
  await expect(workbench.blocks).toHaveCount(1);
});

test('keys of one character can be switched off', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210');
  await page.getByRole('button', { name: 'Keys' }).click();
  const dialog = page.getByRole('dialog', { name: 'Keys' });
  await dialog.getByRole('checkbox', { name: /^Keys of one character/ }).uncheck();
  await page.keyboard.press('Escape');
  for (const key of ['s', 'a', 'h', '?']) await page.keyboard.press(key);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(workbench.shortlistButton).not.toContainText('1');
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => workbench.number()).toBe(2);
  await page.reload();
  await expect(workbench.classes.first()).toBeVisible();
  await page.keyboard.press('a');
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => workbench.number()).toBe(3);
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('nothing that is pressed is smaller than 24 by 24', async ({ page }) => {
  const workbench = await Workbench.open(page);
  await workbench.add('TID 210', 'ACO 220', 'CAR 305');
  await workbench.drag('Friday', 18, 19);
  await workbench.course('TID 210').click();
  expect(await small(page)).toEqual([]);
  await page.getByRole('link', { name: 'Catalogue' }).click();
  await page.locator('[data-result]').first().click();
  await expect(page.getByRole('heading', { name: 'Sections' })).toBeVisible();
  expect(await small(page)).toEqual([]);
});

/** What is smaller, links in running text and what stands apart from all else left out (WCAG 2.2, 2.5.8). */
function small(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const least = 24;
    const targets = [...document.querySelectorAll<HTMLElement>('button, input, [role="combobox"], a')].filter(
      (one) => one.checkVisibility() && !one.closest('[hidden]'),
    );
    // A label around a control is pressed for it.
    const boxes = targets.map((one) => (one.closest('label') ?? one).getBoundingClientRect());
    return targets.flatMap((one, i) => {
      const box = boxes[i]!;
      if (box.width >= least - 0.5 && box.height >= least - 0.5) return [];
      if (box.width === 0 || getComputedStyle(one).display === 'inline') return [];
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
      const isApart = boxes.every((other, j) => {
        if (
          i === j ||
          (box.x <= other.x && other.right <= box.right && box.y <= other.y && other.bottom <= box.bottom)
        )
          return true;
        const [dx, dy] = [
          Math.max(other.x - x, 0, x - other.right),
          Math.max(other.y - y, 0, y - other.bottom),
        ];
        return Math.hypot(dx, dy) >= least / 2;
      });
      return isApart
        ? []
        : [
            `${one.getAttribute('aria-label') ?? one.textContent}: ${Math.round(box.width)} × ${Math.round(box.height)}`,
          ];
    });
  });
}
