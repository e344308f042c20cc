import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { StudyBody } from '../../contract';
import { useAppSelector } from '../store';
import { selectBody, selectLaid, type Laid } from '../store/study';
import { OPENING_WORDS } from '../words/open-text';
import { useOpenStudy } from './useOpenStudy';

const WAITING = {
  ...OPENING_WORDS,
  opening: 'Opening the notebook …',
  none: 'The notebook is empty.',
  damaged: 'The studies here are damaged and cannot be read. The Notebook can export them as they are.',
};

/** Shows what works on the open study, or why none is open. */
export function StudyGate({ children }: { children: (body: StudyBody, laid: Laid) => ReactNode }) {
  const opening = useOpenStudy();
  const body = useAppSelector(selectBody);
  const laid = useAppSelector(selectLaid);
  const broken = useAppSelector((s) => s.editor.problems.find((p) => !p.field.startsWith('scale')));
  if (broken) return <Broken problem={broken} />;
  if (opening === 'open' && body && laid) return children(body, laid);
  return (
    <p role="status" className="py-16 text-center text-lg">
      {WAITING[opening === 'open' ? 'opening' : opening]}{' '}
      {opening === 'none' && (
        <Link className="text-feather underline" to="/notebook">
          Make a study
        </Link>
      )}
    </p>
  );
}

/** A record that this version cannot read is shown as what it is, and left alone. */
function Broken({ problem }: { problem: { field: string; message: string } }) {
  return (
    <div role="alert" className="mx-auto max-w-xl py-16 text-center">
      <p className="text-lg">This study cannot be shown: {problem.message}</p>
      <p className="mt-2 text-soft">
        It was left as it is.{' '}
        <Link className="text-feather underline" to="/notebook">
          Choose another in the Notebook
        </Link>
      </p>
    </div>
  );
}
