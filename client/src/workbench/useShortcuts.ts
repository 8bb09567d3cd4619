import { takesKeys } from '@/lib/keys';
import { areSingleKeysOn } from '@/lib/singleKeys';
import { useKeyDown } from '@/lib/useKeyDown';

/** What can be done on the Workbench: by a key, from the palette, or both. */
export type Action = {
  name: string;
  /** The key as the help shows it; none where it is only in the palette. */
  keys?: string;
  /** What the key event must say: `key`, with `ctrl+` and `shift+` before it where they must be held. */
  on?: readonly string[];
  run: () => void;
  /** The key is typed where the action goes to. */
  isTyped?: boolean;
  /** Left out of the palette: walking and the like make no sense there. */
  isKeyOnly?: boolean;
};

/** Keys that work on one thing in focus, as the help shows them. */
export const localKeys: readonly { keys: string; does: string }[] = [
  { keys: '1, 2, 3 on a course', does: 'Must, If it fits, Set aside' },
  { keys: 'W held on a course', does: 'Without this course for a moment' },
  { keys: 'Alt + ↑ ↓ on a course', does: 'Move it up or down' },
  { keys: 'Delete on a course or hours', does: 'Remove' },
  { keys: '← → ↑ ↓ on taken hours', does: 'Move them by 15 minutes, or to another day' },
  { keys: 'Shift + ← → on taken hours', does: 'Change when they end' },
  { keys: 'Enter on taken hours or a class', does: 'All that can be done with it' },
  { keys: 'Esc', does: 'Drop what is being dragged' },
];

/** Listens on the whole page. Text fields, menus and dialogs keep their keys to themselves. */
export function useShortcuts(actions: readonly Action[]): void {
  useKeyDown((event) => {
    if (inDialog(event.target)) return;
    const pressed = nameOf(event);
    if (takesKeys(event.target) && pressed !== 'ctrl+k') return;
    if (event.key.length === 1 && !pressed.startsWith('ctrl+') && !areSingleKeysOn()) return;
    const action = actions.find((one) => one.on?.includes(pressed));
    if (!action) return;
    if (!action.isTyped || event.key.length > 1 || !/\d/.test(event.key)) event.preventDefault();
    action.run();
  });
}

function inDialog(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest('[role="dialog"]') !== null;
}

/** A key with what is held beside it; Shift only where it does not make another character. */
function nameOf(event: KeyboardEvent): string {
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const ctrl = event.ctrlKey || event.metaKey ? 'ctrl+' : '';
  const isLetterOrName = event.key.length > 1 || /[a-z]/i.test(event.key);
  return `${ctrl}${event.shiftKey && isLetterOrName ? 'shift+' : ''}${key}`;
}
