import { useIsMutating, useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { ApiError, type Ask, call, http, type SavedSketch, type Sketch } from '@/api/client';
import { answerQuery, expectAnswer, keyOf, sketchKey } from '@/api/queries';

/** Something the student should know about saving. */
export type Notice = { text: string; canRetry: boolean };

const changedElsewhere =
  'This sketch was changed in another window. Here is the newer one; your last change was not saved.';

type Change = { kind: 'save'; ask: Ask; held: string[] } | { kind: 'undo' | 'redo' | 'read'; held: string[] };

/**
 * Changes to a sketch. The cache shows each at once; they are saved one after the other, each against the version the
 * one before it got. What cannot be saved for now stays in view and is sent again; what is refused is taken back.
 */
export function useSketchEdits(term: string, held: () => string[]) {
  const client = useQueryClient();
  const key = sketchKey(term);
  const mutationKey = ['change', term];
  const [notice, setNotice] = useState<Notice | null>(null);
  const current = () => client.getQueryData<Sketch>(key)!;
  /** The ask as the server has it; what is shown may be ahead of it. */
  const saved = useRef<Ask>(current().ask);
  const isLast = () => client.isMutating({ mutationKey }) <= 1;

  const showSaved = () => client.setQueryData<Sketch>(key, { ...current(), ask: saved.current });

  const mutation = useMutation({
    mutationKey,
    scope: { id: `change ${term}` },
    retry: (failures, problem) => problem instanceof ApiError && problem.mayPass && failures < 2,
    retryDelay: 400,
    mutationFn: (change: Change) => send(current(), change),
    onSuccess: ({ sketch, answer, unanswered }, change) => {
      if (answer) {
        const { ask } = sketch;
        client.setQueryData(answerQuery(ask, held).queryKey, { ask, key: keyOf(ask), answer });
      }
      saved.current = sketch.ask;
      // Changes still under way are newer than what came back; what is shown stays.
      const shown = change.kind === 'save' && !isLast() ? current().ask : sketch.ask;
      client.setQueryData<Sketch>(key, { ...sketch, ask: shown });
      setNotice(unanswered === null ? null : { text: unanswered, canRetry: false });
    },
    onError: (problem, change) => {
      if (problem instanceof ApiError && problem.newer) {
        client.setQueryData<Sketch>(key, problem.newer);
        saved.current = problem.newer.ask;
        // Our own change may have been saved and only the word of it lost on the way back.
        const isOurs = change.kind === 'save' && keyOf(change.ask) === keyOf(problem.newer.ask);
        setNotice(isOurs ? null : { text: changedElsewhere, canRetry: false });
      } else if (problem instanceof ApiError && !problem.mayPass) {
        showSaved();
        setNotice({ text: `That change was not taken. ${problem.message}`, canRetry: false });
      } else {
        setNotice({ text: `Not saved yet: ${problem.message} Your changes are still here.`, canRetry: true });
      }
    },
  });

  const change = (edit: (ask: Ask) => Ask) => {
    const sketch = current();
    const ask = edit(sketch.ask);
    if (keyOf(ask) === keyOf(sketch.ask)) return;
    client.setQueryData<Sketch>(key, { ...sketch, ask });
    save(ask);
  };

  const save = (ask: Ask) => {
    const saving = mutation.mutateAsync({ kind: 'save', ask, held: held() });
    expectAnswer(
      ask,
      saving.then(
        (saved) => saved.answer,
        () => null,
      ),
    );
  };

  return {
    change,
    undo: () => {
      if (notice?.canRetry) {
        // The last change never reached the server: taking it back needs none.
        showSaved();
        setNotice(null);
      } else mutation.mutate({ kind: 'undo', held: held() });
    },
    redo: () => mutation.mutate({ kind: 'redo', held: held() }),
    /** Notes that what became of the sketch's sections was read. */
    readChanges: () => mutation.mutate({ kind: 'read', held: held() }),
    saving: useIsMutating({ mutationKey }) > 0,
    notice,
    retry: () => save(current().ask),
    forgetNotice: () => setNotice(null),
  };
}

function send(sketch: Sketch, change: Change): Promise<SavedSketch> {
  const params = { path: { id: sketch.id } };
  const { version } = sketch;
  const { held } = change;
  switch (change.kind) {
    case 'save':
      return call(http.PUT('/api/sketches/{id}', { params, body: { version, ask: change.ask, held } }));
    case 'undo':
      return call(http.POST('/api/sketches/{id}/undo', { params, body: { version, held } }));
    case 'read':
      return call(http.POST('/api/sketches/{id}/changes-read', { params, body: { version, held } }));
    case 'redo':
      return call(http.POST('/api/sketches/{id}/redo', { params, body: { version, held } }));
  }
}
