import { useRef } from 'react';

type Props = {
  label: string;
  value: number;
  /** While it is moved. */
  onMove: (value: number) => void;
  /** Once it is let go: the pointer is up, or the key. */
  onRest: (value: number) => void;
};

const step = 5;

/** A value from 0 to 100 whose name and bar share one box, so that many can be read at a glance. */
export function Fader({ label, value, onMove, onRest }: Props) {
  const moved = useRef<number | null>(null);
  const rest = () => {
    if (moved.current === null) return;
    onRest(moved.current);
    moved.current = null;
  };
  return (
    <label className="relative flex h-6 items-center overflow-hidden rounded-[3px] border border-rule bg-sheet has-focus-visible:outline-2 has-focus-visible:outline-plum">
      <span
        aria-hidden="true"
        className="absolute bottom-0 left-0 h-[3px] bg-plum"
        style={{ width: `${value}%` }}
      />
      <span
        className={`pointer-events-none relative min-w-0 flex-1 truncate pl-1.5 text-12 ${value > 0 ? '' : 'text-mute'}`}
      >
        {label}
      </span>
      <span
        aria-hidden="true"
        className={`pointer-events-none relative pr-1.5 text-11 ${value > 0 ? 'font-strong' : 'text-mute'}`}
      >
        {value}
      </span>
      <input
        type="range"
        min={0}
        max={100}
        step={step}
        value={value}
        title={label}
        onChange={(event) => {
          moved.current = event.target.valueAsNumber;
          onMove(moved.current);
        }}
        onPointerUp={rest}
        onLostPointerCapture={rest}
        onKeyUp={rest}
        onBlur={rest}
        className="absolute inset-0 m-0 size-full cursor-ew-resize opacity-0"
      />
    </label>
  );
}
