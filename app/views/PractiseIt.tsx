import { Timer } from 'lucide-react';
import type { DrillForm } from '../../contract';
import { useAppDispatch } from '../store';
import { change } from '../store/change';
import { withForm } from '../store/practice/edit';
import { Button } from '../ui/Button';
import { STUDY } from '../words/views/study';
import { useGo } from './useGo';

/** What is drilled when one goes from here to Practise. */
export type PractiseAsked = Pick<DrillForm, 'of' | 'line'> & Partial<DrillForm>;
export const THE_SHAPE: PractiseAsked = { of: 'shape', line: null };

/** Goes to Practise with what is looked at; what is drilled already stays as it is. */
export function usePractise(): (asked: PractiseAsked) => void {
  const dispatch = useAppDispatch();
  const go = useGo();
  return (asked) => {
    dispatch(change(({ body }) => (isAsked(body.practice?.form, asked) ? null : withForm(body, () => asked))));
    go('practise');
  };
}
const isAsked = (form: DrillForm | undefined, { of, line }: PractiseAsked): boolean =>
  form ? form.of === of && form.line === line : of === 'shape';

/** The same as a button. */
export function PractiseIt({ asked }: { readonly asked: PractiseAsked }) {
  const practise = usePractise();
  return (
    <Button look="link" className="no-print" icon={<Timer size={14} aria-hidden />} onClick={() => practise(asked)}>
      {STUDY.practiseIt}
    </Button>
  );
}
