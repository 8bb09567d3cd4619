import type { Ask, PutBy, PutByState } from '@/api/client';
import { sayComponent } from '@/grid/classes';
import { type Rule } from './rules';
import { sayAll, sayPath } from './rulePaths';
import { wording } from '@/wording/domain/sayBroken';

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
    state.gone.length > 0 && wording.namesCountGone(names(state.gone), count(state.gone)),
    state.moved.length > 0 &&
      wording.movedSincePutOnShortlist(names(state.moved), state.moved.length === 1 ? 'has' : 'have'),
    ...state.clashes.map((clash) => wording.atSameHours(names([clash.one, clash.other]))),
    state.gone.length === 0 &&
      state.notWhole.length > 0 &&
      wording.cannotBeTakenWithThese(sayAll(state.notWhole)),
    state.full.length > 0 && wording.namesCountFull(names(state.full), count(state.full)),
    ...state.broken.map((path) => wording.breaksRule(sayBrokenRule(path, ask, rules))),
    state.notAsked.length > 0 && wording.sketchDoesNotTakeAny(sayAll(state.notAsked)),
    !state.isExact && wording.noTimeToLook,
  ].filter((text) => text !== false);
}

function sayBrokenRule(path: string, ask: Ask, rules: readonly Rule[]): string {
  const index = /^wanted\[(\d+)\]$/.exec(path)?.[1];
  return index === undefined
    ? sayPath(path, ask, rules).name
    : wording.mustIsNotIn(ask.wanted[Number(index)]?.course ?? '');
}
