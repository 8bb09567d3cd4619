import { useQueryClient } from '@tanstack/react-query';
import { Bell, BellOff } from 'lucide-react';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { recall, remember } from '@/lib/browserStore';
import { Button } from '@/ui/Button';
import { blocking } from './courseStates';
import { ring } from './ring';
import { useRegistrarClock } from './useRegistrarClock';
import type { Registered } from './useRegistered';
import { wording } from '@/wording/registration/TurnBar';

const isFlag = (value: unknown): value is boolean => typeof value === 'boolean';

/** When one's turn is by the registrar's clock, and the one button that registers what is open. */
export function TurnBar({ term, registered }: { term: string; registered: Registered }) {
  const { standing, states, readiness, pressing } = registered;
  const { opensUtc, phase } = standing.standing;
  const client = useQueryClient();
  const now = useRegistrarClock(standing.aheadMs);
  const [hasSound, setSound] = useState(() => recall('turn-sound', isFlag) ?? true);
  const opens = opensUtc === null ? null : Date.parse(opensUtc);
  const isOver = phase === 'closed';
  const isOpen = !isOver && opens !== null && now >= opens;
  const wasOpen = useRef(isOpen);
  const onOpening = useEffectEvent(() => {
    if (hasSound) ring();
    void client.invalidateQueries({ queryKey: ['readiness', term] });
    void client.invalidateQueries({ queryKey: ['registration', term] });
  });
  useEffect(() => {
    if (isOpen && !wasOpen.current) onOpening();
    wasOpen.current = isOpen;
  }, [isOpen]);

  const open = states.flatMap((one) =>
    (one.kind === 'planned' || (one.kind === 'refused' && one.isChosen)) && one.line ? [one] : [],
  );
  const lines = readiness?.lines.filter((line) => open.some((one) => one.course === line.course)) ?? [];
  const ready = open.filter((one) => one.now && blocking(one.now).length === 0).length;
  const hasBegun = standing.presses.length > 0;
  if (open.length === 0 || (hasBegun && ready === 0)) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule bg-sheet px-4 py-2 print:hidden">
      <p className="leading-tight">
        <span className="text-16 font-heavy tabular-nums">
          {isOver
            ? wording.over
            : isOpen
              ? wording.yourTurn
              : opens === null
                ? wording.notKnown
                : wording.in(opens - now)}
        </span>
        <span className="block text-12 text-mute">
          {isOver || opens === null
            ? wording.nothingToSend
            : isOpen
              ? wording.readyOf(ready, open.length)
              : wording.turnAt(opens, standing.timeZone, now)}
        </span>
      </p>
      <p aria-live="assertive" className="sr-only">
        {isOpen ? wording.yourTurn : ''}
      </p>
      {!isOpen && !isOver && (
        <Button
          look="quiet"
          aria-pressed={hasSound}
          className="flex items-center gap-1.5 text-12! aria-pressed:border-transparent! aria-pressed:bg-transparent! aria-pressed:text-plum!"
          onClick={() => {
            remember('turn-sound', !hasSound);
            setSound(!hasSound);
          }}
        >
          {hasSound ? <Bell size={14} aria-hidden="true" /> : <BellOff size={14} aria-hidden="true" />}
          {hasSound ? wording.soundOn : wording.soundOff}
        </Button>
      )}
      {!isOver && (
        <Button
          look="main"
          className="ml-auto"
          disabled={!isOpen || lines.length === 0 || pressing.isSending}
          onClick={() => pressing.press(lines)}
        >
          {wording.register(lines.length || open.length)}
        </Button>
      )}
    </div>
  );
}
