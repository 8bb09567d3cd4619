import { describe, expect, it } from 'vitest';
import type { Ask, Break, TimeBlock } from '@/api/client';
import { addCourse, chooseBetween, limitCourse, markSection, setLimits } from './edits';
import { liftRules, removeRule, type Rule, rulesOf, switchRule } from './rules';
import { noLimits } from '@/wording/dayLimits';
import { testAsk } from './testAsk';
import { sayAll, sayPath } from './rulePaths';

const campusName = (id: string) => ({ HAR: 'Harbour', KLN: 'Kiln' })[id] ?? id;
const all = (ask: Ask): Rule[] => Object.values(rulesOf(ask, campusName)).flat();
const texts = (ask: Ask) => all(ask).map((rule) => rule.text);
const ruleOf = (ask: Ask, kind: Rule['what']['kind']) => all(ask).find((rule) => rule.what.kind === kind)!;

const block = (day: string, start: string, strength = 'cannot'): TimeBlock => ({
  days: [day],
  start,
  end: '12:00',
  strength,
  weeks: null,
  label: '',
});
const lunch: Break = { days: ['mon', 'wed'], from: '11:30', to: '14:00', minutes: 40, strength: 'cannot' };

/** An ask with every rule there is. */
function everything(): Ask {
  return testAsk({
    timeBlocks: [block('tue', '08:00')],
    breaks: [lunch],
    dayLimits: {
      ...noLimits,
      earliestStart: '09:00',
      latestEnd: '18:00',
      daysOff: ['fri'],
      maxDays: 4,
      maxMinutesPerDay: 360,
      maxStretchMinutes: 240,
      minutesBetween: 10,
    },
    campus: { allowed: ['HAR'], preferred: 'HAR', respectTravel: true, onePerDay: true },
    modes: ['inPerson', 'hybrid'],
    credits: { min: 12, max: 18 },
  });
}

describe('rules', () => {
  it('are read in the order of the week, those switched off among them', () => {
    const ask = testAsk({ timeBlocks: [block('fri', '08:00'), block('mon', '10:00', 'ratherNot')] });
    const off = { ...ask, off: { ...ask.off, timeBlocks: [block('mon', '08:00')] } };
    expect(rulesOf(off, campusName).hours.map(({ text, path, isSoft }) => [text, path, isSoft])).toEqual([
      ['Can’t: Mon 8:00–12:00', null, false],
      ['Rather not: Mon 10:00–12:00', 'timeBlocks[1]', true],
      ['Can’t: Fri 8:00–12:00', 'timeBlocks[0]', false],
    ]);
  });

  it('are each one line, as one would say it', () => {
    const ask = { ...everything(), credits: { min: 12, max: null } };
    expect(texts(ask)).toEqual([
      'Can’t: Tue 8:00–12:00',
      'Break: 40 min in 11:30–14:00, Mon Wed',
      'No class before 9:00',
      'No class after 18:00',
      'Off: Fri',
      'At most 4 class days a week',
      'At most 6 h of class a day',
      'At most 4 h without a pause',
      '10 min between classes',
      'Only on Harbour',
      'Rather on Harbour',
      'Time to get between campuses',
      'One campus a day',
      'Only in person or hybrid',
      'Only sections with a free seat',
      'At least 12 credits',
    ]);
  });

  it('that are two alike have keys of their own', () => {
    const keys = all(testAsk({ timeBlocks: [block('mon', '08:00'), block('mon', '08:00')] })).map(
      (rule) => rule.key,
    );
    expect(new Set(keys).size).toBe(keys.length);
  });
});

describe('switching a rule', () => {
  const ask = everything();
  // The campus one would rather be on is a wish without an off.
  it.each(
    all(ask)
      .filter((rule) => rule.what.kind !== 'preferred')
      .map((rule) => [rule.text, rule] as const),
  )('off and on again leaves “%s” as it was', (text, rule) => {
    const off = switchRule(ask, rule);
    const there = all(off).find((one) => one.what.kind === rule.what.kind)!;
    expect(there).toMatchObject({ path: null, text });
    expect(switchRule(off, there)).toEqual(ask);
  });

  it('off takes it out of what is asked', () => {
    const off = all(ask).reduce((now, rule) => switchRule(now, ruleOf(now, rule.what.kind)), ask);
    expect({ ...off, off: ask.off }).toEqual(
      testAsk({
        seats: 'any',
        campus: { allowed: [], preferred: null, respectTravel: false, onePerDay: false },
      }),
    );
  });

  it.each(all(ask).map((rule) => [rule.text, rule] as const))(
    'and taking “%s” away leaves nothing of it',
    (_, rule) => {
      const fixed = ['travel', 'onePerDay', 'seats'];
      const gone = removeRule(ask, rule);
      const left = all(gone).filter((one) => one.what.kind === rule.what.kind);
      expect(left.map((one) => one.path)).toEqual(fixed.includes(rule.what.kind) ? [null] : []);
      const off = switchRule(ask, rule);
      const there = all(off).find((one) => one.what.kind === rule.what.kind);
      if (there) expect(removeRule(off, there)).toEqual(gone);
    },
  );
});

