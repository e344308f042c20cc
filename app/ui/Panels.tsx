import type { ReactNode } from 'react';
import type { Fact } from '../words/shape-text';
import { Signs } from '../letters/Signs';

export function Panel({
  title,
  children,
  className = '',
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly className?: string;
}) {
  return (
    <section className={`rounded-[10px] border border-line bg-sheet p-4 contain-content ${className}`}>
      <h2 className="mb-2 text-[0.875rem] font-semibold">
        <Signs>{title}</Signs>
      </h2>
      {children}
    </section>
  );
}

export function Facts({ facts }: { readonly facts: Fact[] }) {
  return (
    <dl className="num grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5">
      {facts.map((f) => (
        <div key={f.name} className="contents">
          <dt className="text-soft">{f.name}</dt>
          <dd>
            <Signs>{f.words}</Signs>
          </dd>
        </div>
      ))}
    </dl>
  );
}
