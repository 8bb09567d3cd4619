import type { ClassStanding } from '@/grid/classes';
import { blocking, type CourseState } from './courseStates';
import { sayRefusal } from './sayRefusal';
import { wording } from '@/wording/registration/standings';

/** How a class of a course is drawn; null where it is only planned. */
export function standingOf(state: CourseState): ClassStanding | null {
  switch (state.kind) {
    case 'held':
      return { kind: 'held', text: wording.registered, short: '' };
    case 'sent':
      return { kind: 'sent', text: wording.sent, short: wording.sentShort };
    case 'waiting':
      return {
        kind: 'waiting',
        text: wording.waiting(state.waiting.place),
        short: wording.place(state.waiting.place),
      };
    case 'refused':
      return {
        kind: 'refused',
        text: sayRefusal(blocking(state.now)[0] ?? blocking(state.result)[0]),
        short: wording.refused,
      };
    case 'planned':
      return null;
  }
}
