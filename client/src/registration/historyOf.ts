import type { Line, LineResult, Press, Registration } from '@/api/client';
import type { Sections } from '@/domain/useSections';
import { sentAt } from './pressTimes';
import { sayBundle } from './sayBundle';
import { wording } from '@/wording/registration/historyOf';

export type HistoryEntry = { key: string; at: number; what: string; result: string };

/** What was sent and what happened by itself, the latest first; nothing is left out. */
export function historyOf(
  registration: Registration & { aheadMs: number },
  sections: Sections,
): HistoryEntry[] {
  const sent = registration.presses.flatMap((press) =>
    press.lines.map((line, i) => ({
      key: `${press.key}/${i}`,
      at: sentAt(press, registration.aheadMs),
      what: sayLine(line, sections),
      result: sayResult(press, i),
    })),
  );
  // What was dropped or left by a line of one's own stands with that line already.
  const byItself = registration.standing.ended
    .filter((one) => one.kind === 'letIn' || one.kind === 'removed')
    .map((one, i) => ({
      key: `ended/${i}`,
      at: Date.parse(one.atUtc),
      what: wording.ended(one.kind, sayBundle(one.sections, sections)),
      result: one.why,
    }));
  return [...sent, ...byItself].sort((one, other) => other.at - one.at);
}

function sayLine(line: Line, sections: Sections): string {
  if (line.leaving !== null) return wording.leaveLine(line.course);
  if (line.sections.length === 0) return wording.drop(sayBundle(line.givingUp, sections));
  const taken = sayBundle(line.sections, sections);
  return line.givingUp.length > 0
    ? wording.swap(taken, sayBundle(line.givingUp, sections))
    : wording.register(taken);
}

function sayResult(press: Press, index: number): string {
  if (press.refused !== null) return press.refused;
  const result = press.answer?.lines[index];
  return result ? sayOutcome(result) : wording.noAnswerYet;
}

function sayOutcome(result: LineResult): string {
  switch (result.outcome) {
    case 'registered':
      return wording.registered(result.confirmation ?? '', result.took?.startsWith('instead') ?? false);
    case 'waiting':
      return wording.waiting(result.place ?? 0, result.of ?? 0);
    case 'dropped':
      return wording.dropped;
    case 'left':
      return wording.left;
    default:
      return wording.refused(
        result.findings.filter((finding) => !finding.isWarning).map((finding) => finding.sentence),
      );
  }
}
