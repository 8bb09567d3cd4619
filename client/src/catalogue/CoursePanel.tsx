import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Ask, Course, Sketch, Term } from '@/api/client';
import { courseQuery, standingQuery } from '@/api/queries';
import { sayCount } from '@/wording/counts';
import { sayCreditRange } from './narrowing';
import { Failure, Loading } from '@/ui/States';
import { CourseActions } from './CourseActions';
import { CourseLimits } from '@/domain/CourseLimits';
import { takenBeside } from '@/domain/edits';
import { Recommended } from '@/domain/Recommended';
import { useAdvice } from '@/domain/useAdvice';
import { MayTake } from '@/domain/MayTake';
import { useSubjectNames } from '@/domain/useSubjectNames';
import { SeatsAge } from './SeatsAge';
import { SectionSet } from './SectionSet';
import { SmallGrid } from './SmallGrid';
import { wording } from '@/wording/catalogue/CoursePanel';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

type Props = {
  term: Term;
  id: string;
  sketch: Sketch;
  change: (edit: (ask: Ask) => Ask) => void;
  /** Lists all that a subject offers. */
  onSubject: (code: string) => void;
};

/** Everything about one course, and what the sketch wants of it. */
export function CoursePanel({ term, id, sketch, change, onSubject }: Props) {
  const { ask } = sketch;
  const subjectName = useSubjectNames();
  const course = useQuery(courseQuery(term.id, id));
  const standing = useQuery(standingQuery(ask, id));
  const { recommended } = useAdvice(term.id);
  const [pointedAt, setPointedAt] = useState<string | null>(null);
  const wanted = takenBeside(ask);
  if (course.isError)
    return (
      <Failure
        what={wording.couldNotBeOpened(id)}
        problem={course.error}
        onRetry={() => void course.refetch()}
      />
    );
  if (!course.data) return <Loading />;
  const one = course.data;
  return (
    <>
      <article aria-labelledby="course-title" className="min-h-0 flex-1 overflow-y-auto px-4 py-3 max-md:p-0">
        <h2 id="course-title" className="text-16 leading-snug font-heavy">
          {one.id} {one.title}
        </h2>
        <p className="mt-0.5 text-12 text-mute">
          <button
            type="button"
            title={wording.allOffers(one.subject)}
            onClick={() => onSubject(one.subject)}
            className="underline decoration-dotted underline-offset-2 hover:text-ink"
          >
            {subjectName(one.subject)}
          </button>{' '}
          · {factsOf(one)}
        </p>
        {one.description !== '' && <p className="mt-2">{one.description}</p>}
        {one.materials !== '' && (
          <p className="mt-2 whitespace-pre-line">
            <span className="font-heavy">{wording.materials}</span> {one.materials}
          </p>
        )}
        <Conditions course={one} />
        <Recommended words={recommended.get(one.id)} />
        <MayTake term={term.id} course={one.id} beside={wanted} />
        <CourseActions course={one} ask={ask} change={change} />
        <CourseLimits course={one} ask={ask} change={change} />
        <div className="mt-4 flex flex-wrap items-baseline justify-between gap-x-3 text-12 text-mute">
          <h3 className="text-14 font-heavy text-ink">{common.sections}</h3>
          <SeatsAge course={one} />
        </div>
        {standing.data && (
          <p className="text-12 text-mute" role="status">
            {standing.data.timetables === '0'
              ? wording.withCourseSketchNoTimetable
              : wording.ofSketchWithCourseEach(
                  standing.data.isExact ? '' : wording.atLeast,
                  counted.timetables(standing.data.timetables),
                )}
          </p>
        )}
        {one.sections.length === 0 && (
          <p className="mt-1 text-mute">{wording.noSectionOfTakesPlace(term.name)}</p>
        )}
        {one.sets.map((set) => (
          <SectionSet
            key={set.arrangement}
            set={set}
            course={one}
            term={term}
            wanted={ask.wanted.find((wanted) => wanted.course === one.id)}
            standing={(number) => {
              const count = standing.data?.sections[number];
              return count === undefined ? null : sayCount(count);
            }}
            change={change}
            onPoint={setPointedAt}
          />
        ))}
      </article>
      <SmallGrid term={term} sketch={sketch} course={one} pointedAt={pointedAt} />
    </>
  );
}

function factsOf(course: Course): string {
  return [
    sayCreditRange(`${course.minCredits}-${course.maxCredits}`),
    course.level,
    course.attributes.length > 0 && wording.countsAs(course.attributes.join(', ')),
  ]
    .filter((part) => typeof part === 'string' && part !== '')
    .join(' · ');
}

function Conditions({ course }: { course: Course }) {
  const { needs, beside, restrictions } = course;
  if (needs === null && beside.length === 0 && restrictions.length === 0) return null;
  return (
    <div className="mt-2 flex flex-col gap-0.5">
      {needs !== null && (
        <p>
          <span className="font-heavy">{wording.needs}</span> {needs}.
        </p>
      )}
      {beside.length > 0 && (
        <p>
          <span className="font-heavy">{wording.takeWithOrBefore}</span> {beside.join(', ')}.
        </p>
      )}
      {restrictions.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
    </div>
  );
}
