import type { Lane } from '@/domain/picks';

type Props = { lane: Lane; isSmall?: boolean };

/** The letter by which a lane is named everywhere. */
export function LaneLetter({ lane, isSmall = false }: Props) {
  return (
    <span
      className={`inline-flex shrink-0 items-center justify-center rounded-full bg-ink font-strong text-sheet ${
        isSmall ? 'size-4 text-11' : 'size-5 text-12'
      }`}
    >
      {lane.letter}
    </span>
  );
}
