import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Axe finds nothing on the page as it stands. */
export async function expectNoFaults(page: Page) {
  const found = await new AxeBuilder({ page }).analyze();
  expect(
    found.violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.html).join(' | ')}`),
  ).toEqual([]);
}
