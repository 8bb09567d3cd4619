import type { ButtonHTMLAttributes } from 'react';

const looks = {
  main: 'border-plum bg-plum text-on-plum hover:opacity-90',
  plain: 'border-rule bg-sheet text-ink hover:border-ink',
  quiet: 'border-transparent bg-transparent text-plum hover:underline',
};

type Props = ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof looks };

export function Button({ look = 'plain', className = '', ...rest }: Props) {
  return (
    <button
      type="button"
      {...rest}
      className={`rounded-[4px] border px-2.5 py-1 text-14 font-strong aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet disabled:cursor-default disabled:opacity-45 ${looks[look]} ${className}`}
    />
  );
}
