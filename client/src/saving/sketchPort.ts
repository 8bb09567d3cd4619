import type { QueryClient } from '@tanstack/react-query';
import { ApiError, type Ask, call, http, type PutBy, type SavedSketch, type Sketch } from '@/api/client';
import { knowAnswer } from '@/api/answerQueries';
import { sketchesQuery, sketchKey, sketchQuery } from '@/api/queries';
import type { Base, Port, StepKind } from './saver';
import { tell } from './windows';
import { wording } from '@/wording/saving/sketchPort';

/** What a student changes of a sketch: its name, what it asks, and the timetables put by. */
export type Draft = { name: string; ask: Ask; shortlist: readonly PutBy[] };

export const draftOf = ({ name, ask, shortlist }: Sketch): Draft => ({ name, ask, shortlist });

const baseOf = (sketch: Sketch): Base<Draft> => ({ version: sketch.version, content: draftOf(sketch) });

/** Puts a sketch as the server has it in the place of an older one. */
export function knowSketch(client: QueryClient, sketch: Sketch): void {
  const newest = (one: Sketch) => (one.id === sketch.id && one.version <= sketch.version ? sketch : one);
  client.setQueryData(sketchQuery(sketch.term).queryKey, (open) => open && newest(open));
  client.setQueryData(
    sketchesQuery(sketch.term).queryKey,
    (list) => list && { ...list, sketches: list.sketches.map(newest) },
  );
}

/** Opens a sketch in its term, in the place of the one that was open; there may be others now than before. */
export function openSketch(client: QueryClient, sketch: Sketch): void {
  client.setQueryData(sketchKey(sketch.term), sketch);
  noteSketches(client, sketch.term);
}

/** Says that there are other sketches of a term than before, here and in other windows. */
export function noteSketches(client: QueryClient, term: string): void {
  void client.invalidateQueries({ queryKey: sketchesQuery(term).queryKey });
  tell({ kind: 'sketches', term });
}

/** Saves one sketch. */
export function sketchPort(client: QueryClient, id: string, term: string): Port<Draft> {
  const params = { path: { id } };
  const known = () => {
    const open = client.getQueryData<Sketch>(sketchKey(term));
    if (open?.id === id) return open;
    return client.getQueryData(sketchesQuery(term).queryKey)?.sketches.find((one) => one.id === id);
  };
  const sent = async (saving: Promise<SavedSketch>) => {
    const { sketch, answer, unanswered } = await saving;
    if (answer) knowAnswer(client, sketch.ask, answer);
    knowSketch(client, sketch);
    tell({ kind: 'sketch', sketch });
    return { base: baseOf(sketch), note: unanswered };
  };
  return {
    document: { kind: 'sketch', id, term },
    title: ({ name }) => `“${name}”`,
    base: () => {
      const sketch = known();
      return sketch ? baseOf(sketch) : null;
    },
    load: async () => {
      const { sketches } = await client.query(sketchesQuery(term));
      const sketch = sketches.find((one) => one.id === id);
      if (!sketch) throw new ApiError(404, wording.noSuchSketch);
      return baseOf(sketch);
    },
    save: ({ version }, { name, ask, shortlist }) =>
      sent(
        call(
          http.PUT('/api/sketches/{id}', { params, body: { version, name, ask, shortlist: [...shortlist] } }),
        ),
      ),
    step: ({ version }, kind: StepKind) => {
      const body = { params, body: { version } };
      switch (kind) {
        case 'undo':
          return sent(call(http.POST('/api/sketches/{id}/undo', body)));
        case 'redo':
          return sent(call(http.POST('/api/sketches/{id}/redo', body)));
        case 'read':
          return sent(call(http.POST('/api/sketches/{id}/changes-read', body)));
      }
    },
    newerIn: ({ newer }) => {
      if (newer) knowSketch(client, newer);
      return newer && baseOf(newer);
    },
    rescue: async ({ name, ask, shortlist }) => {
      const body = { name, ask, shortlist: [...shortlist] };
      const sketch = await call(
        http.POST('/api/terms/{term}/sketches', { params: { path: { term } }, body }),
      );
      const isOpen = client.getQueryData<Sketch>(sketchKey(term))?.id === id;
      if (isOpen) openSketch(client, sketch);
      else noteSketches(client, term);
      return wording.sketchNotAnyMore(name);
    },
    mend: (draft) => {
      const wanted = new Set(draft.ask.wanted.map((one) => one.course));
      const isWhole = draft.ask.eitherOr.every(({ courses }) =>
        courses.every((course) => wanted.has(course)),
      );
      if (isWhole) return draft;
      const eitherOr = draft.ask.eitherOr.filter(({ courses }) =>
        courses.every((course) => wanted.has(course)),
      );
      return { ...draft, ask: { ...draft.ask, eitherOr } };
    },
  };
}
