import { expect, type Page } from '@playwright/test';
import axe from 'axe-core';

/** Axe finds nothing on the page as it stands, in either theme. */
export async function expectNoFaults(page: Page) {
  expect(await faults(page)).toEqual([]);
  // The themes differ in their colours alone.
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(await faults(page, ['color-contrast'])).toEqual([]);
  await page.emulateMedia({ colorScheme: 'light' });
}

async function faults(page: Page, rules?: string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async (only) => {
    // Colours that still change are neither theme's; they begin to with the next frame.
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
    await Promise.allSettled(document.getAnimations().map((animation) => animation.finished));
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(
      document,
      only ? { runOnly: only, resultTypes: ['violations'] } : { resultTypes: ['violations'] },
    );
    return violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.html).join(' | ')}`);
  }, rules);
}
