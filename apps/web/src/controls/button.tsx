import type { ButtonHTMLAttributes } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  kind?: 'plain' | 'main' | 'stop';
}

const LOOK = {
  plain: 'border-edge bg-raised hover:border-ink',
  main: 'border-ink bg-ink text-raised hover:bg-[#3a362f]',
  stop: 'border-ruby bg-raised text-ruby hover:bg-ruby hover:text-raised',
};

export function Button({ kind = 'plain', className = '', ...props }: Props) {
  return (
    <button
      type="button"
      className={`inline-flex h-[30px] items-center gap-1.5 whitespace-nowrap rounded-sm border px-3 font-medium disabled:cursor-default disabled:opacity-40 ${LOOK[kind]} ${className}`}
      {...props}
    />
  );
}
