import { expect, type Locator, type Page } from '@playwright/test';
import { Workbench } from './workbench';

/** The Registration of a term as its student handles it. */
export class Registration {
  constructor(readonly page: Page) {}

  /** Chooses the first timetable of what the sketch asks, and goes to register it. */
  static async ofFirstTimetable(page: Page): Promise<Registration> {
    const workbench = new Workbench(page);
    await workbench.answered();
    await page.keyboard.press('s');
    await expect(workbench.shortlistButton).toHaveText(/1$/);
    await workbench.shortlistButton.click();
    await page.getByRole('dialog', { name: 'Shortlist' }).getByRole('button', { name: 'Choose' }).click();
    const registration = new Registration(page);
    await expect(registration.heading).toBeVisible();
    return registration;
  }

  get heading(): Locator {
    return this.page.getByRole('heading', { level: 1 });
  }

  /** The rows of a course, by how they stand. */
  row(course: string, state?: string): Locator {
    return this.page.locator(`[data-course="${course}"]${state ? `[data-state="${state}"]` : ''}`);
  }

  /** The registration numbers in a row. */
  async numbers(course: string): Promise<string[]> {
    const text = await this.row(course).first().innerText();
    return [...text.matchAll(/\b\d{5}\b/g)].map(([number]) => number);
  }

  async press(): Promise<void> {
    await this.page.getByRole('button', { name: /^Register \d courses?$/ }).click();
  }
}
