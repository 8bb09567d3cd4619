import { expect, type Locator, type Page } from '@playwright/test';

/** The Workbench as its user handles it. */
export class Desk {
  constructor(readonly page: Page) {}

  static async open(page: Page): Promise<Desk> {
    await page.goto('/');
    const desk = new Desk(page);
    await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
    return desk;
  }

  get wanted(): Locator {
    return this.page.getByRole('list', { name: 'Wanted courses' });
  }

  get grid(): Locator {
    return this.page.getByRole('region', { name: 'Hour grid' });
  }

  get title(): Locator {
    return this.page.getByRole('heading', { level: 1 });
  }

  /** Can't blocks on the grid; a block of several days stands on each. */
  get blocks(): Locator {
    return this.grid.getByRole('button', { name: /^Can’t/ });
  }

  get classes(): Locator {
    return this.grid.locator('[data-section]');
  }

  /** Adds courses with the keyboard alone. */
  async add(...courses: string[]): Promise<void> {
    await this.page.keyboard.press('/');
    for (const course of courses) {
      await this.page.keyboard.type(course);
      await this.page.keyboard.press('Enter');
      await expect(this.wanted.getByText(course, { exact: true })).toBeVisible();
    }
    await this.page.keyboard.press('Escape');
    await this.saved();
  }

  async saved(): Promise<void> {
    await expect(this.page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  }

  /** How many timetables the heading says there are. */
  async count(): Promise<number> {
    const text = (await this.title.textContent()) ?? '';
    const found = /(?:of )?([\d,]+) timetables?/.exec(text);
    if (!found) throw new Error(`The heading gives no count: ${text}`);
    return Number(found[1]!.replaceAll(',', ''));
  }

  /** The number of the timetable in view, from 1. */
  async number(): Promise<number> {
    const text = (await this.title.textContent()) ?? '';
    return Number(/N° ([\d,]+)/.exec(text)?.[1]?.replaceAll(',', '') ?? Number.NaN);
  }

  /** The registration numbers in view, as drawn. */
  async sections(): Promise<string[]> {
    const numbers = await this.classes.evaluateAll((all) =>
      all.map((one) => one.getAttribute('data-section')!),
    );
    return [...new Set(numbers)].sort();
  }

  /** A point on a day's band at an hour. */
  async at(day: string, hour: number): Promise<{ x: number; y: number }> {
    const band = (await this.grid.getByRole('group', { name: day }).boundingBox())!;
    const axis = await this.hours();
    return {
      x: band.x + ((hour - axis.from) / (axis.to - axis.from)) * band.width,
      y: band.y + band.height / 2,
    };
  }

  async press(day: string, hour: number): Promise<void> {
    const { x, y } = await this.at(day, hour);
    await this.page.mouse.move(x, y);
    await this.page.mouse.down();
  }

  async moveTo(day: string, hour: number): Promise<void> {
    const { x, y } = await this.at(day, hour);
    await this.page.mouse.move(x, y, { steps: 6 });
  }

  async drag(day: string, from: number, to: number): Promise<void> {
    await this.press(day, from);
    await this.moveTo(day, to);
    await this.page.mouse.up();
    await this.saved();
  }

  private async hours(): Promise<{ from: number; to: number }> {
    const shown = await this.grid.locator('[data-hour]').allTextContents();
    return { from: Number(shown[0]), to: Number(shown.at(-1)) };
  }
}
