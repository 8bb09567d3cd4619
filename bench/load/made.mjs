// Asks and searches, no two the same: the server answers each anew.
import { readFileSync } from 'node:fs';
import { term } from './student.mjs';

const days = ['mon', 'tue', 'wed', 'thu', 'fri'];

export class Made {
  /** Drawn by a seed, so that every run asks the same. */
  constructor(catalogue, seed = 1) {
    const all = JSON.parse(readFileSync(catalogue)).courses;
    this.courses = all.filter((course) => course.sections.some((section) => section.term === term));
    this.state = seed;
    this.count = 0;
  }

  below(most) {
    this.state = (Math.imul(this.state, 1664525) + 1013904223) >>> 0;
    return Math.floor((this.state / 2 ** 32) * most);
  }

  ids(count) {
    const left = this.courses.map((course) => course.id);
    return Array.from({ length: count }, () => left.splice(this.below(left.length), 1)[0]);
  }

  /** Four to six courses, and an hour that cannot be, at a place of its own. */
  ask(count = 4 + this.below(3)) {
    const from = 8 * 60 + (this.count++ % 600);
    return {
      format: 'hour-grid-ask',
      version: 1,
      term,
      wanted: this.ids(count).map((course) => ({ course })),
      timeBlocks: [
        { days: [days[this.below(5)]], start: clock(from), end: clock(from + 50), strength: 'cannot' },
      ],
    };
  }

  search() {
    const words = this.courses[this.below(this.courses.length)].title.split(' ');
    const word = words[this.below(words.length)];
    return new URLSearchParams({
      q: word.slice(0, 3 + this.below(5)),
      first: `${this.below(5)}`,
      count: '20',
    });
  }
}

const clock = (minutes) =>
  `${`${Math.floor(minutes / 60)}`.padStart(2, '0')}:${`${minutes % 60}`.padStart(2, '0')}`;
