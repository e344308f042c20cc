import { writeBundle, type Lick, type StudyBody } from '../../../contract';
import type { Instrument } from '../../../core';
import type { LineFormat } from '../../../formats/lines';
import { useAppDispatch } from '../../store';
import { api } from '../../store/api';
import { neckOf } from '../../store/licks';
import { archiveOf } from '../../files/archive';
import { lineOut } from '../../files/papers';
import { Button } from '../../ui/Button';
import { download, fileName } from '../../ui/files';
import type { Entry } from '../../words/notebook-text';
import { useLineFormats } from '../useLineFormats';
import { NOTEBOOK } from '../../words/views/notebook';

export interface NotebookExportProps {
  readonly chosen: readonly Entry[];
  readonly onProblem: (message: string | null) => void;
}

/** What the ticked entries go out as. */
export function NotebookExportForm({ chosen, onProblem, close }: NotebookExportProps & { readonly close: () => void }) {
  const load = useLoad(onProblem);
  const formats = useLineFormats();
  const studies = [...new Set(chosen.filter((e) => e.kind === 'study').map((e) => e.study.id))];
  const licks = chosen.flatMap((e) => (e.lick ? [{ study: e.study.id, lick: e.lick.id }] : []));
  if (!chosen.length) return <p className="text-soft">{NOTEBOOK.tickStudiesOrLicksIn}</p>;
  const asJson = async (): Promise<void> => {
    const bundle = await load.bundle(studies);
    if (!bundle) return;
    download(studies.length === 1 ? 'crow-ladder-study.json' : 'crow-ladder-studies.json', 'application/json', writeBundle(bundle));
    close();
  };
  const asFiles = async (format: LineFormat): Promise<void> => {
    const found = await load.licks(licks);
    if (!found) return;
    const files = found.map(({ lick, neck, body }) => {
      const line = { ...lick, instrument: neck, scale: lick.stayed ?? body.scale };
      return { name: `${fileName(lick.name)}.${format.extension}`, bytes: format.write(lineOut(body, line, true)) };
    });
    if (files.length === 1) download(files[0]!.name, format.media, files[0]!.bytes);
    else download(`crow-ladder-licks-${format.extension}.zip`, 'application/zip', archiveOf(files));
    close();
  };
  return (
    <div className="grid justify-items-start gap-2">
      {studies.length > 0 && (
        <Button look="brass" onClick={() => void asJson()}>
          {NOTEBOOK.studiesAsJsonLicksAnd}
        </Button>
      )}
      {licks.length > 0 &&
        formats.map((f) => (
          <Button key={f.id} onClick={() => void asFiles(f)}>
            {NOTEBOOK.licksAs(f.name)}
          </Button>
        ))}
    </div>
  );
}

interface Found {
  readonly lick: Lick;
  readonly neck: Instrument;
  readonly body: StudyBody;
}

/** Reads what is chosen, fresh from the server; says what could not be read and gives nothing then. */
function useLoad(onProblem: NotebookExportProps['onProblem']) {
  const dispatch = useAppDispatch();
  const bodies = async (ids: readonly string[]): Promise<{ readonly id: string; readonly body: StudyBody }[] | null> => {
    const all = await Promise.all(ids.map((id) => dispatch(api.endpoints.study.initiate(id, { forceRefetch: true, subscribe: false }))));
    const studies = all.flatMap((r) => (r.data ? [{ id: r.data.id, body: r.data.body }] : []));
    const whole = studies.length === ids.length;
    onProblem(whole ? null : NOTEBOOK.notAllOfThemCould);
    return whole ? studies : null;
  };
  /** The studies with the instruments they name and the player's own scales that they use. */
  const bundle = async (ids: readonly string[]) => {
    const studies = await bodies(ids);
    if (!studies) return null;
    const named = new Set(studies.map((s) => s.body.instrumentId));
    const { data = [] } = await dispatch(api.endpoints.instruments.initiate(undefined, { forceRefetch: true, subscribe: false }));
    const instruments = data.filter((i) => named.has(i.id)).map(({ id, body }) => ({ id, body }));
    const own = await dispatch(api.endpoints.scales.initiate(undefined, { forceRefetch: true, subscribe: false }));
    const used = new Set(studies.flatMap(({ body }) => [body.scale, body.over].map((s) => s && [s.scale].flat().join())));
    const scales = (own.data ?? []).filter((s) => used.has(s.body.degrees.join())).map(({ id, body }) => ({ id, body }));
    return { studies, instruments, scales };
  };
  const licks = async (wanted: readonly { readonly study: string; readonly lick: string }[]): Promise<Found[] | null> => {
    const studies = await bodies([...new Set(wanted.map((w) => w.study))]);
    return (
      studies &&
      wanted.flatMap(({ study, lick: id }): Found[] => {
        const body = studies.find((s) => s.id === study)?.body;
        const lick = body?.licks.find((l) => l.id === id);
        return body && lick ? [{ lick, neck: neckOf(body, lick), body }] : [];
      })
    );
  };
  return { bundle, licks };
}
