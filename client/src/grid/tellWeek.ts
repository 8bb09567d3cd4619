import type { Axis } from './axis';
import { type GridClass, meetsAllTerm, sayComponent } from './classes';
import { fullDay } from '@/wording/days';
import { sayHours } from '@/wording/times';
import { sayWeeks } from '@/wording/weeks';
import { wording } from '@/wording/grid/tellWeek';

/** A timetable day by day, as one would read it out. */
export function tellWeek(axis: Axis, classes: readonly GridClass[], weekCount: number): string {
  return axis.days
    .map((day) => {
      const ofDay = classes.filter((one) => one.day === day).sort((a, b) => a.start - b.start);
      const said = ofDay.map((one) => {
        const weeks = meetsAllTerm(one.weeks, weekCount) ? '' : `, ${sayWeeks(one.weeks)}`;
        return `${sayHours(one.start, one.end)} ${one.course.id} ${sayComponent(one.section)}${weeks}`;
      });
      return `${fullDay(day)}: ${said.length === 0 ? wording.noClass : said.join('; ')}.`;
    })
    .join(' ');
}
