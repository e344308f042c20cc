import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';

const key = (id: string): string => `crow-ladder:hint-read:${id}`;
const read = (id: string): boolean => {
  try {
    return localStorage.getItem(key(id)) !== null;
  } catch {
    return false;
  }
};

/** A short explanation where it is needed; once read and put away it does not come back. */
export function Hint({ id, children }: { id: string; children: ReactNode }) {
  const [gone, setGone] = useState(() => read(id));
  if (gone) return null;
  const dismiss = (): void => {
    setGone(true);
    try {
      localStorage.setItem(key(id), 'read');
    } catch {
      return; // storage is forbidden: it comes back next time
    }
  };
  return (
    <p className="mt-2 flex items-start gap-2 rounded-md bg-feather-wash p-2 text-xs">
      <span className="grow">{children}</span>
      <button type="button" onClick={dismiss} className="flex shrink-0 cursor-pointer items-center gap-1 text-feather underline">
        <X size={12} aria-hidden /> Got it
      </button>
    </p>
  );
}
