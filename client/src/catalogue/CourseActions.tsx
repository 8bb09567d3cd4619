import type { Ask, Course } from '@/api/client';
import { addCourse, chooseBetween, eitherOrOf, leaveEitherOr, removeCourse, wantedOf } from '@/domain/edits';
import { sayTake } from '@/domain/limits';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import { wording } from '@/wording/catalogue/CourseActions';

type Props = { course: Course; ask: Ask; change: (edit: (ask: Ask) => Ask) => void };

/** What the sketch wants of the course: take it, take it if it fits, or one of it and another. */
export function CourseActions({ course, ask, change }: Props) {
  const wanted = wantedOf(ask, course.id);
  const choice = eitherOrOf(ask, course.id);
  const others = ask.wanted.filter((other) => other.course !== course.id);
  const is = (role: string) => wanted?.role === role && !choice;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <Button
        look={wanted ? 'plain' : 'main'}
        aria-pressed={is('must')}
        onClick={() => change((now) => addCourse(leaveEitherOr(now, course.id), course.id, 'must'))}
      >
        {wanted ? wording.must : wording.addAsMust}
      </Button>
      <Button
        aria-pressed={is('ifItFits')}
        onClick={() => change((now) => addCourse(leaveEitherOr(now, course.id), course.id, 'ifItFits'))}
      >
        {wording.ifFits}
      </Button>
      {others.length > 0 && (
        <Menu trigger={<Button aria-pressed={choice !== undefined}>{wording.eitherOr}</Button>}>
          {others.map((other) => (
            <MenuItem
              key={other.course}
              onSelect={() => change((now) => chooseBetween(now, course.id, other.course))}
            >
              {wording.oneOf(other.course)}
            </MenuItem>
          ))}
        </Menu>
      )}
      {wanted && (
        <Button look="quiet" onClick={() => change((now) => removeCourse(now, course.id))}>
          {wording.removeFromSketch}
        </Button>
      )}
      {choice && (
        <p className="w-full text-12 text-mute">
          {wording.inSketch(sayTake(choice.take), choice.courses.join(', '))}
        </p>
      )}
    </div>
  );
}
