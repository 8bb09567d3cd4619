import type { ReactNode } from 'react';

type Props = {
  title: string;
  /** The page's own heading where nothing else is on it. */
  heading?: 'h1' | 'h2';
  children?: ReactNode;
};

/** A whole view that has only something to say: what happened, and what to do next. */
export function Message({ title, heading: Heading = 'h2', children }: Props) {
  return (
    <div className="m-auto max-w-3xl p-6 text-center">
      <Heading className="text-16 font-heavy">{title}</Heading>
      <div className="mt-2 flex flex-col items-center gap-3 text-mute [&>p]:max-w-xl">{children}</div>
    </div>
  );
}
