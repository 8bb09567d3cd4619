import { useQueryClient } from '@tanstack/react-query';
import { createContext, type ReactNode, useContext, useState, useSyncExternalStore } from 'react';
import type { Saver, SaverState } from './saver';
import { Saving } from './saving';

const SavingContext = createContext<Saving | null>(null);

export function SavingProvider({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const [saving] = useState(() => new Saving(client));
  return <SavingContext value={saving}>{children}</SavingContext>;
}

export function useSaving(): Saving {
  const saving = useContext(SavingContext);
  if (!saving) throw new Error('Nothing is saved outside of SavingProvider.');
  return saving;
}

export function useSaverState<Content>(saver: Saver<Content>): SaverState<Content> {
  return useSyncExternalStore(saver.subscribe, saver.getState);
}
