import type { StudyBody } from '../../../contract';
import { CoreError, parseGrip, type Place } from '../../../core';
import { Chooser, type Choice } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { gripText } from '../../words/grip-sign';
import { readingsOf } from '../../words/grip-text';
import { HARMONY } from '../../words/views/harmony';
import { MAP } from '../../words/views/map';

/** The typed grip with its readings, or what is wrong with it. */
function read(text: string, { instrument, scale }: StudyBody): { readonly choices: Choice<Place[]>[] } | { readonly problem: string } {
  if (!text.trim()) return { problem: HARMONY.heldNothing };
  try {
    const places = parseGrip(text, instrument);
    const [first, second] = readingsOf(instrument, places, scale);
    if (!places.length) return { problem: HARMONY.heldNothing };
    const names = [first, second].flatMap((r) => (r ? [r.symbol] : [])).join(', ');
    return { choices: [{ key: text, value: places, title: gripText(instrument, places), detail: names }] };
  } catch (e) {
    if (e instanceof CoreError) return { problem: e.message };
    throw e;
  }
}

/** A grip as it is written, thickest string first. */
export function TypeGrip({ body, onGrip }: { readonly body: StudyBody; readonly onGrip: (places: Place[]) => void }) {
  return (
    <SentencePart name={HARMONY.type} look="chip" shortcut="g" text={HARMONY.typeGrip}>
      {(close) => (
        <Chooser<Place[]>
          label={MAP.aGripThickestStringFirst}
          placeholder="x57765"
          find={(text) => {
            const answer = read(text, body);
            return 'choices' in answer ? answer.choices : [];
          }}
          onChoose={(places) => {
            onGrip(places);
            close();
          }}
          empty={(text) => {
            const answer = read(text, body);
            return 'problem' in answer ? answer.problem : '';
          }}
          render={(text) => <Signs>{text}</Signs>}
        />
      )}
    </SentencePart>
  );
}
