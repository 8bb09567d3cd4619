import { expect, type Page } from '@playwright/test';

/** Signs in at the campus as one of the sample people, from wherever the page is, and comes back there. */
export async function signIn(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Campus sign-in' }).waitFor();
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await expect(account(page, name)).toBeVisible();
}

export async function signOut(page: Page, name: string): Promise<void> {
  await account(page, name).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('link', { name: 'Sign in' })).toBeVisible();
}

export async function openRecord(page: Page, name: string): Promise<void> {
  await account(page, name).click();
  await page.getByRole('menuitem', { name: 'Your record' }).click();
}

export function account(page: Page, name: string) {
  return page.getByRole('button', { name: new RegExp(`^${name}: `) });
}
