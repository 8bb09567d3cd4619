import { useEffect, useState } from 'react';
import { useSaving } from '@/saving/SavingContext';

/** Whether what windows that are gone could not save is in view here; before that, less would be shown than there is. */
export function useAdopted(): boolean {
  const saving = useSaving();
  const [isDone, setDone] = useState(false);
  useEffect(() => {
    void saving.adoptLeft().then(() => setDone(true));
  }, [saving]);
  return isDone;
}
