import { expect, type Locator, type Page } from '@playwright/test';

/** The Requirements of a degree as their student handles them. */
export class Requirements {
  constructor(readonly page: Page) {}

  static async open(page: Page): Promise<Requirements> {
    await page.getByRole('link', { name: 'Requirements' }).click();
    const requirements = new Requirements(page);
    await expect(requirements.outline.or(page.getByRole('heading', { level: 1 })).first()).toBeVisible();
    return requirements;
  }

  get outline(): Locator {
    return this.page.getByRole('region', { name: 'Programme' });
  }

  /** One requirement's row, by how its name begins. */
  row(name: string): Locator {
    return this.outline.getByRole('button', { name: new RegExp(`^${name}`) });
  }

  get strip(): Locator {
    return this.page.getByRole('region', { name: 'Terms ahead' });
  }

  term(name: string): Locator {
    return this.strip.getByRole('region', { name });
  }

  offer(course: string): Locator {
    return this.page
      .getByRole('list', { name: /^Courses for/ })
      .getByRole('listitem')
      .filter({ has: this.page.getByRole('link', { name: course }) });
  }

  /** What was done here last. */
  async told(words: string): Promise<void> {
    await expect(this.strip.getByRole('status').filter({ hasText: words })).toBeVisible();
  }

  async saved(): Promise<void> {
    await expect(this.strip.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  }
}
