import { useQuery } from '@tanstack/react-query';
import type { Ask } from '@/api/client';
import { termsQuery } from '@/api/queries';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { sampleStartsOf } from './sampleStarts';

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
    <Message title={hasWanted ? 'No course is taken' : 'Start with a course you need'}>
      <p>
        {hasWanted
          ? 'All your courses are set aside. Make one a Must again, or add another.'
          : 'Type its code, and every timetable that can hold it appears on the grid.'}
      </p>
      <Button look="main" onClick={onFindCourse}>
        Add a course
      </Button>
      {starts.length > 0 && (
        <div
          role="group"
          aria-label="Starting points"
          className="flex flex-wrap items-center justify-center gap-2"
        >
          <span className="text-12 max-md:basis-full">Or look around as</span>
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
