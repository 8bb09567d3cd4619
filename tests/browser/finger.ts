import type { CDPSession, Page } from '@playwright/test';

export type Point = { x: number; y: number };

/** A finger on the screen, as the browser itself is told of it. */
export class Finger {
  private constructor(private readonly session: CDPSession) {}

  static async of(page: Page): Promise<Finger> {
    return new Finger(await page.context().newCDPSession(page));
  }

  down = (at: Point) => this.touch('touchStart', [at]);

  move = (to: Point) => this.touch('touchMove', [to]);

  up = () => this.touch('touchEnd', []);

  /** Puts the finger down and moves it at once, as one who scrolls does. */
  async swipe(from: Point, to: Point): Promise<void> {
    await this.down(from);
    for (let part = 0.2; part <= 1; part += 0.2)
      await this.move({ x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part });
    await this.up();
  }

  private async touch(type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: Point[]): Promise<void> {
    await this.session.send('Input.dispatchTouchEvent', { type, touchPoints });
  }
}
