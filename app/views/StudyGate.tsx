import { useDeferredValue, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import type { StudyBody } from '../../contract';
import { usePageTitle } from '../shell/title';
import { useAppSelector } from '../store';
import { LOOSE } from '../store/editor';
import { placeOfPath } from '../store/paths';
import { type StudyView } from '../words/view-text';
import { selectBody, selectLaid, type Laid } from '../store/study';
import { Button } from '../ui/Button';
import { Signs } from '../letters/Signs';
import { OPENING_WORDS } from '../words/open-text';
import { scaleName } from '../words/scale-text';
import { isScale } from '../../core';
import { StudyBar } from './study/StudyBar';
import { useAddress } from './study/useAddress';
import { useOpenStudy } from './useOpenStudy';
import { STUDY } from '../words/views/study';

interface Props {
  readonly view: StudyView;
  readonly children: (body: StudyBody, laid: Laid) => ReactNode;
}

/** Shows what works on the study that the address names, or on the loose leaf; or why it is not there. */
export function StudyGate({ view, children }: Props) {
  const { id } = placeOfPath(useLocation().pathname);
  const opening = useOpenStudy(id);
  const body = useAppSelector(selectBody);
  const laid = useAppSelector(selectLaid);
  const broken = useAppSelector((s) => s.editor.problems.find((p) => !p.field.startsWith('scale')));
  const ready = opening === 'open' && body !== null && laid !== null;
  // The first drawing of a study is long: the browser may look up between its parts. Nothing that follows waits.
  const drawn = useDeferredValue(ready, false);
  if (opening === 'open' && broken) return <Broken problem={broken} />;
  if (ready && drawn)
    return (
      <Open body={body} view={view} id={id}>
        {children(body, laid)}
      </Open>
    );
  return (
    <p role="status" className="py-16 text-center text-lg">
      {opening === 'open' || opening === 'opening' ? STUDY.opening : OPENING_WORDS[opening]}{' '}
      {opening !== 'open' && opening !== 'opening' && (
        <Link className="text-feather underline" to="/notebook">
          {STUDY.toTheNotebook}
        </Link>
      )}
    </p>
  );
}

function Open({
  body,
  view,
  id,
  children,
}: {
  readonly body: StudyBody;
  readonly view: StudyView;
  readonly id: string;
  readonly children: ReactNode;
}) {
  const { problems, dismiss } = useAddress(body, view, id);
  const scale = isScale(body.scale.scale) ? scaleName(body.scale) : '';
  usePageTitle(view, id === LOOSE ? scale : body.name);
  return (
    <>
      <StudyBar body={body} id={id} />
      {problems.length > 0 && (
        <div role="alert" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-clay bg-sheet p-3">
          <p className="grow">
            <Signs>{STUDY.ofThisAddressSomethingCould(problems.map((p) => p.replace(/\.$/, '')).join('; '))}</Signs>
          </p>
          <Button onClick={dismiss}>{STUDY.close}</Button>
        </div>
      )}
      {children}
    </>
  );
}

/** A record that this version cannot read is shown as what it is, and left alone. */
function Broken({ problem }: { readonly problem: { readonly field: string; readonly message: string } }) {
  return (
    <div role="alert" className="mx-auto max-w-xl py-16 text-center">
      <p className="text-lg">
        {STUDY.thisStudyCannotBeShown} {problem.message}
      </p>
      <p className="mt-2 text-soft">
        {STUDY.itWasLeftAsIt}{' '}
        <Link className="text-feather underline" to="/notebook">
          {STUDY.chooseAnotherInTheNotebook}
        </Link>
      </p>
    </div>
  );
}
