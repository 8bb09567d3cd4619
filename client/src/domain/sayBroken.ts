import type { Ask, PutBy, PutByState } from '@/api/client';
import { sayComponent } from '@/grid/classes';
import { type Rule } from './rules';
import { sayAll, sayPath } from './rulePaths';

/** What stands against a timetable put by, a sentence each, the gravest first; none where it holds. */
export function sayBroken(one: PutBy, state: PutByState, ask: Ask, rules: readonly Rule[]): string[] {
  const names = (numbers: readonly string[]) =>
    sayAll(
      one.sections
        .filter((section) => numbers.includes(section.number))
        .map((section) => `${section.course} ${sayComponent(section)}`),
    );
  const count = (numbers: readonly string[]) => (numbers.length === 1 ? 'is' : 'are');
  return [
    state.gone.length > 0 && `${names(state.gone)} ${count(state.gone)} gone.`,
    state.moved.length > 0 &&
      `${names(state.moved)} ${state.moved.length === 1 ? 'has' : 'have'} moved since it was put on the shortlist.`,
    ...state.clashes.map((clash) => `${names([clash.one, clash.other])} are at the same hours.`),
    state.gone.length === 0 &&
      state.notWhole.length > 0 &&
      `${sayAll(state.notWhole)} cannot be taken with these sections any more.`,
    state.full.length > 0 && `${names(state.full)} ${count(state.full)} full.`,
    ...state.broken.map((path) => `It breaks a rule: ${sayBrokenRule(path, ask, rules)}.`),
    state.notAsked.length > 0 && `The sketch does not take ${sayAll(state.notAsked)} any more.`,
    !state.isExact && 'There was no time to look at every rule.',
  ].filter((text) => text !== false);
}

function sayBrokenRule(path: string, ask: Ask, rules: readonly Rule[]): string {
  const index = /^wanted\[(\d+)\]$/.exec(path)?.[1];
  return index === undefined
    ? sayPath(path, ask, rules).name
    : `${ask.wanted[Number(index)]?.course} is a must, and is not in it`;
}
