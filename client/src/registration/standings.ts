import type { ClassStanding } from '@/grid/classes';
import { blocking, type CourseState } from './courseStates';
import { sayRefusal } from './sayRefusal';
import { wording } from '@/wording/registration/standings';

/** How a class of a course is drawn; null where it is only planned. */
export function standingOf(state: CourseState): ClassStanding | null {
  switch (state.kind) {
    case 'held':
      return { kind: 'held', text: wording.registered };
    case 'sent':
      return { kind: 'sent', text: wording.sent };
    case 'waiting':
      return { kind: 'waiting', text: wording.waiting(state.waiting.place) };
    case 'refused':
      return { kind: 'refused', text: sayRefusal(blocking(state.now)[0] ?? blocking(state.result)[0]) };
    case 'planned':
      return null;
  }
}
