import { takesKeys } from './keys';
import { areSingleKeysOn } from './singleKeys';
import { useKeyDown } from './useKeyDown';

/** Every key of one character that does something by itself, by the place where it does. */
export const letterKeys = {
  catalogue: { findCourse: '/' },
  workbench: {
    findCourse: '/',
    goToShape: 'g',
    keep: 'k',
    ruleOut: 'x',
    putBy: 's',
    putInLineUp: 'l',
    showAllShapes: 'a',
    takeHoursOut: 'b',
    switchStrength: 'd',
    buildByHand: 'h',
    nextWeek: ']',
    weekBefore: '[',
    print: 'p',
    showKeys: '?',
  },
  lineup: { a: 'a', b: 'b', c: 'c', d: 'd', e: 'e', f: 'f', g: 'g', h: 'h' },
} as const;

/** Does something at such a key; fields and menus keep theirs. */
export function useLetterKeys(keys: Readonly<Record<string, string>>, run: (name: string) => void): void {
  useKeyDown((event) => {
    if (event.ctrlKey || event.metaKey || takesKeys(event.target) || !areSingleKeysOn()) return;
    const pressed = Object.entries(keys).find(([, key]) => key === event.key.toLowerCase());
    if (!pressed) return;
    event.preventDefault();
    run(pressed[0]);
  });
}
