import type { Locator } from '@playwright/test';

/** Picks one of a list that opens under its field. */
export async function pick(field: Locator, option: string): Promise<void> {
  await field.click();
  await field.page().getByRole('option', { name: option, exact: true }).click();
}