describe('lifting what an answer names', () => {
  const course = (ask: Ask, at: number) => ask.wanted[at]!;

  it('takes several of one list from the last, so that each is the one that was named', () => {
    const blocks = ['mon', 'tue', 'wed', 'thu'].map((day) => block(day, '08:00'));
    const ask = testAsk({ timeBlocks: blocks });
    const lifted = liftRules(ask, ['timeBlocks[0]', 'timeBlocks[2]'], all(ask));
    expect(lifted.timeBlocks).toEqual([blocks[1], blocks[3]]);
    expect(lifted.off.timeBlocks).toEqual([blocks[2], blocks[0]]);
  });

  it('finds places of two digits by their number', () => {
    const blocks = Array.from({ length: 11 }, (_, i) => block('mon', `0${i % 10}:${i < 10 ? '00' : '30'}`));
    const ask = testAsk({ timeBlocks: blocks });
    expect(liftRules(ask, ['timeBlocks[10]', 'timeBlocks[9]'], all(ask)).timeBlocks).toEqual(
      blocks.slice(0, 9),
    );
  });

  it('sets a course aside and takes it out of its choice', () => {
    const ask = chooseBetween(addCourse(addCourse(testAsk(), 'A'), 'B'), 'B', 'A');
    const lifted = liftRules(ask, ['wanted[1]'], all(ask));
    expect([course(lifted, 1).role, lifted.eitherOr]).toEqual(['setAside', []]);
  });

  it('lets go of one limit of a course, and of no other', () => {
    const ask = limitCourse(markSection(testAsk(), 'A', '1', 'keep'), 'A', {
      seats: 'open',
      campuses: ['HAR'],
    });
    const lifted = liftRules(ask, ['wanted[0].seats', 'wanted[0].keep'], all(ask));
    expect(course(lifted, 0)).toMatchObject({ seats: 'any', keep: [], campuses: ['HAR'] });
  });

  it('takes a choice apart', () => {
    const ask = chooseBetween(addCourse(addCourse(testAsk(), 'A'), 'B'), 'B', 'A');
    expect(liftRules(ask, ['eitherOr[0]'], all(ask)).eitherOr).toEqual([]);
  });

  it('leaves an ask alone that has no such place', () => {
    const ask = testAsk();
    expect(liftRules(ask, ['wanted[3]', 'nonsense'], all(ask))).toEqual(ask);
  });
});

describe('the words of a rule', () => {
  const ask = chooseBetween(
    limitCourse(markSections(), 'A', {
      instructors: ['L. Brackwater'],
      modes: ['online'],
      campuses: ['HAR'],
      seats: 'open',
    }),
    'B',
    'A',
  );

  function markSections(): Ask {
    const kept = markSection(markSection(testAsk(), 'A', '1', 'keep'), 'A', '2', 'keep');
    return setLimits(markSection(kept, 'A', '3', 'ruleOut'), { maxDays: 3 });
  }

  it.each([
    ['dayLimits.maxDays', '“At most 3 class days a week”', 'Switch off “At most 3 class days a week”'],
    ['seats', '“Only sections with a free seat”', 'Allow full sections too'],
    ['wanted[0]', 'A', 'Set A aside'],
    ['wanted[0].keep', 'the 2 sections you keep of A', 'Stop keeping sections of A'],
    ['wanted[0].ruleOut', 'the sections of A you ruled out', 'Allow the sections of A you ruled out'],
    ['wanted[0].instructors', 'the instructors you want for A', 'Allow any instructor for A'],
    ['wanted[0].modes', 'how you want A taught', 'Allow any mode for A'],
    ['wanted[0].campuses', 'the campus you want for A', 'Allow any campus for A'],
    ['wanted[0].seats', 'your seats rule for A', 'Allow full sections of A'],
    ['eitherOr[0]', 'the either–or of A or B', 'Take apart the either–or of A or B'],
  ])('%s', (path, name, lift) => {
    expect(sayPath(path, ask, all(ask))).toEqual({ name, lift });
  });

  it('are joined as in a sentence', () => {
    expect([sayAll(['A']), sayAll(['A', 'B']), sayAll(['A', 'B', 'C'])]).toEqual([
      'A',
      'A and B',
      'A, B, and C',
    ]);
  });
});
