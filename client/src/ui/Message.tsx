import type { ReactNode } from 'react';

/** A whole view that has only something to say: what happened, and what to do next. */
export function Message({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="m-auto max-w-md p-6 text-center">
      <h2 className="text-16 font-heavy">{title}</h2>
      <div className="mt-2 flex flex-col items-center gap-3 text-mute">{children}</div>
    </div>
  );
}
