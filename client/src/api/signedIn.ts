/** How the sign-in of this page stands: whether there was one when it was loaded, and whether it still lasts. */
type State = 'none' | 'lasts' | 'ranOut';

let state: State = 'none';
const listeners = new Set<() => void>();

export const signedIn = {
  get: (): State => state,
  set: (next: State): void => {
    state = next;
    for (const listener of listeners) listener();
  },
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};
