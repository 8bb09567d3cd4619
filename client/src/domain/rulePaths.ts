import type { Ask } from '@/api/client';
import type { Rule } from './rules';
import { wording } from '@/wording/domain/rulePaths';
import { counted } from '@/wording/counted';
import { joinOr } from '@/wording/lists';

/** A rule as one reads it inside a sentence, and the change that lifts it. */
export type PathWords = { name: string; lift: string };

const ofCourse: Record<string, (one: Ask['wanted'][number]) => PathWords> = {
  keep: ({ course, keep }) => ({
    name: wording.keepOf(keep.length === 1 ? 'section' : counted.sections(keep.length), course),
    lift: wording.stopKeepingSections(course),
  }),
  ruleOut: ({ course }) => ({
    name: wording.sectionsOfRuledOut(course),
    lift: wording.allowSectionsOfRuledOut(course),
  }),
  instructors: ({ course }) => ({
    name: wording.instructorsWant(course),
    lift: wording.allowAnyInstructor(course),
  }),
  modes: ({ course }) => ({ name: wording.howWantTaught(course), lift: wording.allowAnyMode(course) }),
  campuses: ({ course }) => ({
    name: wording.campusWant(course),
    lift: wording.allowAnyCampus(course),
  }),
  seats: ({ course }) => ({
    name: wording.seatsRule(course),
    lift: wording.allowFullSections(course),
  }),
};

/** Says what an answer names by its path in the ask. */
export function sayPath(path: string, ask: Ask, rules: readonly Rule[]): PathWords {
  const rule = rules.find((one) => one.path === path);
  if (rule) {
    const name = `“${rule.text}”`;
    return {
      name,
      lift: rule.what.kind === 'seats' ? wording.allowFullSectionsToo : wording.switchOff(name),
    };
  }
  const [, list, at, field] = /^(wanted|eitherOr)\[(\d+)\](?:\.(\w+))?$/.exec(path) ?? [];
  const index = Number(at);
  if (list === 'eitherOr') {
    const courses = joinOr(ask.eitherOr[index]?.courses ?? []);
    return { name: wording.eitherOr(courses), lift: wording.takeApartEither(courses) };
  }
  const wanted = ask.wanted[index];
  if (!wanted) return { name: path, lift: path };
  const words = field === undefined ? undefined : ofCourse[field];
  return words ? words(wanted) : { name: wanted.course, lift: wording.setAside(wanted.course) };
}

export function sayAll(names: readonly string[]): string {
  return new Intl.ListFormat('en', { style: 'long', type: 'conjunction' }).format(names);
}
