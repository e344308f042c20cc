import type { StudyBody } from '../../../contract';
import { defaultSchool, type NeckNote, type Route, type Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { askAfresh, askFrom, askTo, endsNow, placeOf, routeEnds, type RouteEnds } from '../../store/connection';
import { Signs } from '../../letters/Signs';
import { endWords, goalWords, lineWords, placeWords } from '../../words/route-text';
import { scaleName } from '../../words/scale-text';
import { SCHOOL_WORDS } from '../../words/school-text';
import { instrumentWords } from '../../words/tuning-text';
import { ByPart } from './ByPart';
import { EndPart } from './EndPart';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly body: StudyBody;
  readonly ends: RouteEnds;
  readonly shapes: Shape[];
  readonly notes: NeckNote[];
  readonly route: Route | null;
}

/** From where to where, and how: each part is the control. */
export function ConnectSentence({ body, ends, shapes, notes, route }: Props) {
  const dispatch = useAppDispatch();
  const on = (make: (ends: RouteEnds) => Partial<StudyBody>): void =>
    void dispatch(
      change((now) => {
        const fresh = endsNow(now);
        return fresh && make(fresh);
      }),
    );
  const { asked } = ends;
  const where = { shapes, notes, instrument: body.instrument };
  const given = asked.way === 'best' && asked.motion === 'given';
  const words = endsWords(ends, shapes, route);
  return (
    <header>
      {/* On a phone the lines that the ends will need are kept free, so that nothing jumps when the search is done. */}
      <h1
        className={`text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem] ${route || given ? '' : 'max-sm:min-h-36'}`}
      >
        {!given && (
          <>
            {CONNECT.fromWord}{' '}
            <EndPart
              name="from"
              text={words.from}
              shortcut="f"
              goal={false}
              where={where}
              onEnd={(e) => on((now) => askFrom(now, shapes, e))}
            />{' '}
            {CONNECT.toWord}{' '}
            <EndPart name="to" text={words.to} shortcut="t" goal where={where} onEnd={(e) => on((now) => askTo(now, shapes, e))} />{' '}
            {CONNECT.byWord}{' '}
          </>
        )}
        {given && CONNECT.playThemBy}
        <ByPart asked={asked} instrument={body.instrument} onAsk={(fields) => on((now) => askAfresh(now, fields))} />
      </h1>
      <p className="num mt-0.5 text-[0.8125rem] text-soft max-sm:min-h-[3em]">
        <Signs>
          {[
            scaleName(body.scale),
            instrumentWords(body.instrument),
            route && lineWords(body.instrument, route),
            SCHOOL_WORDS[body.school ?? defaultSchool(body.layout)],
          ]
            .filter(Boolean)
            .join(' · ')}
        </Signs>
      </p>
    </header>
  );
}

/** Rungs by name with the note the line begins and ends on; places, pitches and frets as themselves. */
function endsWords(ends: RouteEnds, shapes: Shape[], route: Route | null): { readonly from: string; readonly to: string } {
  const { asked } = ends;
  if (asked.way === 'best') {
    const { from, to } = routeEnds(ends, shapes);
    return {
      from: asked.start ? placeWords(from) : endWords(shapes[ends.from]!, from),
      to: asked.goal ? goalWords(to) : endWords(shapes[ends.to]!, to),
    };
  }
  const goal = placeOf(asked.goal);
  const first = route?.steps[0];
  const last = route?.steps[route.steps.length - 1];
  return {
    from: asked.start ? placeWords(asked.start) : first ? endWords(shapes[ends.from]!, first) : shapes[ends.from]!.label,
    to: goal ? placeWords(goal) : last ? endWords(shapes[ends.to]!, last) : shapes[ends.to]!.label,
  };
}
