import { useIsMutating, useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { ApiError, type Ask, call, http, type PutBy, type SavedSketch, type Sketch } from '@/api/client';
import { answerQuery, expectAnswer, keyOf } from '@/api/answerQueries';
import { sketchKey } from '@/api/queries';
import { useStable } from '@/lib/useStable';
import { tellOtherWindows, useOtherWindows } from './otherWindows';
import { useOnNewerCatalogue } from './useOnNewerCatalogue';

/** Something the student should know about saving. */
export type Notice = { text: string; canRetry: boolean };

type Step = 'undo' | 'redo' | 'read';
type Change = { kind: 'save'; edit: SketchEdit } | { kind: Step };

/** What a student changes of a sketch: its name, what it asks, and the timetables put by. */
export type Draft = { name: string; ask: Ask; shortlist: readonly PutBy[] };
type SketchEdit = (draft: Draft) => Draft;

const apply = (draft: Draft, edit: SketchEdit) => edit(draft);

const isSame = (one: Draft, other: Draft) =>
  one.name === other.name &&
  keyOf(one.ask) === keyOf(other.ask) &&
  JSON.stringify(one.shortlist) === JSON.stringify(other.shortlist);

const draftOf = ({ name, ask, shortlist }: Sketch): Draft => ({ name, ask, shortlist });

/**
 * Changes to a sketch. The cache shows each at once; they are saved one after the other, each made anew on the sketch
 * as the server has it by then: where another window changed it meanwhile, both changes stand. What cannot be saved for
 * now stays in view and is sent again; what is refused is taken back.
 */
export function useSketchEdits(term: string) {
  const client = useQueryClient();
  const key = sketchKey(term);
  const mutationKey = ['change', term];
  const [notice, setNotice] = useState<Notice | null>(null);
  const current = () => client.getQueryData<Sketch>(key)!;
  /** The sketch as the server has it; what is shown may be ahead of it. */
  const saved = useRef<Sketch>(current());
  /** Edits shown and not saved yet, the oldest first. */
  const pending = useRef<SketchEdit[]>([]);

  /** The edits a save sends: its own and those before it that could not be saved. */
  const upTo = (change: Change) =>
    change.kind === 'save' ? pending.current.slice(0, pending.current.indexOf(change.edit) + 1) : [];

  const show = (sketch: Sketch) => {
    saved.current = sketch;
    const shown = pending.current.reduce(apply, draftOf(sketch));
    client.setQueryData<Sketch>(key, { ...sketch, ...shown, shortlist: [...shown.shortlist] });
  };

  const mutation = useMutation({
    mutationKey,
    scope: { id: `change ${term}` },
    retry: (failures, problem) =>
      problem instanceof ApiError &&
      (problem.newer !== null ? failures < 5 : problem.mayPass && failures < 2),
    retryDelay: (_, problem) => (problem instanceof ApiError && problem.newer ? 0 : 400),
    mutationFn: async (change: Change) => {
      const draft = upTo(change).reduce(apply, draftOf(saved.current));
      try {
        return await send(saved.current, change.kind, draft);
      } catch (problem) {
        if (!(problem instanceof ApiError) || !problem.newer) throw problem;
        // Our own change may have been saved and only the word of it lost on the way back.
        if (change.kind === 'save' && isSame(draft, draftOf(problem.newer)))
          return { sketch: problem.newer, answer: null, unanswered: null };
        // Changed in another window: the next try makes the change on what came from there.
        show(problem.newer);
        throw problem;
      }
    },
    onSuccess: ({ sketch, answer, unanswered }, change) => {
      if (answer) {
        const { ask } = sketch;
        client.setQueryData(answerQuery(ask).queryKey, { ask, key: keyOf(ask), answer });
      }
      const done = upTo(change);
      pending.current = pending.current.filter((edit) => !done.includes(edit));
      show(sketch);
      tellOtherWindows(term);
      setNotice(unanswered === null ? null : { text: unanswered, canRetry: false });
    },
    onError: (problem, change) => {
      const mayPass = problem instanceof ApiError && (problem.mayPass || problem.newer !== null);
      if (mayPass && change.kind === 'save') {
        setNotice({ text: `Not saved yet: ${problem.message} Your changes are still here.`, canRetry: true });
        return;
      }
      if (change.kind === 'save') pending.current = pending.current.filter((edit) => edit !== change.edit);
      show(saved.current);
      const canRetry = pending.current.length > 0;
      setNotice({ text: `That change was not taken. ${problem.message}`, canRetry });
    },
  });

  const edit = (make: SketchEdit) => {
    const before = draftOf(current());
    const after = make(before);
    if (isSame(before, after)) return;
    pending.current.push(make);
    client.setQueryData<Sketch>(key, { ...current(), ...after, shortlist: [...after.shortlist] });
    save(make, after.ask);
  };

  const save = (make: SketchEdit, ask: Ask) => {
    const saving = mutation.mutateAsync({ kind: 'save', edit: make });
    expectAnswer(
      ask,
      saving.then(
        (saved) => (keyOf(saved.sketch.ask) === keyOf(ask) ? saved.answer : null),
        () => null,
      ),
    );
  };

  /** Sends again what could not be saved: the last edit takes those before it along. */
  const retry = () => {
    const last = pending.current.at(-1);
    if (last) save(last, current().ask);
    else setNotice(null);
  };

  const refresh = () => {
    if (pending.current.length > 0) return;
    void call(http.POST('/api/terms/{term}/sketch', { params: { path: { term } } })).then(
      (sketch) => {
        if (sketch.id === saved.current.id && sketch.version >= saved.current.version) show(sketch);
      },
      // The next change says that the server is away.
      () => undefined,
    );
  };
  useOtherWindows(term, refresh);
  useOnNewerCatalogue(refresh);

  const actions = useStable({
    change: (make: (ask: Ask) => Ask) => edit((draft) => ({ ...draft, ask: make(draft.ask) })),
    changeShortlist: (make: (shortlist: readonly PutBy[]) => readonly PutBy[]) =>
      edit((draft) => ({ ...draft, shortlist: make(draft.shortlist) })),
    rename: (name: string) => edit((draft) => ({ ...draft, name })),
    undo: () => {
      if (notice?.canRetry) {
        // The last change never reached the server: taking it back needs none.
        pending.current = [];
        show(saved.current);
        setNotice(null);
      } else mutation.mutate({ kind: 'undo' });
    },
    redo: () => mutation.mutate({ kind: 'redo' }),
    /** Notes that what became of the sketch's sections was read. */
    readChanges: () => mutation.mutate({ kind: 'read' }),
    retry,
    forgetNotice: () => setNotice(null),
  });
  const saving = useIsMutating({ mutationKey }) > 0;
  return useMemo(() => ({ ...actions, saving, notice }), [actions, saving, notice]);
}

export type Edits = ReturnType<typeof useSketchEdits>;

function send(sketch: Sketch, kind: Change['kind'], draft: Draft): Promise<SavedSketch> {
  const params = { path: { id: sketch.id } };
  const { version } = sketch;
  switch (kind) {
    case 'save':
      return call(http.PUT('/api/sketches/{id}', { params, body: { version, ...draft, shortlist: [...draft.shortlist] } }));
    case 'undo':
      return call(http.POST('/api/sketches/{id}/undo', { params, body: { version } }));
    case 'read':
      return call(http.POST('/api/sketches/{id}/changes-read', { params, body: { version } }));
    case 'redo':
      return call(http.POST('/api/sketches/{id}/redo', { params, body: { version } }));
  }
}
