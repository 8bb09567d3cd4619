import { takesKeys } from '@/lib/keys';
import { areSingleKeysOn } from '@/lib/singleKeys';
import { useKeyDown } from '@/lib/useKeyDown';
import { wording } from '@/wording/workbench/useShortcuts';
import { common } from '@/wording/common';

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
  { keys: wording.n123OnCourse, does: wording.mustIfFitsSetAside },
  { keys: wording.wHeldOnCourse, does: wording.withoutCourseForMoment },
  { keys: wording.altOnCourse, does: wording.moveUpOrDown },
  { keys: wording.deleteOnCourseOrHours, does: common.remove },
  { keys: wording.onTakenHours, does: wording.moveBy15Minutes },
  { keys: wording.shiftOnTakenHours, does: wording.changeWhenEnd },
  { keys: wording.enterOnTakenHours, does: wording.allCanBeDone },
  { keys: wording.esc, does: wording.dropWhatBeingDragged },
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
