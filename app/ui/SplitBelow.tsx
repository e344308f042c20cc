import type { ReactNode } from 'react';

/** Below a neck and its tools: what the view is about, and beside it, under it on a narrow screen, what belongs to one note of it. */
export function SplitBelow({ main, side }: { readonly main: ReactNode; readonly side: ReactNode }) {
  return (
    <div className="after-tools mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-[1fr_22rem]">
      <div className="grid min-w-0 grid-cols-1 gap-3">{main}</div>
      <div className="grid min-w-0 grid-cols-1 gap-3">{side}</div>
    </div>
  );
}
