import { useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { isDemo, type StudyBody } from '../../../contract';
import { LiveNote } from '../../shell/LiveNote';
import { SaveNote } from '../../shell/SaveNote';
import { useCreateStudyMutation, useStudiesQuery } from '../../store/api';
import { LOOSE } from '../../store/editor';
import { lastStudy } from '../../store/local';
import { leafBecame } from '../../store/open';
import { viewPath } from '../../store/paths';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { isolated } from '../../words/name-text';
import { refusalWords } from '../../words/save-text';
import { DemoOffer } from './DemoOffer';
import { STUDY } from '../../words/views/study';

/** Whose page this is: the study by name and whether it is safe; or that it is a loose leaf, and how to keep it. */
export function StudyBar({ body, id }: { readonly body: StudyBody; readonly id: string }) {
  return (
    <div className="mb-2 grid gap-2">
      <div className="flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1 text-[0.8125rem] text-soft">
        {id === LOOSE ? <Loose body={body} /> : <Kept body={body} id={id} />}
      </div>
      {isDemo(id) && <DemoOffer id={id} />}
    </div>
  );
}

function Kept({ body, id }: { readonly body: StudyBody; readonly id: string }) {
  return (
    <>
      <p className="min-w-0 truncate max-sm:max-w-[55vw]">
        <b className="font-display text-[1rem] font-semibold text-ink">
          <Signs>{isolated(body.name)}</Signs>
        </b>
        {body.set && (
          <span className="ml-2 max-sm:hidden">
            <Signs>{isolated(body.set)}</Signs>
          </span>
        )}
      </p>
      <span className="grow" />
      <LiveNote />
      <SaveNote />
      <Link className="no-print tap underline max-sm:hidden" to={`/versions/${id}`}>
        {STUDY.versions}
      </Link>
    </>
  );
}

function Loose({ body }: { readonly body: StudyBody }) {
  const { data } = useStudiesQuery();
  const last = lastStudy();
  const before = data?.find((s) => s.id === last && !s.damaged) ?? data?.find((s) => !s.damaged);
  return (
    <>
      <p>
        <b className="font-display text-[1rem] font-semibold text-ink">{STUDY.looseLeaf}</b>
        <span className="ml-2 max-sm:hidden">{STUDY.inNoStudyThisBrowser}</span>
      </p>
      <span className="grow" />
      {before && (
        <Link className="no-print tap max-w-56 truncate underline max-sm:hidden" to={viewPath(before.id, 'map')}>
          <Signs>{STUDY.open(isolated(before.name))}</Signs>
        </Link>
      )}
      <SentencePart name="keep as a study" look="chip" text={STUDY.keepAsAStudy}>
        {(close) => <KeepForm body={body} onKept={close} />}
      </SentencePart>
    </>
  );
}

/** The leaf gets a name and is a study from then on; a blank leaf takes its place. */
function KeepForm({ body, onKept }: { readonly body: StudyBody; readonly onKept: () => void }) {
  const [name, setName] = useState('');
  const [create, { isLoading }] = useCreateStudyMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const submit = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    const { data, error } = await create({ ...body, name: name.trim() });
    if (!data) return setProblem(STUDY.itIsNotKeptYet(refusalWords(error)));
    onKept();
    await navigate(viewPath(data.id, 'map'), { replace: true });
    await leafBecame(data.id);
  };
  return (
    <form onSubmit={(e) => void submit(e)} className="grid gap-2">
      <label className="grid gap-1 text-xs text-soft">
        {STUDY.nameOfTheStudy}
        <input
          value={name}
          maxLength={120}
          autoFocus
          placeholder={STUDY.whatYouAreWorkingOn}
          onChange={(e) => setName(e.target.value)}
          className="rounded-md border border-line bg-paper px-3 py-2 text-base text-ink placeholder:text-soft"
        />
      </label>
      {problem && (
        <p role="alert" className="text-clay">
          {problem}
        </p>
      )}
      <Button type="submit" look="brass" disabled={!name.trim() || isLoading}>
        {STUDY.keepIt}
      </Button>
    </form>
  );
}
