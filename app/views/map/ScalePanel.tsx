import { Tabs } from 'radix-ui';
import { memo, useState } from 'react';
import { brightnessOrder, relatedModes, soundsSame, type DegreeName, type ScaleRef } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { useOwnScale } from '../../store/own-scales';
import { withScale } from '../../store/moves';
import { Segmented } from '../../ui/Segmented';
import { Signs } from '../../letters/Signs';
import { bendHints, bentWords, changeWords } from '../../words/bend-text';
import { scaleName } from '../../words/scale-text';
import { OwnScalePart } from './OwnScalePart';
import { Rail } from './Rail';
import { isolated } from '../../words/name-text';
import { MAP } from '../../words/views/map';

interface Props {
  readonly scale: ScaleRef;
  readonly passing: DegreeName[];
}

/** What the panel does to the study; the same for all its parts. */
interface Does {
  readonly onScale: (scale: ScaleRef) => void;
  readonly onPassing: (passing: DegreeName[]) => void;
  readonly onOver: (over: ScaleRef) => void;
}
type Whole = Props & Does;

const TABS = [
  ['bend', 'Bend the scale'],
  ['relative', 'Relative modes'],
  ['parallel', 'Parallel modes'],
] as const;

function Bend(props: Whole) {
  const { scale, onScale } = props;
  const mine = useOwnScale(scale.scale);
  return (
    <>
      <Rail {...props} />
      <p className="mt-1">
        <b className="font-semibold">
          <Signs>{mine ? MAP.yourOwn(isolated(mine.body.name)) : bentWords(scale.scale)}</Signs>
        </b>
        <span className="text-soft"> {MAP.slideAPegClickIt}</span>
      </p>
      <p className="mt-1 flex flex-wrap gap-x-3 gap-y-1">
        {bendHints(scale)
          .slice(0, 5)
          .map((h) => (
            <button key={h.degree + h.by} type="button" className="cursor-pointer text-feather underline" onClick={() => onScale(h.ref)}>
              <Signs>{`${h.degree} ${h.by > 0 ? 'raised' : 'lowered'}: ${h.name}`}</Signs>
            </button>
          ))}
      </p>
      <OwnScalePart scale={scale} />
    </>
  );
}

function Relative({ scale, onScale }: Whole) {
  return (
    <>
      <p className="mb-1 text-soft">{MAP.sameNotesAnotherHomeThe}</p>
      <ol className="grid gap-0.5">
        {relatedModes(scale).map((m) => {
          const here = soundsSame(m, scale);
          return (
            <li key={m.tonic + m.scale}>
              <button
                type="button"
                aria-current={here}
                onClick={() => onScale({ tonic: m.tonic, scale: m.scale })}
                className={`cursor-pointer rounded px-1.5 py-0.5 hover:bg-feather-wash ${here ? 'font-semibold text-brass-deep' : ''}`}
              >
                <Signs>{`${m.degreeOfParent}. ${scaleName(m)}`}</Signs>
              </button>
            </li>
          );
        })}
      </ol>
    </>
  );
}

const COMPARED = [
  { value: 'here', label: MAP.againstThisScale },
  { value: 'steps', label: MAP.brightToDarkStepBy },
] as const;
type Compared = (typeof COMPARED)[number]['value'];

/** What a mode changes: against the scale that is mapped, or of the mode before it, which is one note brighter. */
function modeWords(scale: ScaleRef, modes: ScaleRef[], k: number, compared: Compared): string {
  if (compared === 'steps') return k === 0 ? 'the brightest' : changeWords(modes[k - 1]!, modes[k]!);
  return soundsSame(modes[k]!, scale) ? 'here' : changeWords(scale, modes[k]!);
}

function Parallel({ scale, onScale, onOver }: Whole) {
  const [compared, setCompared] = useState<Compared>('here');
  const modes = brightnessOrder(scale.tonic);
  return (
    <>
      <Segmented<Compared> label={MAP.modesCompared} value={compared} options={COMPARED} onChange={setCompared} />
      <table className="mt-2 w-full">
        <caption className="sr-only">{MAP.theSevenModesOnOne}</caption>
        <tbody>
          {modes.map((m, k) => {
            const here = soundsSame(m, scale);
            return (
              <tr key={String(m.scale)} className={here ? 'font-semibold text-brass-deep' : ''}>
                <th scope="row" className="py-0.5 text-left font-[inherit]">
                  <button
                    type="button"
                    aria-current={here}
                    onClick={() => onScale(m)}
                    className="cursor-pointer rounded px-1.5 hover:bg-feather-wash"
                  >
                    <Signs>{scaleName(m)}</Signs>
                  </button>
                </th>
                <td className="px-2 text-soft">
                  <Signs>{modeWords(scale, modes, k, compared)}</Signs>
                </td>
                <td className="text-right">
                  {!here && (
                    <button
                      type="button"
                      aria-label={MAP.layOverIt(String(m.scale))}
                      onClick={() => onOver(m)}
                      className="cursor-pointer text-feather underline"
                    >
                      {MAP.layOver}
                    </button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** Changing the scale: by a note, by its home, by its colour. */
export const ScalePanel = memo(function ScalePanel(shown: Props) {
  const dispatch = useAppDispatch();
  const props: Whole = {
    ...shown,
    onScale: (next) => dispatch(change(({ body }) => withScale(body, next))),
    onPassing: (passing) => dispatch(edited({ passing })),
    onOver: (over) => dispatch(edited({ over })),
  };
  return (
    <Tabs.Root defaultValue="bend" className="rounded-[10px] border border-line bg-sheet p-4 contain-content">
      <Tabs.List aria-label={MAP.changingTheScale} className="mb-2 flex flex-wrap gap-x-4" data-own-keys>
        {TABS.map(([value, word]) => (
          <Tabs.Trigger
            key={value}
            value={value}
            className="cursor-pointer border-b-2 border-transparent pb-0.5 font-display text-[0.875rem] font-semibold text-soft data-[state=active]:border-brass data-[state=active]:text-ink"
          >
            {word}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="bend">
        <Bend {...props} />
      </Tabs.Content>
      <Tabs.Content value="relative">
        <Relative {...props} />
      </Tabs.Content>
      <Tabs.Content value="parallel">
        <Parallel {...props} />
      </Tabs.Content>
    </Tabs.Root>
  );
});
