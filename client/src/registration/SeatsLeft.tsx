import { useState } from 'react';
import type { Section } from '@/api/client';
import { saySeats } from '@/domain/seats';
import { wording } from '@/wording/registration/SeatsLeft';

/** Seats of sections as they are, and whether they became fewer while one looks. */
export function SeatsLeft({ sections }: { sections: readonly Section[] }) {
  const [first, setFirst] = useState<ReadonlyMap<string, number>>(new Map());
  const unseen = sections.filter((section) => !first.has(section.number));
  if (unseen.length > 0)
    setFirst(new Map([...first, ...unseen.map((section) => [section.number, section.freeSeats] as const)]));
  return (
    <p className="text-mute">
      {sections.map((section, i) => {
        const gone = (first.get(section.number) ?? section.freeSeats) - section.freeSeats;
        return (
          <span key={section.number}>
            {i > 0 && ', '}
            <span className={gone > 0 ? 'font-strong text-ink' : ''}>
              {section.label} {saySeats(section)}
              {gone > 0 && (
                <span title={wording.gone(gone)}>
                  {' '}
                  <span aria-hidden="true">↓{gone}</span>
                  <span className="sr-only">, {wording.gone(gone)}</span>
                </span>
              )}
            </span>
          </span>
        );
      })}
    </p>
  );
}
