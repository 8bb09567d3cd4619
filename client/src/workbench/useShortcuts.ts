import { useEffect, useRef } from 'react';
import { takesText } from '@/lib/keys';

export type Shortcuts = {
  findCourse: () => void;
  previous: () => void;
  next: () => void;
  previousShape: () => void;
  nextShape: () => void;
  first: () => void;
  last: () => void;
  undo: () => void;
  redo: () => void;
  showKeys: () => void;
};

/** The keys of the Workbench, as the help shows them. */
export const keyMap: readonly { keys: string; does: string }[] = [
  { keys: '/', does: 'Find a course to add' },
  { keys: '← →', does: 'Walk the timetables' },
  { keys: 'Shift + ← →', does: 'Walk the week shapes' },
  { keys: 'Home, End', does: 'First and last timetable' },
  { keys: 'Ctrl + Z', does: 'Undo' },
  { keys: 'Ctrl + Shift + Z', does: 'Redo' },
  { keys: 'Esc', does: 'Drop what is being dragged' },
  { keys: '← → ↑ ↓ on taken hours', does: 'Move them by 15 minutes, or to another day' },
  { keys: 'Shift + ← → on taken hours', does: 'Change when they end' },
  { keys: 'Delete on taken hours', does: 'Remove them' },
  { keys: 'Enter on taken hours', does: 'Type their hours, days and label' },
  { keys: '?', does: 'Show these keys' },
];

/** Listens on the whole page. Text fields, menus and dialogs keep their keys to themselves. */
export function useShortcuts(shortcuts: Shortcuts): void {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (event.defaultPrevented || takesText(event.target) || inDialog(event.target)) return;
      const action = actionOf(event);
      if (!action) return;
      event.preventDefault();
      latest.current[action]();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, []);
}

function inDialog(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest('[role="dialog"]') !== null;
}

function actionOf(event: KeyboardEvent): keyof Shortcuts | null {
  const command = event.ctrlKey || event.metaKey;
  if (command && event.key.toLowerCase() === 'z') return event.shiftKey ? 'redo' : 'undo';
  if (command || event.altKey) return null;
  switch (event.key) {
    case '/':
      return 'findCourse';
    case '?':
      return 'showKeys';
    case 'ArrowLeft':
      return event.shiftKey ? 'previousShape' : 'previous';
    case 'ArrowRight':
      return event.shiftKey ? 'nextShape' : 'next';
    case 'Home':
      return 'first';
    case 'End':
      return 'last';
    default:
      return null;
  }
}
