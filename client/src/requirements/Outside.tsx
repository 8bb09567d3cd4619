import type { GivenCourse, Requirements } from '@/api/client';
import { counted } from '@/wording/counted';
import { sayGiven } from './sayNode';
import { wording } from '@/wording/requirements/Outside';

type Props = { outside: Requirements['outside']; unused: readonly GivenCourse[] };

/** Credit from school exams and from elsewhere with what it counts as, and what counts for no requirement. */
export function Outside({ outside, unused }: Props) {
  return (
    <div className="mt-3 grid gap-2 text-12 text-mute">
      {outside.length > 0 && (
        <div>
          <h2 className="font-strong text-ink">{wording.fromOutside}</h2>
          <ul>
            {outside.map((one) => (
              <li key={`${one.what} ${one.as}`}>
                {wording.countsAs(one.what, one.as, counted.credits(one.credits))}
                {one.requirements.length > 0
                  ? wording.forRequirements(one.requirements.join(', '))
                  : wording.forNone}
              </li>
            ))}
          </ul>
        </div>
      )}
      {unused.length > 0 && (
        <p>
          <span className="font-strong text-ink">{wording.forNoRequirement}</span>{' '}
          {unused.map(sayGiven).join(' · ')}
        </p>
      )}
    </div>
  );
}
