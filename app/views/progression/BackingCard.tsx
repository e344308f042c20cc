import { FEELS, type Feel } from '../../../core';
import type { KeptProgression } from '../../../contract';
import { type SoundPart } from '../../sound/engine/score';
import { soundPrefs } from '../../sound/output-prefs';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { overSet } from '../../store/over';
import { loopOf, withProgression, type Form } from '../../store/progressions';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { PROGRESSION } from '../../words/views/progression';
import { Check } from '../practise/Choices';

const PARTS = ['bass', 'comping', 'drums', 'clicks'] as const satisfies readonly SoundPart[];

/** Who plays, how loud, in which feel, and which bars go round. */
export function BackingCard({ p, form }: { readonly p: KeptProgression; readonly form: Form }) {
  const dispatch = useAppDispatch();
  const prefs = soundPrefs.use();
  const countIn = useAppSelector((s) => s.over.countIn);
  const set = (fields: Partial<KeptProgression>): void => void dispatch(change((n) => withProgression(n.body, () => fields)));
  const mute = (part: SoundPart, on: boolean): void =>
    void soundPrefs.set({ ...prefs, muted: on ? prefs.muted.filter((m) => m !== part) : [...prefs.muted, part] });
  return (
    <Panel title={PROGRESSION.backing} className="no-print">
      <div className="grid grid-cols-[auto_auto_1fr] items-center gap-x-3 gap-y-1.5 text-[0.84375rem]">
        {PARTS.map((part) => (
          <div key={part} className="contents">
            <input
              type="checkbox"
              aria-label={PROGRESSION.mute(PROGRESSION.parts[part])}
              checked={!prefs.muted.includes(part)}
              onChange={(e) => mute(part, e.target.checked)}
              className="accent-brass"
            />
            <span>{PROGRESSION.parts[part]}</span>
            <input
              type="range"
              aria-label={PROGRESSION.level(PROGRESSION.parts[part].toLowerCase())}
              min={0}
              max={100}
              value={Math.round(prefs[part] * 100)}
              onChange={(e) => soundPrefs.set({ ...prefs, [part]: Number(e.target.value) / 100 })}
              className="min-w-0 accent-brass"
            />
          </div>
        ))}
      </div>
      <div className="mt-3 flex flex-col gap-2">
        <Select<Feel>
          label={PROGRESSION.feel}
          value={p.feel}
          options={FEELS.map((value) => ({ value, label: PROGRESSION.feels[value] }))}
          onChange={(feel) => set({ feel })}
        />
        <LoopChoice p={p} form={form} onLoop={(loop) => set({ loop })} />
        <Check label={PROGRESSION.countIn} checked={countIn} onChange={(on) => dispatch(overSet({ countIn: on }))} />
      </div>
      <p className="mt-2 text-xs text-soft">{PROGRESSION.quiet}</p>
    </Panel>
  );
}

/** Sections of a form as first and last bar. */
function sectionsOf({ bars }: Form): { readonly name: string; readonly from: number; readonly to: number }[] {
  const starts = bars.flatMap((b, k) => (b.section === undefined ? [] : [{ name: b.section || String(k + 1), from: k }]));
  return starts.map((s, k) => ({ ...s, to: (starts[k + 1]?.from ?? bars.length) - 1 }));
}

function LoopChoice({
  p,
  form,
  onLoop,
}: {
  readonly p: KeptProgression;
  readonly form: Form;
  readonly onLoop: (loop: [number, number] | null) => void;
}) {
  const [from, to] = loopOf(p, form.bars.length);
  const all = form.bars.map((_, k) => ({ value: String(k), label: String(k + 1) }));
  const sections = sectionsOf(form);
  if (form.bars.length < 2) return null;
  const wanted = p.loop ? `${from}-${to}` : '';
  const known = sections.some((s) => `${s.from}-${s.to}` === wanted);
  return (
    <div className="grid grid-cols-2 gap-2">
      <div className="col-span-2">
        <Select<string>
          label={PROGRESSION.loop}
          value={p.loop ? (known ? wanted : 'own') : ''}
          options={[
            { value: '', label: PROGRESSION.loopWhole },
            ...sections.map((s) => ({ value: `${s.from}-${s.to}`, label: PROGRESSION.loopSection(s.name) })),
            { value: 'own', label: `${PROGRESSION.loopFrom} … ${PROGRESSION.loopTo} …` },
          ]}
          onChange={(v) => onLoop(v === '' ? null : v === 'own' ? [from, to] : (v.split('-').map(Number) as [number, number]))}
        />
      </div>
      {p.loop && (
        <>
          <Select<string>
            label={PROGRESSION.loopFrom}
            value={String(from)}
            options={all.slice(0, to + 1)}
            onChange={(v) => onLoop([Number(v), to])}
          />
          <Select<string>
            label={PROGRESSION.loopTo}
            value={String(to)}
            options={all.slice(from)}
            onChange={(v) => onLoop([from, Number(v)])}
          />
        </>
      )}
    </div>
  );
}
