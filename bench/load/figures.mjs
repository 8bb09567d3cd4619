// Times of requests by kind, and what they come to.
export class Figures {
  times = new Map();
  refused = 0;

  async measure(kind, send) {
    const began = performance.now();
    const { status } = await send();
    if (status === 429) this.refused++;
    else this.of(kind).push(performance.now() - began);
  }

  of(kind) {
    if (!this.times.has(kind)) this.times.set(kind, []);
    return this.times.get(kind);
  }

  get count() {
    return [...this.times.values()].reduce((sum, times) => sum + times.length, 0);
  }

  /** One line a kind: how many, and the 50th, 95th and 99th hundredth in ms. */
  lines(title, seconds) {
    const refused = this.refused ? `, ${this.refused} refused` : '';
    const lines = [...this.times].map(([kind, times]) => {
      times.sort((one, other) => one - other);
      const at = (share) =>
        times[Math.min(times.length - 1, Math.floor(times.length * share))].toFixed(0).padStart(6);
      return `  ${kind.padEnd(10)}${`${times.length}`.padStart(7)}   p50${at(0.5)}   p95${at(0.95)}   p99${at(0.99)} ms`;
    });
    return [`${title}: ${(this.count / seconds).toFixed(0)} a second${refused}`, ...lines].join('\n');
  }
}
