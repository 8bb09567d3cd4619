type Props = {
  total: number;
  /** Of the total: what is completed, under way, planned. */
  completed: number;
  underWay: number;
  planned: number;
  className?: string;
};

/** How far something is: solid for completed, upright lines for under way, an outline for planned. What it says stands beside it in words. */
export function ProgressBar({ total, completed, underWay, planned, className = '' }: Props) {
  // What asks for nothing is done.
  const share = (amount: number) => (total > 0 ? `${(100 * Math.max(0, amount)) / total}%` : '0%');
  return (
    <span aria-hidden="true" className={`flex h-2 overflow-hidden bg-hair ${className}`}>
      <span className="bg-ink" style={{ width: total > 0 ? share(completed) : '100%' }} />
      <span className="upright" style={{ width: share(underWay) }} />
      {planned > 0 && <span className="border border-ink bg-sheet" style={{ width: share(planned) }} />}
    </span>
  );
}
