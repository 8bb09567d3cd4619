import { expect, type Locator, type Page } from '@playwright/test';

/** The Workbench as its user handles it. */
export class Workbench {
  constructor(readonly page: Page) {}

  static async open(page: Page): Promise<Workbench> {
    await page.goto('/');
    const workbench = new Workbench(page);
    await expect(page.getByRole('heading', { name: 'Start with a course you need' })).toBeVisible();
    return workbench;
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

  /** Blocks on the grid; a block of several days stands on each. */
  get blocks(): Locator {
    return this.grid.getByRole('button', { name: /^(Can’t|Rather not),/ });
  }

  get classes(): Locator {
    return this.grid.locator('[data-section]');
  }

  /** Adds courses with the keyboard alone. */
  async add(...courses: string[]): Promise<void> {
    const find = this.page.getByRole('combobox', { name: 'Add a course' });
    // A place that was just gone to hears no keys before it is there.
    await expect(async () => {
      await this.page.keyboard.press('/');
      await expect(find).toBeFocused({ timeout: 2_000 });
    }).toPass();
    for (const course of courses) {
      await this.page.keyboard.type(course);
      await this.page.keyboard.press('Enter');
      await expect(this.wanted.getByText(course, { exact: true })).toBeVisible();
    }
    await this.page.keyboard.press('Escape');
    await this.saved();
    await this.answered();
    // The count comes first; the week in view, which keys work on, comes after it is painted.
    await expect(this.title).toHaveText(/week shape|^0 timetables/);
  }

  /** Waits until what is shown answers what is asked. */
  async answered(): Promise<void> {
    await expect(this.grid).toHaveAttribute('aria-busy', 'false');
  }

  async saved(): Promise<void> {
    await expect(this.page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  }

  /** The heading once what it says is counted: while that takes long, it tells of an estimate. */
  private async countedTitle(): Promise<string> {
    let text = '';
    await expect.poll(async () => (text = (await this.title.textContent()) ?? '')).not.toContain('about');
    return text;
  }

  /** How many timetables the heading says there are. */
  async count(): Promise<number> {
    const text = await this.countedTitle();
    const found = /(?:of )?([\d,]+) timetables?/.exec(text);
    if (!found) throw new Error(`The heading gives no count: ${text}`);
    return Number(found[1]!.replaceAll(',', ''));
  }

  /** How many week shapes the heading says there are. */
  async shapes(): Promise<number> {
    const text = await this.countedTitle();
    return Number(/([\d,]+) week shapes?/.exec(text)![1]!.replaceAll(',', ''));
  }

  /** The number of the week shape in view, from 1. */
  async number(): Promise<number> {
    return Number((await this.jump.inputValue()).replaceAll(',', ''));
  }

  /** The number in the heading, to be typed over. */
  get jump(): Locator {
    return this.title.getByRole('textbox');
  }

  /** Hours and breaks as lines, each with its cost. */
  get rules(): Locator {
    return this.page.getByRole('list', { name: 'Hours and breaks' });
  }

  get otherRules(): Locator {
    return this.page.getByRole('list', { name: 'Other rules' });
  }

  /** A rule by its text. */
  line(text: string): Locator {
    return this.page
      .locator('li[data-rule]')
      .filter({ has: this.page.getByRole('button', { name: text, exact: true }) });
  }

  async addRule(name: string): Promise<void> {
    await this.page.getByRole('button', { name: '+ Add a rule' }).click();
    await this.page.getByRole('menuitem', { name, exact: true }).click();
  }

  /** The row of a wanted course. */
  row(course: string): Locator {
    return this.wanted.locator(`[data-course="${course}"]`);
  }

  /** The button that opens a wanted course. */
  course(course: string): Locator {
    return this.row(course).getByRole('button', { name: new RegExp(`^${course} [A-Z]`) });
  }

  /** The wanted courses in their order. */
  async order(): Promise<string[]> {
    return this.wanted
      .locator('[data-course]')
      .evaluateAll((rows) => rows.map((row) => row.getAttribute('data-course')!));
  }

  /** Opens a course, keeps the section with a label, and closes it again. */
  async keepOnly(course: string, label: string): Promise<void> {
    await this.course(course).click();
    await this.page
      .getByRole('list', { name: `Sections of ${course}` })
      .getByRole('button', { name: new RegExp(`^Keep \\w+ ${label}$`) })
      .click();
    await this.course(course).click();
    await this.saved();
  }

  get outlines(): Locator {
    return this.grid.getByRole('list', { name: 'Other places' }).getByRole('listitem');
  }

  /** A fact of the timetable in view, by its name. */
  async fact(name: string): Promise<string> {
    const term = this.page.locator('header dt').filter({ hasText: name });
    return (await term.locator('xpath=following-sibling::dd').textContent()) ?? '';
  }

  /** Walks to the week shape with a number. */
  async go(number: number): Promise<void> {
    await this.jump.fill(String(number));
    await this.jump.press('Enter');
    await expect.poll(() => this.number()).toBe(number);
    await expect(this.classes.first()).toBeVisible();
  }

  get shortlistButton(): Locator {
    return this.page.getByRole('button', { name: /^Shortlist/ });
  }

  get sketchName(): Locator {
    return this.page.getByRole('button', { name: /^Sketch: / });
  }

  async sketchMenu(item: string): Promise<void> {
    await this.sketchName.click();
    await this.page.getByRole('menuitem', { name: item }).click();
  }

  /** Opens the form of new hours. */
  async takeHoursOut(): Promise<Locator> {
    await this.page.getByRole('button', { name: '+ Add a rule' }).click();
    await this.page.getByRole('menuitem', { name: /^Hours you can’t/ }).click();
    return this.page.getByRole('dialog', { name: 'Take hours out' });
  }

  /** A class by its course and component, to be pointed at or pressed. */
  class(course: string, component: string): Locator {
    return this.grid.getByRole('button', { name: new RegExp(`^${course} ${component} `) }).first();
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
