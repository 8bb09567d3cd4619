import { useQuery } from '@tanstack/react-query';
import type { Ask } from '@/api/client';
import { termsQuery } from '@/api/queries';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { sampleStartsOf } from './sampleStarts';
import { wording } from '@/wording/workbench/FirstThing';

type Props = {
  term: string;
  hasWanted: boolean;
  onFindCourse: () => void;
  change: (edit: (ask: Ask) => Ask) => void;
};

/** What to begin with where no course is in play. */
export function FirstThing({ term, hasWanted, onFindCourse, change }: Props) {
  const terms = useQuery(termsQuery);
  const starts = hasWanted ? [] : sampleStartsOf(terms.data?.institution ?? '', term);
  return (
    <Message title={hasWanted ? wording.noCourseTaken : wording.startWithCourseNeed}>
      <p>{hasWanted ? wording.allSetAside : wording.typeCodeAndEveryTimetable}</p>
      <Button look="main" onClick={onFindCourse}>
        {wording.addCourse}
      </Button>
      {starts.length > 0 && (
        <div
          role="group"
          aria-label={wording.startingPoints}
          className="flex flex-wrap items-center justify-center gap-2"
        >
          <span className="text-12 max-md:basis-full">{wording.orLookAround}</span>
          {starts.map(({ name, courses, start }) => (
            <Button key={name} title={courses} onClick={() => change(start)}>
              {name}
            </Button>
          ))}
        </div>
      )}
    </Message>
  );
}
