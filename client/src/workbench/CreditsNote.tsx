import type { Sketch } from '@/api/client';
import { eitherOrOf } from '@/domain/edits';
import type { Sections } from '@/domain/useSections';
import { Popover } from '@/ui/Popover';
import { type CreditGoals, useCreditGoals } from './creditGoals';
import { wording } from '@/wording/workbench/CreditsNote';
import { common } from '@/wording/common';

const fields: { goal: keyof CreditGoals; label: string }[] = [
  { goal: 'fullTime', label: wording.fullTime },
  { goal: 'award', label: wording.awardFrom },
  { goal: 'maximum', label: common.atMost },
];

/** The credits taken against what full-time, award and maximum ask, in words where they are missed. */
export function CreditsNote({ ask, sections }: { ask: Sketch['ask']; sections: Sections }) {
  const [goals, setGoals] = useCreditGoals();
  const { min, max } = creditsOf(ask, sections);
  if (max === 0) return null;
  const { text, isBad } = sayGoals(min, max, goals);
  return (
    <div className="py-1 text-12">
      <Popover
        label={wording.creditsToReach}
        trigger={
          <button
            type="button"
            aria-label={wording.creditsChangeWhatHeldAgainst(sayRange(min, max))}
            className="border-b border-dotted border-mute font-strong"
          >
            {wording.rangeCredits(sayRange(min, max))}
          </button>
        }
      >
        {fields.map(({ goal, label }) => (
          <label key={goal} className="flex items-center gap-2 py-1 text-12">
            <span className="w-24">{label}</span>
            <input
              type="number"
              min={0}
              max={60}
              value={goals[goal]}
              onChange={(event) => {
                const typed = event.target.valueAsNumber;
                if (typed >= 0 && typed <= 60) setGoals({ ...goals, [goal]: typed });
              }}
              className="w-[68px] rounded-[4px] border border-rule bg-sheet px-2 py-1 tabular-nums"
            />
            {wording.credits}
          </label>
        ))}
        <p className="mt-1 text-12 text-mute">{wording.onlyTellsToLeaveOut}</p>
      </Popover>
      {text !== '' && <span className={isBad ? 'text-brick' : 'text-mute'}>, {text}</span>}
    </div>
  );
}

function sayRange(min: number, max: number): string {
  return min === max ? String(max) : wording.minMax(min, max);
}

/** What of the goals is missed, in words. */
function sayGoals(min: number, max: number, goals: CreditGoals): { text: string; isBad: boolean } {
  const { fullTime, award, maximum } = goals;
  if (max < fullTime) return { text: wording.shortOfFullTime(less(fullTime, max), fullTime), isBad: true };
  if (min > maximum) return { text: wording.overMaximum(less(min, maximum), maximum), isBad: true };
  if (max < award) return { text: wording.fullTimeShortOfAward(less(award, max), award), isBad: false };
  if (max > maximum)
    return {
      text: wording.upToOverMaximum(less(max, maximum), maximum),
      isBad: false,
    };
  return { text: '', isBad: false };
}

function less(more: number, than: number): string {
  const by = more - than;
  return `${by} ${by === 1 ? 'credit' : 'credits'}`;
}

/** The fewest and most credits that the wanted courses can come to. */
export function creditsOf(ask: Sketch['ask'], sections: Sections): { min: number; max: number } {
  let [min, max] = [0, 0];
  for (const wanted of ask.wanted) {
    const course = sections.courses.get(wanted.course);
    if (!course || eitherOrOf(ask, wanted.course) || wanted.role === 'setAside') continue;
    min += wanted.role === 'must' ? course.minCredits : 0;
    max += course.maxCredits;
  }
  for (const choice of ask.eitherOr) {
    const credits = choice.courses.flatMap((id) => sections.courses.get(id) ?? []);
    const least = credits.map((course) => course.minCredits).sort((a, b) => a - b);
    const most = credits.map((course) => course.maxCredits).sort((a, b) => b - a);
    min += sum(least.slice(0, choice.take.min));
    max += sum(most.slice(0, choice.take.max));
  }
  return { min, max };
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((all, one) => all + one, 0);
}
