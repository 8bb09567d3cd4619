import { expect, type Locator, type Page } from '@playwright/test';

/** The Catalogue as its user handles it. */
export class Finder {
  constructor(readonly page: Page) {}

  static async open(page: Page, search = ''): Promise<Finder> {
    await page.goto(`/2027SP/catalogue${search}`);
    const finder = new Finder(page);
    await expect(finder.box).toBeVisible();
    await expect(finder.status).toHaveText(/courses?\.|fit the sketch/);
    return finder;
  }

  get box(): Locator {
    return this.page.getByRole('searchbox', { name: 'Find courses' });
  }

  get list(): Locator {
    return this.page.getByRole('region', { name: 'Courses found' });
  }

  get rows(): Locator {
    return this.list.locator('[data-result]');
  }

  /** How many courses are shown, and what is hidden. */
  get status(): Locator {
    return this.page.getByRole('main').getByRole('status').first();
  }

  get course(): Locator {
    return this.page.getByRole('article');
  }

  phrase(side: string): Locator {
    return this.page.getByRole('button', { name: new RegExp(`^${side}: .*Change$`) });
  }

  async total(): Promise<number> {
    // Until a search is answered, what was found before it stays in view.
    await expect(this.status).toHaveAttribute('aria-busy', 'false');
    return Number(((await this.status.textContent()) ?? '').match(/[\d,]+/)![0].replaceAll(',', ''));
  }

  /** Finds a course by its code and opens it. */
  async find(code: string): Promise<void> {
    await this.box.fill(code);
    await expect(this.rows.first()).toContainText(code);
    await this.rows.first().click();
    await expect(this.course.getByRole('heading', { level: 2 })).toContainText(code);
  }

  async want(...codes: string[]): Promise<void> {
    for (const code of codes) {
      await this.find(code);
      await this.course.getByRole('button', { name: 'Add as must' }).click();
      await expect(this.course.getByRole('button', { name: 'Must', exact: true })).toHaveAttribute(
        'aria-pressed',
        'true',
      );
    }
    await this.box.fill('');
  }
}
