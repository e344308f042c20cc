import { Play, Square } from 'lucide-react';
import { useEffect } from 'react';
import type { StudyBody } from '../../../contract';
import { latencyNow, listenTo, setEarRange, stopListening } from '../../sound/listen/ear';
import { holdEar } from '../../sound/listen/ear-held';
import { useEar } from '../../sound/listen/ear-state';
import {
  IN_TIME_RANGE,
  LATE_RANGE,
  LATENCY_RANGE,
  listenPrefs,
  setListenPrefs,
  SOURCES,
  type SourceName,
} from '../../sound/listen/listen-prefs';
import { MANNERS, type MannerName } from '../../sound/listen/manners';
import { rangeOf } from '../../sound/listen/meant';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { useKeyed } from '../../ui/useKeyed';
import { LISTEN } from '../../words/views/listen';
import { HearProblem } from '../HearTools';
import { Check, Chooser } from '../practise/Choices';
import { PractiseNav } from '../practise/PractiseNav';
import { StudyFooter } from '../StudyFooter';
import { StudyGate } from '../StudyGate';
import { EarStatus, Level } from './EarStatus';
import { TunerCard } from './TunerCard';
import { keep, MEASURED_CLICKS, useLatency } from './useLatency';

/** What is listened to, how it is tuned and measured, and when a pass is clean. */
export function ListenView() {
  return <StudyGate view="listen">{(body) => <Open body={body} />}</StudyGate>;
}

const SOURCE_OPTIONS = SOURCES.map((value) => ({ value, label: LISTEN.sources[value] }));

