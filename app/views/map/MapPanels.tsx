import type { StudyBody } from '../../../contract';
import { defaultSchool, fingerNotes, isScale, ruleOf, type Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { seamConnection } from '../../store/question';
import { buildNext, withPins } from '../../store/moves';
import type { Laid } from '../../store/study';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { overWords } from '../../words/bend-text';
import { downWords } from '../../words/choice-text';
import { wordsIn } from '../../words/own-words';
import { neighbourFacts, needsCare, seamFacts, shapeFacts, shapeTitle, type Fact } from '../../words/shape-text';
import { Facts, Panel } from '../../ui/Panels';
import { FirstWords } from '../FirstWords';
import { CareNote } from '../CareNote';
import { CellChoices } from '../CellChoices';
import { useGo } from '../useGo';
import { ScalePanel } from './ScalePanel';
import { MAP } from '../../words/views/map';

const capital = (words: string): string => words[0]!.toUpperCase() + words.slice(1);

/** Why the shape looks so, and what a scale laid over it changes. */
export function WhyLine({ body, shape, shapes }: { readonly body: StudyBody; readonly shape: Shape; readonly shapes: Shape[] }) {
  const { layout, instrument, scale } = body;
  const dispatch = useAppDispatch();
  return (
    <div className="mt-2 grid min-h-11 content-start justify-items-start gap-1 px-1">
      {ruleOf(body.layout.kind).grows && (
        <Button className="no-print" onClick={() => dispatch(change((now) => buildNext(now.body)))}>
          {body.built === null ? MAP.buildItUpFromThe : MAP.oneStringMoreBOf(body.built, body.instrument.strings.length)}
        </Button>
      )}
      <FirstWords words={wordsIn(shape, shapes, layout.kind, instrument)} />
      <p>
        <Signs>{ruleOf(layout.kind).why(layout, { instrument, scale, shapes, shape })}</Signs>
      </p>
      <p className="min-h-5">
        <Signs>{laidOverWords(body)}</Signs>
      </p>
    </div>
  );
}

/** What a chord and a scale laid over do to the marks; its line is there without them too, so that nothing moves. */
const laidOverWords = ({ chord, over, scale }: StudyBody): string =>
  [
    chord ? `Tones of ${chord} have a bar; the other notes are smaller.` : '',
    over && isScale(over.scale) && isScale(scale.scale) ? `${overWords(scale, over)}. Crossed out: left out; diamond: new.` : '',
  ].join(' ');

/** The scale and how to change it, the shape, and the rungs next to it. */
export function MapPanels({
  body,
  laid,
  current,
  seam,
}: {
  readonly body: StudyBody;
  readonly laid: Laid;
  readonly current: number;
  readonly seam: number;
}) {
  const shape = laid.shapes[current];
  return (
    <div className="after-tools mt-3 grid grid-cols-1 gap-3 md:grid-cols-2 xl:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)_minmax(0,1fr)]">
      {isScale(body.scale.scale) && <ScalePanel scale={body.scale} passing={body.passing} />}
      {shape && (
        <>
          <Panel title={capital(shapeTitle(shape, body.layout.kind))}>
            <Facts facts={[...shapeFacts(shape, body.instrument, body.layout.kind), ...downFacts(body, shape)]} />
            <ShapeChoices body={body} shape={shape} />
            {needsCare(body.instrument, shape) && <CareNote />}
          </Panel>
          {laid.seams[seam] ? (
            <SeamPanel laid={laid} seam={seam} />
          ) : (
            <Panel title={MAP.onTheRungsNextTo}>
              <Facts facts={neighbourFacts(laid.shapes, laid.seams, current)} />
            </Panel>
          )}
        </>
      )}
    </div>
  );
}

const optionsOf = (body: StudyBody) => ({ school: body.school ?? defaultSchool(body.layout), hand: body.hand });

/** Fingers going down, where the layout leaves them to the search. */
function downFacts(body: StudyBody, shape: Shape): Fact[] {
  if (ruleOf(body.layout.kind).still) return [];
  const down = fingerNotes(body.instrument, [...shape.notes].reverse(), optionsOf(body));
  return [{ name: 'Going down', words: downWords(shape.notes, down) }];
}

/** Both ways to play the shape's two-note cells, one press each. */
function ShapeChoices({ body, shape }: { readonly body: StudyBody; readonly shape: Shape }) {
  const dispatch = useAppDispatch();
  const { hand } = body;
  if (ruleOf(body.layout.kind).still) return null;
  return (
    <CellChoices
      instrument={body.instrument}
      places={shape.notes}
      school={body.school ?? defaultSchool(body.layout)}
      hand={hand}
      onChoose={(fingers) => dispatch(change((now) => now.shape && withPins(now.body, now.shape, fingers)))}
    />
  );
}

/** Where two rungs meet, and the way on to Connect. */
function SeamPanel({ laid, seam }: { readonly laid: Laid; readonly seam: number }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const [below, above] = [laid.shapes[seam], laid.shapes[seam + 1]];
  const connect = (): void => {
    dispatch(change((now) => ({ connection: seamConnection(now.body, below!, above!) })));
    go('connect');
  };
  return (
    <Panel title={MAP.theSeamOfAnd(below!.label, above!.label)}>
      <Facts facts={seamFacts(below!, above!, laid.seams[seam]!)} />
      <Button look="link" className="mt-2" onClick={connect}>
        {MAP.connectTheseTwo}
      </Button>
    </Panel>
  );
}
