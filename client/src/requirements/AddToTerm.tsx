import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { StripTerm } from '@/api/client';
import { suggestionsQuery } from '@/api/queries';
import { Popover } from '@/ui/Popover';
import { putInto } from './planEdits';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/AddToTerm';

type Props = {
  term: StripTerm;
  /** The term whose catalogue is searched. */
  offeredIn: string;
  here: DoneHere;
};

/** Finds a course by code or words, and puts it into a term. */
export function AddToTerm({ term, offeredIn, here }: Props) {
  const [text, setText] = useState('');
  const found = useQuery(suggestionsQuery(offeredIn, text));
  const courses = text.trim() === '' ? [] : (found.data?.courses ?? []);
  return (
    <Popover
      label={wording.addTo(term.name)}
      trigger={
        <button
          type="button"
          aria-label={wording.addTo(term.name)}
          className="ml-auto flex size-6 shrink-0 items-center justify-center self-center rounded-[3px] text-mute hover:bg-hair hover:text-ink"
        >
          <Plus size={14} aria-hidden="true" />
        </button>
      }
    >
      <label className="text-12 text-mute">
        {wording.findCourse}
        <input
          value={text}
          maxLength={100}
          autoComplete="off"
          onChange={(event) => setText(event.target.value)}
          className="mt-0.5 w-full rounded-[3px] border border-rule bg-sheet px-2 py-1 text-14 text-ink"
        />
      </label>
      <p role="status" className="mt-1 text-12 text-mute">
        {text.trim() !== '' && found.data && courses.length === 0 ? wording.nothingFound : ''}
      </p>
      <ul>
        {courses.slice(0, 8).map((course) => (
          <li key={course.id}>
            <button
              type="button"
              onClick={() => {
                here.changePlan(wording.standsIn(course.id, term.name), (now) =>
                  putInto(now, { course: course.id }, term.id),
                );
                setText('');
              }}
              className="w-full rounded-[3px] px-1.5 py-1 text-left text-12 hover:bg-plum-wash"
            >
              <span className="font-strong">{course.id}</span> {course.title}
            </button>
          </li>
        ))}
      </ul>
    </Popover>
  );
}
