import { expect, it } from 'vitest';
import type { Choice, Line, LineResult, Readiness, Registration } from '@/api/client';
import { blocking, courseStates, generalFindings } from './courseStates';

const line = (course: string, sections: string[]): Line => ({
  course,
  sections,
  ifFull: 'leave',
  instead: [],
  givingUp: [],
  group: null,
  leaving: null,
});

const result = (outcome: string, sections: string[] = [], ...kinds: string[]): LineResult => ({
  outcome,
  took: outcome === 'registered' ? 'sections' : null,
  sections,
  confirmation: null,
  place: null,
  of: null,
  findings: kinds.map((kind) => ({
    kind,
    isWarning: kind === 'fewSeats',
    sentence: `${kind}.`,
    toDo: '',
    section: null,
    amount: null,
    of: null,
  })),
  wouldBe: null,
});

const nothing: Registration = {
  standing: {
    nowUtc: '2026-12-01T00:00:00Z',
    lastEvent: 1,
    phase: 'open',
    phaseEndsUtc: null,
    opensUtc: null,
    held: [],
    waiting: [],
    ended: [],
    credits: 0,
  },
  asOf: '2026-12-01T00:00:00Z',
  isCurrent: true,
  timeZone: 'Etc/UTC',
  presses: [],
  notices: [],
  seatNotices: [],
};

const choice = (...sections: [course: string, number: string][]): Choice => ({
  sketch: 's',
  timetable: {
    id: 't',
    name: '',
    note: '',
    sections: sections.map(([course, number]) => ({
      number,
      course,
      component: 'lecture',
      label: '',
      meetings: [],
    })),
  },
  fallbacks: [],
  second: null,
  whenFull: [],
});

const checked = (...lines: [Line, LineResult][]): Readiness => ({
  lines: lines.map(([one]) => one),
  answer: { atUtc: '', lines: lines.map(([, one]) => one), warnings: [] },
});

const pressed = (answer: LineResult | null, ...lines: Line[]): Registration['presses'][number] => ({
  key: 'k',
  sentUtc: '2026-12-01T00:00:00Z',
  answeredUtc: answer ? '2026-12-01T00:00:01Z' : null,
  lines,
  answer: answer ? { atUtc: '', lines: lines.map(() => answer), warnings: [] } : null,
  refused: null,
});

const holding = (course: string, ...sections: string[]) => ({
  course,
  sections,
  confirmation: 'c',
  atUtc: '2026-12-01T00:00:00Z',
  credits: 3,
});

const kinds = (registration: Registration, chosen: Choice | null, readiness: Readiness | null = null) =>
  courseStates(registration, chosen, readiness, null).map((one) => `${one.course} ${one.kind}`);

it('a chosen course is planned until it is sent', () => {
  const chosen = choice(['A', '1'], ['B', '2']);
  expect(kinds(nothing, chosen)).toEqual(['A planned', 'B planned']);
  const sent = { ...nothing, presses: [pressed(null, line('A', ['1']))] };
  expect(kinds(sent, chosen)).toEqual(['A sent', 'B planned']);
});

it('what is held is held, whatever was chosen; what is held otherwise than chosen is still planned', () => {
  const standing = { ...nothing.standing, held: [holding('A', '1')] };
  expect(kinds({ ...nothing, standing }, choice(['A', '1']))).toEqual(['A held']);
  expect(kinds({ ...nothing, standing }, choice(['A', '9']))).toEqual(['A held', 'A planned']);
});

it('the swap that was prepared and taken is not to be swapped back', () => {
  const took = { ...result('registered', ['9']), took: 'instead[0]' };
  const registration = {
    ...nothing,
    standing: { ...nothing.standing, held: [holding('A', '9')] },
    presses: [pressed(took, line('A', ['1']))],
  };
  expect(kinds(registration, choice(['A', '1']))).toEqual(['A held']);
});

it('a course that was refused says so until it is held, also when it is not chosen any more', () => {
  const registration = { ...nothing, presses: [pressed(result('refused', [], 'full'), line('A', ['1']))] };
  expect(kinds(registration, choice(['A', '1']))).toEqual(['A refused']);
  expect(kinds(registration, null)).toEqual(['A refused']);
  const later = { ...registration, presses: [...registration.presses, pressed(null, line('A', ['1']))] };
  expect(kinds(later, choice(['A', '1']))).toEqual(['A sent']);
});

it('a course is waited for while another of its bundles is held', () => {
  const standing = {
    ...nothing.standing,
    held: [holding('A', '9')],
    waiting: [
      {
        id: 7,
        course: 'A',
        sections: ['1'],
        givingUp: ['9'],
        place: 2,
        of: 3,
        firstPlace: 3,
        atUtc: '',
        letsIn: 'line',
        passedOver: '',
      },
    ],
  };
  expect(kinds({ ...nothing, standing }, choice(['A', '1']))).toEqual(['A held', 'A waiting']);
});

it('what stands against everything is said once, and the time blocks nothing', () => {
  const against = result('refused', [], 'hold', 'notYourTurn', 'fewSeats');
  const states = courseStates(
    nothing,
    choice(['A', '1'], ['B', '2']),
    checked([line('A', ['1']), against], [line('B', ['2']), against]),
    null,
  );
  expect(generalFindings(states).map((finding) => finding.kind)).toEqual(['hold']);
  expect(blocking(against).map((finding) => finding.kind)).toEqual(['hold']);
});
