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

/** Sets the seats of a section at the registrar's clerk. */
export async function setSeats(
  clerk: Page,
  campus: string,
  number: string,
  capacity: number,
  enrolled: number,
): Promise<void> {
  await clerk.goto(`${campus}/clerk`);
  const form = clerk.getByRole('heading', { name: 'Seats of a section' }).locator('+ form');
  await form.getByLabel('Number').fill(number);
  await form.getByLabel('Capacity').fill(String(capacity));
  await form.getByLabel('Enrolled').fill(String(enrolled));
  await form.getByRole('button', { name: 'Set' }).click();
  await clerk.getByRole('heading', { name: 'Seats of a section' }).waitFor();
}

/** The campus of the server that all tests share. */
export function sharedCampus(baseURL: string): string {
  const campus = new URL(baseURL);
  campus.port = String(Number(campus.port) + 1);
  return campus.origin;
}

/** Sends a form of the clerk's page, found by the action it has, with some of its fields filled in. */
export async function clerkForm(
  clerk: Page,
  campus: string,
  action: string,
  fields: Record<string, string>,
): Promise<void> {
  await clerk.goto(`${campus}/clerk`);
  const token = await clerk.locator('input[name=__RequestVerificationToken]').first().inputValue();
  const answer = await clerk.request.post(`${campus}/clerk/${action}`, {
    form: { ...fields, __RequestVerificationToken: token },
  });
  expect(answer.ok()).toBe(true);
}
