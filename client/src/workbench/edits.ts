import type { Ask, TimeBlock, WantedCourse } from '@/api/client';

// Changes to an ask, each giving a new one.

export type Role = 'must' | 'setAside';

export function addCourse(ask: Ask, course: string): Ask {
  if (ask.wanted.some((wanted) => wanted.course === course)) return ask;
  const wanted: WantedCourse = {
    course,
    role: 'must',
    keep: [],
    ruleOut: [],
    instructors: [],
    modes: [],
    campuses: [],
  };
  return { ...ask, wanted: [...ask.wanted, wanted] };
}

export function removeCourse(ask: Ask, course: string): Ask {
  return { ...ask, wanted: ask.wanted.filter((wanted) => wanted.course !== course) };
}

export function setRole(ask: Ask, course: string, role: Role): Ask {
  return {
    ...ask,
    wanted: ask.wanted.map((wanted) => (wanted.course === course ? { ...wanted, role } : wanted)),
  };
}

export function setBlocks(ask: Ask, timeBlocks: readonly TimeBlock[]): Ask {
  return { ...ask, timeBlocks: [...timeBlocks] };
}
