import { STUDY } from '../words/views/study';

/** The usual caution where a reach can hurt. */
export const CareNote = ({ className = '' }: { readonly className?: string }) => (
  <p className={`mt-2 text-xs text-clay ${className}`}>{STUDY.aWideReachWarmUp}</p>
);
