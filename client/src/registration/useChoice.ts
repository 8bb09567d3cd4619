import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Ask, Choice, PutBy } from '@/api/client';
import { putByQuery, survivalQuery } from '@/api/putByQueries';
import { addCourse, emptied } from '@/domain/edits';
import { coursesOf, numbersOf } from '@/domain/shortlist';
import { useCourseColours } from '@/domain/useCourseColours';
import { placed, useSections } from '@/domain/useSections';
import type { TermVisit } from '@/domain/useTermVisit';

const nothing: PutBy = { id: '', name: '', note: '', sections: [] };
const none: Choice = { sketch: '', timetable: nothing, fallbacks: [], second: null, whenFull: [] };

/**
 * The chosen timetable as the catalogue has it now, how it stands and how it survives; and the sections of other courses that
 * are shown with it.
 */
export function useChoice(
  { term, sketch, sketches }: TermVisit,
  chosen: Choice | null,
  others: readonly string[],
) {
  const choice = chosen ?? none;
  const { timetable } = choice;
  const own = sketches.find((one) => one.id === choice.sketch);
  // Its sketch may be deleted: then it stands by its courses alone.
  const ask: Ask = useMemo(
    () =>
      own?.ask ?? coursesOf(timetable).reduce((now, course) => addCourse(now, course), emptied(sketch.ask)),
    [own?.ask, timetable, sketch.ask],
  );
  const courses = useMemo(
    () => [
      ...new Set(
        [
          timetable,
          ...choice.fallbacks.map((one) => ({ sections: one.instead })),
          ...(choice.second ? [choice.second] : []),
        ]
          .flatMap(coursesOf)
          .concat(others),
      ),
    ],
    [timetable, choice.fallbacks, choice.second, others],
  );
  const colours = useCourseColours(own?.id ?? sketch.id, courses);
  const sections = useSections(term.id, colours);
  const numbers = numbersOf(timetable);
  const state = useQuery({ ...putByQuery(ask, [timetable]), enabled: chosen !== null });
  const isTimetable = state.data?.[0]?.isTimetable === true;
  const survival = useQuery({ ...survivalQuery(ask, numbers), enabled: isTimetable });
  // The most urgent first; until that is known, as they were put by.
  const order = survival.data?.sections.map((one) => one.number) ?? numbers;
  return {
    own,
    ask,
    sections,
    state: state.data?.[0] ?? null,
    survival: survival.data ?? null,
    isOrderKnown: survival.data !== undefined || survival.isError || state.data?.[0]?.isTimetable === false,
    problem: state.error ?? survival.error,
    retry: () => void (state.isError ? state.refetch() : survival.refetch()),
    ordered: placed(sections, order),
    missing: timetable.sections.filter((section) => !sections.byNumber.has(section.number)),
  };
}

export type ChoiceView = ReturnType<typeof useChoice>;
