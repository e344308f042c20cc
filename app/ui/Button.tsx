import type { ButtonHTMLAttributes, ReactNode, Ref } from 'react';

const LOOKS = {
  plain: 'border border-line bg-sheet hover:border-soft text-ink',
  brass: 'bg-brass text-brass-ink font-semibold hover:brightness-110',
  link: 'text-feather border border-feather hover:bg-feather-wash',
  quiet: 'text-soft hover:text-ink hover:bg-feather-wash',
};

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: keyof typeof LOOKS;
  readonly icon?: ReactNode;
  readonly ref?: Ref<HTMLButtonElement>;
}

/** A button; its icon always stands beside a word. */
export function Button({ look = 'plain', icon, children, className = '', ...rest }: Props) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-8 items-center gap-2 rounded-md px-3 py-1 text-[0.78125rem] disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    >
      {icon}
      {children}
    </button>
  );
}
