import type { Axis } from '@/grid/axis';
import { sayComponent } from '@/grid/classes';
import { fullDay } from '@/wording/days';
import { sayHours } from '@/wording/times';
import type { BoardLane } from './useBoard';
import { wording } from '@/wording/lineup/LanesTable';

type Props = {
  axis: Axis;
  lanes: readonly BoardLane[];
  isFaded: (lane: BoardLane, number: string) => boolean;
};

/** The lanes as a table, for those who hear it: a row a day, a column a timetable. */
export function LanesTable({ axis, lanes, isFaded }: Props) {
  return (
    <div className="sr-only">
      <table>
        <caption>{wording.classesByDay}</caption>
        <thead>
          <tr>
            <th scope="col">{wording.day}</th>
            {lanes.map((lane) => (
              <th key={lane.letter} scope="col">
                {lane.letter}: {lane.timetable.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {axis.days.map((day) => (
            <tr key={day}>
              <th scope="row">{fullDay(day)}</th>
              {lanes.map((lane) => {
                const classes = lane.classes
                  .filter((one) => one.day === day)
                  .sort((a, b) => a.start - b.start);
                const said = classes.map(
                  (one) =>
                    `${sayHours(one.start, one.end)} ${one.course.id} ${sayComponent(one.section)}${isFaded(lane, one.section.number) ? wording.shared : ''}`,
                );
                return <td key={lane.letter}>{said.length === 0 ? wording.noClass : said.join('; ')}</td>;
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
