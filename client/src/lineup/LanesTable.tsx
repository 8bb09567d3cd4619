import type { Axis } from '@/grid/axis';
import { sayComponent } from '@/grid/classes';
import { fullDay } from '@/lib/days';
import { sayHours } from '@/lib/time';
import type { BoardLane } from './useBoard';

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
        <caption>Classes by day</caption>
        <thead>
          <tr>
            <th scope="col">Day</th>
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
                    `${sayHours(one.start, one.end)} ${one.course.id} ${sayComponent(one.section)}${isFaded(lane, one.section.number) ? ', shared' : ''}`,
                );
                return <td key={lane.letter}>{said.length === 0 ? 'no class' : said.join('; ')}</td>;
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
