import type { Ask, Break, TimeBlock } from '@/api/client';
import { sayBlock } from '@/grid/blocks';
import { daysOf } from '@/lib/days';
import { sayDays } from '@/wording/days';
import { isSame } from '@/lib/isSame';
import { sayMode } from '@/wording/modes';
import { minuteOf } from '@/lib/time';
import { sayHours, sayLength } from '@/wording/times';
import { type DayLimit, type DayLimits, dayLimits, noLimits, sayLimit } from '@/wording/dayLimits';
import { leaveEitherOr, replaceBlock, replaceBreak, setCampus, setLimits } from './edits';
import { wording } from '@/wording/domain/rules';
import { common } from '@/wording/common';
import { joinAnd, joinOr } from '@/wording/lists';

/** The rules of which there is at most one. */
export type SingleRule =
  DayLimit | 'campuses' | 'preferred' | 'travel' | 'onePerDay' | 'modes' | 'seats' | 'credits';

/** One rule of a sketch, in force or switched off. */
export type Rule = {
  /** Tells it from the others, also when it is switched. */
  key: string;
  /** Its path in the ask, where costs and reasons name it; null while it is off. */
  path: string | null;
  what: { kind: 'block'; block: TimeBlock } | { kind: 'break'; wanted: Break } | { kind: SingleRule };
  /** The rule in a line. */
  text: string;
  isSoft: boolean;
};

export type RuleGroup = 'hours' | 'days' | 'campuses';

function isSet(limits: DayLimits, kind: DayLimit): boolean {
  return !isSame(limits[kind], noLimits[kind]);
}

export function sayBreak({ days, from, to, minutes }: Break): string {
  return wording.breakIn(sayLength(minutes), sayHours(minuteOf(from), minuteOf(to)), sayDays(daysOf(days)));
}

export function saySeatsRule(seats: string): string {
  if (seats === 'open') return wording.onlySectionsWithFreeSeat;
  return seats === 'waitlist' ? wording.freeSeatOrPlace : wording.fullSectionsToo;
}

/** The rules in a sketch's order of reading: hours by the week, then the limits of days, then places and seats. */
export function rulesOf(ask: Ask, campusName: (id: string) => string): Record<RuleGroup, Rule[]> {
  const { off } = ask;
  const inOrder = <T extends { days: readonly string[] }>(
    list: { one: T; path: string | null }[],
    from: (one: T) => string,
  ) =>
    list.toSorted(
      (a, b) => firstDay(a.one.days) - firstDay(b.one.days) || from(a.one).localeCompare(from(b.one)),
    );
  const blocks = inOrder(listed(ask.timeBlocks, off.timeBlocks, 'timeBlocks'), (block) => block.start);
  const breaks = inOrder(listed(ask.breaks, off.breaks, 'breaks'), (wanted) => wanted.from);
  const names = (ids: readonly string[]) => joinAnd(ids.map(campusName));
  return {
    hours: [
      ...blocks.map(({ one, path }, i): Rule => ({
        key: `block-${JSON.stringify(one)} ${i}`,
        path,
        what: { kind: 'block', block: one },
        text: `${one.strength === 'cannot' ? common.cant : common.ratherNot}: ${sayBlock(one)}`,
        isSoft: one.strength !== 'cannot',
      })),
      ...breaks.map(({ one, path }, i): Rule => ({
        key: `break-${JSON.stringify(one)} ${i}`,
        path,
        what: { kind: 'break', wanted: one },
        text: sayBreak(one),
        isSoft: one.strength !== 'cannot',
      })),
    ],
    days: dayLimits.flatMap((kind) => {
      const isOn = isSet(ask.dayLimits, kind);
      if (!isOn && !isSet(off.dayLimits, kind)) return [];
      const text = sayLimit(isOn ? ask.dayLimits : off.dayLimits, kind);
      return [single(kind, isOn ? `dayLimits.${kind}` : null, text)];
    }),
    campuses: [
      ...either('campuses', 'campus.allowed', ask.campus.allowed, off.campuses, (ids) =>
        wording.onlyOn(names(ids)),
      ),
      ...(ask.campus.preferred === null
        ? []
        : [
            {
              ...single('preferred', 'campus.preferred', wording.ratherOn(campusName(ask.campus.preferred))),
              isSoft: true,
            },
          ]),
      single(
        'travel',
        ask.campus.respectTravel ? 'campus.respectTravel' : null,
        wording.timeToGetBetweenCampuses,
      ),
      single('onePerDay', ask.campus.onePerDay ? 'campus.onePerDay' : null, wording.oneCampusDay),
      ...either('modes', 'modes', ask.modes, off.modes, (modes) =>
        wording.onlyModes(joinOr(modes.map(sayMode))),
      ),
      single(
        'seats',
        ask.seats === 'any' ? null : 'seats',
        saySeatsRule(ask.seats === 'any' ? 'open' : ask.seats),
      ),
      ...creditsRule(ask),
    ],
  };
}

function firstDay(days: readonly string[]): number {
  return ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].indexOf(daysOf(days)[0] ?? 'sun');
}

function listed<T>(on: readonly T[], off: readonly T[], name: string) {
  return [
    ...on.map((one, i) => ({ one, path: `${name}[${i}]` as string | null })),
    ...off.map((one) => ({ one, path: null })),
  ];
}

function single(kind: SingleRule, path: string | null, text: string): Rule {
  return { key: kind, path, what: { kind }, text, isSoft: false };
}

