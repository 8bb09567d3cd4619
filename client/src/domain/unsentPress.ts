import type { QueryClient } from '@tanstack/react-query';
import type { Line } from '@/api/client';
import { addPress, sendPress } from '@/api/registrationQueries';
import { forget, recall, remember } from '@/lib/browserStore';
import { newId } from '@/lib/newId';

/** Lines that were pressed, with the key by which they are known, until the server has them. */
export type UnsentPress = { key: string; lines: Line[]; sentUtc: string };

const isUnsent = (value: unknown): value is UnsentPress =>
  typeof value === 'object' && value !== null && 'key' in value && 'lines' in value && 'sentUtc' in value;

const nameOf = (term: string) => `press.${term}`;

export const recallPress = (term: string): UnsentPress | null => recall(nameOf(term), isUnsent);

export const forgetPress = (term: string): void => forget(nameOf(term));

/** A press of these lines, which stands in the browser's store before anything of it is sent. */
export function newPress(term: string, lines: readonly Line[]): UnsentPress {
  const press = {
    key: newId().replaceAll('-', ''),
    lines: [...lines],
    sentUtc: new Date().toISOString(),
  };
  remember(nameOf(term), press);
  return press;
}

const sentHere = new Set<string>();

/** Whether this window sent a press: what becomes of it is shown without asking. */
export const isSentHere = (key: string): boolean => sentHere.has(key);

/** Sends a press; once the server has it, it is shown, and need not be remembered here. */
export async function deliverPress(client: QueryClient, term: string, press: UnsentPress): Promise<void> {
  sentHere.add(press.key);
  addPress(client, term, await sendPress(term, press.key, press.lines));
  forgetPress(term);
}
