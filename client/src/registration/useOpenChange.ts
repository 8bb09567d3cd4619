import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { call, http, type Registration } from '@/api/client';
import { addCourse, emptied, keepSections, letGo } from '@/domain/edits';
import type { TermVisit } from '@/domain/useTermVisit';
import { openSketch } from '@/saving/sketchPort';
import { wording } from '@/wording/registration/useOpenChange';

/**
 * Opens a sketch on the Workbench that begins with what is held. Held sections are kept in it until they are released; one
 * course can be released at once.
 */
export function useOpenChange({ term, sketch }: TermVisit, registration: Registration) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [isOpening, setOpening] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (released: string | null, added: readonly string[] = []) => {
    setOpening(true);
    setProblem(null);
    const held = registration.standing.held.flatMap((one) =>
      one.sections.map((number) => ({ course: one.course, number })),
    );
    const kept = keepSections({ ...emptied(sketch.ask), registered: held.map((one) => one.number) }, held);
    const asked = held
      .filter((one) => one.course === released)
      .reduce((ask, { number }) => ({ ...letGo(ask, [number]), registered: ask.registered }), kept);
    const withMore = added
      .filter((course) => !asked.wanted.some((one) => one.course === course))
      .reduce((ask, course) => addCourse(ask, course), asked);
    try {
      const made = await call(
        http.POST('/api/terms/{term}/sketches', {
          params: { path: { term: term.id } },
          body: { name: wording.changeOf(term.name), ask: withMore, shortlist: [] },
        }),
      );
      openSketch(client, made);
      await navigate(`/${term.id}/workbench`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : wording.couldNotBeOpened);
      setOpening(false);
    }
  };
  return { open, isOpening, problem };
}
