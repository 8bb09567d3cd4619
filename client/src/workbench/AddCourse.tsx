import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { type Ref, useRef, useState } from 'react';
import type { CourseBrief } from '@/api/client';
import { suggestionsQuery } from '@/api/queries';
import { sayCredits } from '@/domain/credits';
import { wording } from '@/wording/workbench/AddCourse';
import { counted } from '@/wording/counted';

/** How often suggestions are asked for that are called off by newer ones. */
const mostTries = 10;

type Props = {
  term: string;
  wanted: readonly string[];
  onAdd: (course: string) => void;
  inputRef: Ref<HTMLInputElement>;
};

/** Adds a course by its code or by words of its title. */
export function AddCourse({ term, wanted, onAdd, inputRef }: Props) {
  const client = useQueryClient();
  const [typed, setTyped] = useState('');
  const typedNow = useRef('');
  const [open, setOpen] = useState(false);
  const [pointedAt, setPointedAt] = useState('');
  const asked = typed.trim();
  const found = useQuery(suggestionsQuery(term, asked));
  const fresh = found.isSuccess && !found.isPlaceholderData;
  const shown = open && asked !== '';
  const courses = found.data?.courses ?? [];
  const more = (found.data?.matches ?? 0) - courses.length;
  const addable = courses.filter((course) => !wanted.includes(course.id));
  const best = addable[0];
  const selected = courses.some((course) => course.id === pointedAt) ? pointedAt : (best?.id ?? '');

  const type = (text: string) => {
    typedNow.current = text;
    setTyped(text);
    setPointedAt('');
  };

  const add = (course: string) => {
    onAdd(course);
    type('');
  };

  const ask = () => client.query(suggestionsQuery(term, asked)).catch(() => null);

  /** Enter came before the suggestions: the course is added when they do, unless one has typed on. */
  const addWhenFound = async () => {
    let coming: Awaited<ReturnType<typeof ask>> = null;
    // While seats change it may be asked anew in the middle, which ends what was asked before.
    for (let tries = 0; coming === null && tries < mostTries; tries++) coming = await ask();
    const first = coming?.courses.find((course) => !wanted.includes(course.id));
    if (first && typedNow.current.trim() === asked) add(first.id);
  };

  return (
    <Command
      label={wording.addCourse}
      shouldFilter={false}
      loop
      value={selected}
      onValueChange={setPointedAt}
      className="relative"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          // Once for what is typed, once more to leave the field.
          if (typed === '' && event.target instanceof HTMLElement) event.target.blur();
          type('');
          setOpen(false);
        }
        if (event.key === 'Enter' && asked !== '' && !fresh) {
          event.preventDefault();
          void addWhenFound();
        }
      }}
    >
      <Command.Input
        ref={inputRef}
        value={typed}
        onValueChange={(text) => {
          type(text);
          setOpen(true);
        }}
        onFocus={() => setOpen(true)}
        maxLength={100}
        placeholder={wording.addCourseCodeTitle}
        aria-expanded={shown}
        className="w-full rounded-[4px] border border-rule bg-sheet px-2.5 py-1.5 text-14 placeholder:text-mute focus:border-plum"
      />
      <Command.List
        aria-label={wording.coursesFound}
        className={
          shown
            ? 'absolute inset-x-0 top-full z-20 mt-1 max-h-[22rem] overflow-auto rounded-[4px] border border-rule bg-sheet p-1 shadow-md'
            : 'hidden'
        }
      >
        {courses.map((course) => (
          <Command.Item
            key={course.id}
            value={course.id}
            disabled={wanted.includes(course.id)}
            onSelect={add}
            className="cursor-pointer rounded-[3px] px-2 py-1.5 data-[disabled=true]:cursor-default data-[disabled=true]:opacity-60 data-[selected=true]:bg-plum-wash"
          >
            <Suggestion course={course} isWanted={wanted.includes(course.id)} />
          </Command.Item>
        ))}
        {more > 0 && <div className="px-2 py-1 text-12 text-mute">{wording.andMoreType(more)}</div>}
        {found.isError && <div className="px-2 py-1.5 text-12 text-brick">{found.error.message}</div>}
        {fresh && courses.length === 0 && (
          <div className="px-2 py-1.5 text-12 text-mute">{wording.noCourseOfTerm(asked)}</div>
        )}
      </Command.List>
    </Command>
  );
}

function Suggestion({ course, isWanted }: { course: CourseBrief; isWanted: boolean }) {
  return (
    <>
      <div className="flex gap-2">
        <span className="min-w-0 flex-1">
          <span className="font-heavy">{course.id}</span> {course.title}
        </span>
        <span className="shrink-0 text-mute">{sayCredits(course.minCredits, course.maxCredits)}</span>
      </div>
      <div className="text-12 text-mute">
        {isWanted
          ? wording.alreadyWanted
          : wording.ofWithFreeSeat(
              course.components.join(' + '),
              course.sectionsWithSeat,
              counted.sections(course.sections),
            )}
      </div>
    </>
  );
}
