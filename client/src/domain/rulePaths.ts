import type { Ask } from '@/api/client';
import { countOf } from '@/lib/count';
import type { Rule } from './rules';

/** A rule as one reads it inside a sentence, and the change that lifts it. */
export type PathWords = { name: string; lift: string };

const ofCourse: Record<string, (one: Ask['wanted'][number]) => PathWords> = {
  keep: ({ course, keep }) => ({
    name: `the ${keep.length === 1 ? 'section' : countOf(keep.length, 'section')} you keep of ${course}`,
    lift: `Stop keeping sections of ${course}`,
  }),
  ruleOut: ({ course }) => ({
    name: `the sections of ${course} you ruled out`,
    lift: `Allow the sections of ${course} you ruled out`,
  }),
  instructors: ({ course }) => ({
    name: `the instructors you want for ${course}`,
    lift: `Allow any instructor for ${course}`,
  }),
  modes: ({ course }) => ({ name: `how you want ${course} taught`, lift: `Allow any mode for ${course}` }),
  campuses: ({ course }) => ({
    name: `the campus you want for ${course}`,
    lift: `Allow any campus for ${course}`,
  }),
  seats: ({ course }) => ({
    name: `your seats rule for ${course}`,
    lift: `Allow full sections of ${course}`,
  }),
};

/** Says what an answer names by its path in the ask. */
export function sayPath(path: string, ask: Ask, rules: readonly Rule[]): PathWords {
  const rule = rules.find((one) => one.path === path);
  if (rule) {
    const name = `“${rule.text}”`;
    return { name, lift: rule.what.kind === 'seats' ? 'Allow full sections too' : `Switch off ${name}` };
  }
  const [, list, at, field] = /^(wanted|eitherOr)\[(\d+)\](?:\.(\w+))?$/.exec(path) ?? [];
  const index = Number(at);
  if (list === 'eitherOr') {
    const courses = ask.eitherOr[index]?.courses.join(' or ') ?? '';
    return { name: `the either–or of ${courses}`, lift: `Take apart the either–or of ${courses}` };
  }
  const wanted = ask.wanted[index];
  if (!wanted) return { name: path, lift: path };
  const words = field === undefined ? undefined : ofCourse[field];
  return words ? words(wanted) : { name: wanted.course, lift: `Set ${wanted.course} aside` };
}

export function sayAll(names: readonly string[]): string {
  return new Intl.ListFormat('en', { style: 'long', type: 'conjunction' }).format(names);
}
