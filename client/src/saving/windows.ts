import type { PicksState, PlanState, Sketch } from '@/api/client';
import { newId } from '@/lib/newId';

/** This window, among those of the browser. */
export const thisWindow = newId();

/** What the windows of one browser tell each other. */
type Word =
  | { kind: 'sketch'; sketch: Sketch }
  | { kind: 'picks'; term: string; state: PicksState }
  | { kind: 'plan'; state: PlanState }
  /** Sketches of a term were made, deleted or put in another order. */
  | { kind: 'sketches'; term: string }
  /** Whether a window is still open, that it is, and that it is about to close. */
  | { kind: 'there?' | 'there' | 'closing'; window: string };

const channel = new BroadcastChannel('hour-grid');
const listeners = new Set<(word: Word) => void>();

// A channel does not hear itself: what this window saved it knows.
channel.addEventListener('message', (message: MessageEvent<Word>) => {
  const { data } = message;
  if (data.kind === 'there?' && data.window === thisWindow) tell({ kind: 'there', window: thisWindow });
  for (const listener of listeners) listener(data);
});
window.addEventListener('pagehide', () => tell({ kind: 'closing', window: thisWindow }));

export function tell(word: Word): void {
  channel.postMessage(word);
}

/** Calls back with what other windows tell, until the function given back is called. */
export function listen(listener: (word: Word) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How long a window that is open may take to answer, in milliseconds. */
const patience = 150;

/** Whether another window is still open. */
export function isOpen(window: string): Promise<boolean> {
  return new Promise((resolve) => {
    const stop = listen((word) => {
      if (word.kind === 'there' && word.window === window) answer(true);
    });
    const answer = (isThere: boolean) => {
      stop();
      clearTimeout(late);
      resolve(isThere);
    };
    const late = setTimeout(() => answer(false), patience);
    tell({ kind: 'there?', window });
  });
}