function either(
  kind: SingleRule,
  path: string,
  on: readonly string[],
  off: readonly string[],
  say: (values: readonly string[]) => string,
): Rule[] {
  if (on.length > 0) return [single(kind, path, say(on))];
  return off.length > 0 ? [single(kind, null, say(off))] : [];
}

function creditsRule(ask: Ask): Rule[] {
  const isBound = ({ min, max }: Ask['credits']) => min !== null || max !== null;
  if (isBound(ask.credits)) return [single('credits', 'credits', sayCreditBounds(ask.credits))];
  return isBound(ask.off.credits) ? [single('credits', null, sayCreditBounds(ask.off.credits))] : [];
}

export function sayCreditBounds({ min, max }: Ask['credits']): string {
  if (min !== null && max !== null)
    return min === max ? wording.credits(min) : wording.creditsFromTo(min, max);
  return min !== null ? wording.atLeastCredits(min) : wording.atMostCredits(max ?? 0);
}

/** Switches a rule off without losing it, or on again. */
export function switchRule(ask: Ask, rule: Rule): Ask {
  const isOn = rule.path !== null;
  const { off } = ask;
  const { what } = rule;
  switch (what.kind) {
    case 'block':
      return isOn
        ? {
            ...replaceBlock(ask, what.block, null),
            off: { ...off, timeBlocks: [...off.timeBlocks, what.block] },
          }
        : {
            ...replaceBlock(ask, null, what.block),
            off: { ...off, timeBlocks: without(off.timeBlocks, what.block) },
          };
    case 'break':
      return isOn
        ? { ...replaceBreak(ask, what.wanted, null), off: { ...off, breaks: [...off.breaks, what.wanted] } }
        : {
            ...replaceBreak(ask, null, what.wanted),
            off: { ...off, breaks: without(off.breaks, what.wanted) },
          };
    case 'campuses':
      return { ...setCampus(ask, { allowed: off.campuses }), off: { ...off, campuses: ask.campus.allowed } };
    case 'modes':
      return { ...ask, modes: off.modes, off: { ...off, modes: ask.modes } };
    case 'credits':
      return { ...ask, credits: off.credits, off: { ...off, credits: ask.credits } };
    case 'travel':
      return setCampus(ask, { respectTravel: !isOn });
    case 'onePerDay':
      return setCampus(ask, { onePerDay: !isOn });
    case 'preferred':
      return setCampus(ask, { preferred: null });
    case 'seats':
      return { ...ask, seats: isOn ? 'any' : 'open' };
    default: {
      const swap = { [what.kind]: off.dayLimits[what.kind] };
      const kept = { ...off.dayLimits, [what.kind]: ask.dayLimits[what.kind] };
      return { ...setLimits(ask, swap), off: { ...off, dayLimits: kept } };
    }
  }
}

function without<T>(list: readonly T[], item: T): T[] {
  const at = list.findIndex((one) => isSame(one, item));
  return at < 0 ? [...list] : list.toSpliced(at, 1);
}

/** Takes a rule away, whether it is on or off. */
export function removeRule(ask: Ask, rule: Rule): Ask {
  const now = rule.path === null ? ask : switchRule(ask, rule);
  const { off } = now;
  const { what } = rule;
  switch (what.kind) {
    case 'block':
      return { ...now, off: { ...off, timeBlocks: without(off.timeBlocks, what.block) } };
    case 'break':
      return { ...now, off: { ...off, breaks: without(off.breaks, what.wanted) } };
    case 'campuses':
      return { ...now, off: { ...off, campuses: [] } };
    case 'modes':
      return { ...now, off: { ...off, modes: [] } };
    case 'credits':
      return { ...now, off: { ...off, credits: { min: null, max: null } } };
    case 'travel':
    case 'onePerDay':
    case 'preferred':
    case 'seats':
      return now;
    default:
      return { ...now, off: { ...off, dayLimits: { ...off.dayLimits, [what.kind]: noLimits[what.kind] } } };
  }
}

/** Lifts several rules that an answer names by their paths. */
export function liftRules(ask: Ask, paths: readonly string[], rules: readonly Rule[]): Ask {
  // The last of a list first: the places of those before it stay what they are.
  return paths.toSorted(byIndex).reduceRight((lifted, path) => liftRule(lifted, path, rules), ask);
}

function byIndex(one: string, other: string): number {
  const indexIn = (path: string) => Number(/\[(\d+)\]/.exec(path)?.[1] ?? 0);
  return indexIn(one) - indexIn(other);
}

/** Lifts a rule that an answer names by its path: a rule is switched off, a course set aside, the rest let go. */
function liftRule(ask: Ask, path: string, rules: readonly Rule[]): Ask {
  const rule = rules.find((one) => one.path === path);
  if (rule) return switchRule(ask, rule);
  const [, list, at, field] = /^(wanted|eitherOr)\[(\d+)\](?:\.(\w+))?$/.exec(path) ?? [];
  const index = Number(at);
  if (list === 'eitherOr') return { ...ask, eitherOr: ask.eitherOr.toSpliced(index, 1) };
  const wanted = ask.wanted[index];
  if (list !== 'wanted' || !wanted) return ask;
  if (field === undefined) {
    const setAside = ask.wanted.with(index, { ...wanted, role: 'setAside' });
    return leaveEitherOr({ ...ask, wanted: setAside }, wanted.course);
  }
  return { ...ask, wanted: ask.wanted.with(index, { ...wanted, [field]: field === 'seats' ? 'any' : [] }) };
}
