import { useSyncExternalStore } from 'react';
import { recall, remember } from './browserStore';

const name = 'single-keys';
const listeners = new Set<() => void>();
let areOn = recall(name, (value) => typeof value === 'boolean') ?? true;

/** Whether keys that are one character do something by themselves; who speaks to the browser switches them off. */
export const areSingleKeysOn = (): boolean => areOn;

export function switchSingleKeys(on: boolean): void {
  areOn = on;
  remember(name, on);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function useSingleKeys(): boolean {
  return useSyncExternalStore(subscribe, areSingleKeysOn);
}
