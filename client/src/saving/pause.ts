const first = 1_000;
const longest = 30_000;

/** The time between tries, in milliseconds: twice as long each time, and over at once when it is ended. */
export class Pause {
  private next = first;
  private readonly ends = new Set<() => void>();

  /** Waits until it is over. */
  wait(): Promise<void> {
    const wait = this.next;
    this.next = Math.min(longest, wait * 2);
    return new Promise((resolve) => {
      const end = () => {
        clearTimeout(timer);
        this.ends.delete(end);
        resolve();
      };
      const timer = setTimeout(end, wait);
      this.ends.add(end);
    });
  }

  /** Whether anybody waits. */
  get isOn(): boolean {
    return this.ends.size > 0;
  }

  end(): void {
    for (const end of this.ends) end();
  }

  /** The next time is as short as the first. */
  reset(): void {
    this.next = first;
  }
}