function Open({ body }: { readonly body: StudyBody }) {
  const ear = useEar();
  useEffect(holdEar, []);
  const { source } = listenPrefs.use();
  const { instrument } = body;
  useEffect(() => setEarRange(...rangeOf(instrument)), [instrument]);
  const on = ear.state !== 'off';
  const choose = (next: SourceName): void => {
    setListenPrefs({ source: next });
    if (on) void listenTo(next);
  };
  return (
    <div className="view-column">
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium sm:text-[1.5625rem]">
        {LISTEN.heading}{' '}
        <SentencePart name="source" text={LISTEN.sources[source]}>
          {(close) => (
            <Chooser<SourceName>
              label={LISTEN.source}
              value={source}
              options={SOURCE_OPTIONS}
              onChange={(next) => {
                choose(next);
                close();
              }}
            />
          )}
        </SentencePart>
      </h1>
      <p className="max-w-[46rem] text-soft">{LISTEN.about}</p>
      <div className="no-print my-3 flex flex-wrap items-center gap-3">
        <PractiseNav page="listen" />
        <span className="grow" />
        <Button
          look="brass"
          className="min-h-9 text-[0.9375rem]"
          icon={on ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
          onClick={() => (on ? stopListening() : void listenTo(source))}
        >
          {on ? LISTEN.stop : LISTEN.start}
        </Button>
      </div>
      <div className="grid grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
        <div className="flex min-w-0 flex-col gap-3">
          <TunerCard instrument={instrument} source={source} onStart={() => listenTo(source)} />
          <LatencyCard source={source} />
        </div>
        <div className="flex min-w-0 flex-col gap-3">
          <SourceCard source={source} />
          <LimitsCard />
          {source === 'simulated' && <PlayerCard />}
        </div>
      </div>
      <StudyFooter hint="" />
    </div>
  );
}

const NO_DEVICES: { readonly id: string; readonly name: string }[] = [];

function SourceCard({ source }: { readonly source: SourceName }) {
  const { headphones, ...prefs } = listenPrefs.use();
  const { state } = useEar();
  const [devices, setDevices] = useKeyed([state, source], NO_DEVICES);
  useEffect(() => {
    let gone = false;
    if (state !== 'on' || source === 'simulated') return undefined;
    const ask =
      source === 'midi'
        ? async () => (await import('../../sound/listen/midi')).midiInputs()
        : async () => (await import('../../sound/listen/microphone')).microphones();
    void ask().then((found) => !gone && setDevices(found)); // prettier-ignore
    return () => void (gone = true);
  }, [state, source, setDevices]);
  const take = (id: string): void => {
    setListenPrefs({ [source]: id });
    void listenTo(source);
  };
  return (
    <Panel title={LISTEN.source}>
      <div className="flex flex-col gap-2">
        <EarStatus />
        {state === 'on' && source !== 'midi' && <Level />}
        {devices.length > 1 && source !== 'simulated' && (
          <Select<string>
            label={LISTEN.device}
            value={devices.some((d) => d.id === prefs[source]) ? prefs[source] : ''}
            options={[{ value: '', label: LISTEN.anyDevice }, ...devices.map((d) => ({ value: d.id, label: d.name }))]}
            onChange={take}
          />
        )}
        {source === 'microphone' && (
          <>
            <Check label={LISTEN.headphones} checked={headphones} onChange={(v) => setListenPrefs({ headphones: v })} />
            <p className="text-xs text-soft">{LISTEN.headphonesHint}</p>
            <p className="text-xs text-soft">{LISTEN.loud}</p>
          </>
        )}
      </div>
    </Panel>
  );
}

function LatencyCard({ source }: { readonly source: SourceName }) {
  const { latency, asMidi } = listenPrefs.use();
  const { state } = useEar();
  const measuring = useLatency();
  const now = Math.round(latencyNow());
  const known = latency[source] !== null || source !== 'microphone';
  const { result } = measuring;
  return (
    <Panel title={LISTEN.latency}>
      <p className="mb-2 text-soft">{LISTEN.latencyAbout}</p>
      <p className="num mb-2" data-latency={now}>
        {known ? LISTEN.latencyMeasured(now) : LISTEN.latencyGuessed(now)}
      </p>
      <HearProblem hear={{ error: measuring.error, takeOver: measuring.takeOver }} />
      {measuring.on && <p role="status" className="mb-2">{LISTEN.measuring}</p> /* prettier-ignore */}
      {result && (
        <p role="status" className="num mb-2">
          {LISTEN.measured(Math.round(result.latencyMs), Math.round(result.spreadMs), result.heard, MEASURED_CLICKS)}
        </p>
      )}
      {result === null && (
        <p role="alert" className="mb-2 text-clay">
          {LISTEN.notMeasured}
        </p>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <Button disabled={state !== 'on'} onClick={measuring.on ? measuring.stop : measuring.start}>
          {measuring.on ? LISTEN.tuned : LISTEN.measure}
        </Button>
        <div className="w-32">
          <NumberField label={LISTEN.byHand} unit={LISTEN.ms} value={now} {...LATENCY_RANGE} onChange={(ms) => keep(source, ms)} />
        </div>
        {latency[source] !== null && !(source === 'simulated' && asMidi) && (
          <Button look="quiet" onClick={() => keep(source, null)}>
            {LISTEN.guess}
          </Button>
        )}
      </div>
    </Panel>
  );
}

function LimitsCard() {
  const { lateMs, inTime, rates } = listenPrefs.use();
  return (
    <Panel title={LISTEN.limits}>
      <p className="mb-2 text-soft">{LISTEN.limitsAbout}</p>
      <div className="mb-2 grid grid-cols-2 gap-3">
        <NumberField
          label={LISTEN.lateMs}
          unit={LISTEN.ms}
          value={lateMs}
          min={LATE_RANGE.min}
          max={LATE_RANGE.max}
          onChange={(ms) => setListenPrefs({ lateMs: ms })}
        />
        <NumberField
          label={LISTEN.inTime}
          unit={LISTEN.percent}
          value={Math.round(inTime * 100)}
          min={IN_TIME_RANGE.min}
          max={IN_TIME_RANGE.max}
          onChange={(percent) => setListenPrefs({ inTime: percent / 100 })}
        />
      </div>
      <Check label={LISTEN.rates} checked={rates} onChange={(v) => setListenPrefs({ rates: v })} />
      <p className="text-xs text-soft">{LISTEN.ratesHint}</p>
    </Panel>
  );
}

function PlayerCard() {
  const { manner, asMidi } = listenPrefs.use();
  return (
    <Panel title={LISTEN.player}>
      <p className="mb-2 text-soft">{LISTEN.playerAbout}</p>
      <Select<MannerName>
        label={LISTEN.manner}
        value={manner}
        options={MANNERS.map((value) => ({ value, label: LISTEN.manners[value] }))}
        onChange={(next) => setListenPrefs({ manner: next })}
      />
      <Check label={LISTEN.asMidi} checked={asMidi} onChange={(v) => setListenPrefs({ asMidi: v })} />
    </Panel>
  );
}
