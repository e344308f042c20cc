import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { factsOf, type Facts, type StudyBody, type VersionSummary } from '../../../contract';
import { CoreError, glyphs, layOut, neckNotes } from '../../../core';
import { Legend } from '../../neck/Legend';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { degreeMarks } from '../../neck/path';
import { useNeckGeometry } from '../../neck/useNeckGeometry';
import { store, useAppDispatch } from '../../store';
import { useStudyQuery, useVersionQuery, useVersionsQuery } from '../../store/api';
import { edited } from '../../store/editor';
import { openStudy } from '../../store/open';
import { viewPath } from '../../store/paths';
import { rungIndex } from '../../store/study';
import { usePageTitle } from '../../shell/title';
import { Button } from '../../ui/Button';
import { Facts as FactList, Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { changeWords } from '../../words/change-text';
import { momentWords } from '../../words/date-text';
import { layoutWords } from '../../words/layout-text';
import type { Fact } from '../../words/shape-text';
import { refusalWords } from '../../words/save-text';
import { scaleName } from '../../words/scale-text';
import { instrumentWords } from '../../words/tuning-text';
import { isolated } from '../../words/name-text';
import { usePrefs } from '../../store/prefs';
import { counted } from '../../words/count-text';
import { VERSIONS } from '../../words/views/versions';

/** Earlier states of a study: what changed when, each looked at on the neck before going back to it. */
export function VersionsView() {
  usePageTitle('versions');
  const { id = '' } = useParams();
  const { data: now, error: missing } = useStudyQuery(id, { refetchOnMountOrArgChange: true });
  const { data: versions, error } = useVersionsQuery(id, { refetchOnMountOrArgChange: true });
  const [wanted, setWanted] = useState<number | null>(null);
  const problem = missing ?? error;
  if (problem)
    return (
      <p role="alert" className="py-16 text-center">
        {VERSIONS.theVersionsCannotBeShown(refusalWords(problem))}
      </p>
    );
  if (!now || !versions) return <p role="status">{VERSIONS.lookingForEarlierVersions}</p>;
  const chosen = versions.find((v) => v.revision === wanted) ?? versions[0];
  return (
    <>
      <h1 className="mb-1 text-[1.5625rem] font-semibold">
        <Signs>{VERSIONS.earlierVersionsOf(isolated(now.body.name))}</Signs>
      </h1>
      <p className="mb-3 max-w-3xl text-soft">{VERSIONS.eachSaveOfTheLast}</p>
      {!chosen && <p className="py-10 text-center">{VERSIONS.noEarlierVersionYetOne}</p>}
      {chosen && (
        <div className="grid grid-cols-1 items-start gap-3 lg:grid-cols-[22rem_1fr]">
          <VersionList versions={versions} now={factsOf(now.body)} chosen={chosen.revision} onChoose={setWanted} />
          <OneVersion key={chosen.revision} id={id} version={chosen} />
        </div>
      )}
    </>
  );
}

interface ListProps {
  readonly versions: VersionSummary[];
  readonly now: Facts;
  readonly chosen: number;
  readonly onChoose: (revision: number) => void;
}

/** When, and what the next state had that this one had not yet. */
function VersionList({ versions, now, chosen, onChoose }: ListProps) {
  return (
    <ol className="grid max-h-[70vh] gap-1 overflow-auto" aria-label={VERSIONS.versionsNewestFirst}>
      {versions.map((v, k) => (
        <li key={v.revision}>
          <button
            type="button"
            aria-pressed={v.revision === chosen}
            onClick={() => onChoose(v.revision)}
            className={`w-full cursor-pointer rounded-md border px-3 py-2 text-left ${v.revision === chosen ? 'border-l-4 border-brass-deep bg-sheet' : 'border-line hover:border-soft'}`}
          >
            <span className="num block font-semibold">{momentWords(v.at)}</span>
            <span className="text-[0.8125rem] text-soft">
              <Signs>{VERSIONS.before(changeWords(v.facts, k ? versions[k - 1]!.facts : now))}</Signs>
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}

function OneVersion({ id, version }: { readonly id: string; readonly version: VersionSummary }) {
  const { data, error } = useVersionQuery({ id, revision: version.revision });
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const goBack = async (body: StudyBody): Promise<void> => {
    const opened = store.getState().editor.id === id ? 'open' : await openStudy(id);
    if (opened !== 'open') return setProblem(VERSIONS.theStudyCouldNotBe);
    dispatch(edited(body));
    await navigate(viewPath(id, 'map'));
  };
  if (error) return <p role="alert">{VERSIONS.thisVersionCannotBeShown(refusalWords(error))}</p>;
  if (!data) return <p role="status">{VERSIONS.unpacking}</p>;
  const broken = data.problems[0];
  return (
    <Panel title={momentWords(version.at)}>
      {broken ? (
        <p className="text-clay">{VERSIONS.thisVersionCannotBeUsed(broken.message)}</p>
      ) : (
        <>
          <VersionNeck body={data.body} />
          <FactList facts={factLines(data.body)} />
          <Button look="brass" className="mt-3" onClick={() => void goBack(data.body)}>
            {VERSIONS.goBackToThisVersion}
          </Button>
        </>
      )}
      {problem && (
        <p role="alert" className="mt-2 text-clay">
          {problem}
        </p>
      )}
    </Panel>
  );
}

const factLines = (b: StudyBody): Fact[] => [
  { name: 'Name', words: isolated(b.name) },
  { name: 'Scale', words: scaleName(b.scale) },
  { name: 'Laid out as', words: layoutWords(b.layout) },
  { name: 'Instrument', words: instrumentWords(b.instrument) },
  {
    name: 'Holds',
    words: `${counted(b.licks.length, 'lick')}, ${counted(b.routes.length, 'kept route')}, ${counted(b.pins.length, 'settled finger')}`,
  },
];

const GAPS = { wide: 27, close: 24 };

/** The chosen shape as it was. */
function VersionNeck({ body }: { readonly body: StudyBody }) {
  const neck = useNeckGeometry(body.instrument, GAPS);
  const naming = usePrefs();
  const marks = useMemo(() => {
    const notes = neckNotes(body.instrument, body.scale);
    return degreeMarks(notes, shapeThen(body), [], naming);
  }, [body, naming]);
  return (
    <>
      <NeckScroll neck={neck} instrument={body.instrument} label={VERSIONS.theNeckThen}>
        <Neck g={neck.g} instrument={body.instrument} marks={marks} title={glyphs(VERSIONS.theNeckThen2(scaleName(body.scale)))} />
      </NeckScroll>
      <Legend marks={marks} />
    </>
  );
}

function shapeThen({ instrument, scale, layout, rung }: StudyBody) {
  try {
    const shapes = layOut(instrument, scale, layout);
    return shapes[rungIndex(shapes, rung)]!.notes;
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}
