import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { StudyBody } from '../../../contract';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { useCreateStudyMutation } from '../../store/api';
import { edited, type Change } from '../../store/editor';
import { placeOfPath, viewPath } from '../../store/paths';
import { isOneOf } from '../../../core';
import { STUDY_VIEWS } from '../../words/view-text';
import { setPrefs, usePrefs } from '../../store/prefs';
import { Button } from '../../ui/Button';
import { refusalWords } from '../../words/save-text';
import { STUDY } from '../../words/views/study';

/** A study as it was before the changes made to it. */
const beforeAll = (body: StudyBody, past: readonly Change[]): StudyBody =>
  [...past].reverse().reduce((now, change) => ({ ...now, ...change.before }), body);

/** A demo study was changed: the player is asked once whether it is to be a study of their own. */
export function DemoOffer({ id }: { readonly id: string }) {
  const { asked } = usePrefs();
  const changed = useAppSelector((s) => s.editor.past.length > 0);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [create, { isLoading }] = useCreateStudyMutation();
  const [problem, setProblem] = useState<string | null>(null);
  if (!changed || asked.includes(id)) return null;
  const done = (): void => void setPrefs({ asked: [...asked, id] });
  const take = async (): Promise<void> => {
    const { body, past } = store.getState().editor;
    if (!body) return;
    const { data, error } = await create({ ...body, name: `${body.name.slice(0, 110)}, mine` });
    if (!data) return setProblem(STUDY.itWasNotMade(refusalWords(error)));
    dispatch(edited(beforeAll(body, past)));
    done();
    const { view } = placeOfPath(location.pathname);
    await navigate(viewPath(data.id, isOneOf(STUDY_VIEWS, view) ? view : 'map'), { replace: true });
  };
  return (
    <div role="note" className="no-print flex flex-wrap items-center gap-3 rounded-lg border border-feather bg-sheet px-3 py-2">
      <p className="grow basis-72">{STUDY.thisIsADemoStudy}</p>
      <Button look="brass" disabled={isLoading} onClick={() => void take()}>
        {STUDY.makeItMine}
      </Button>
      <Button onClick={done}>{STUDY.changeTheDemo}</Button>
      {problem && (
        <p role="alert" className="w-full text-clay">
          {problem}
        </p>
      )}
    </div>
  );
}
