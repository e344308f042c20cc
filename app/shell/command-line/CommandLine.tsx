import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useStudiesQuery } from '../../store/api';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { change, nowOf } from '../../store/change';
import { viewPath } from '../../store/paths';
import { isOneOf } from '../../../core';
import { STUDY_VIEWS } from '../../words/view-text';
import { prefsNow } from '../../store/prefs';
import { Chooser } from '../../ui/Chooser';
import { Signs } from '../../letters/Signs';
import { runCommand } from '../keys';
import { closePanel } from '../panels';
import { askPrint } from '../print-ask';
import { offersFor, type Action, type Offer } from './read';
import { FRAME } from '../../words/views/shell';

/** Type what you want: scales and layouts in words, ways to connect, things to print, and every command of every view. */
export function CommandLine() {
  const { data } = useStudiesQuery();
  const editor = useAppSelector((s) => s.editor);
  const now = useMemo(() => nowOf({ editor }), [editor]);
  const dispatch = useAppDispatch();
  const act = useAct();
  return (
    <Chooser<Offer>
      label={FRAME.whatDoYouWantTo}
      placeholder={FRAME.aDorianThreeNotesConnect}
      find={(text) =>
        offersFor(text, { now, studies: data ?? [], keys: prefsNow().keys }).map((o) => ({
          key: o.key,
          value: o,
          title: o.title,
          detail: o.detail,
        }))
      }
      onChoose={(offer) => {
        closePanel();
        if ('edit' in offer.action) dispatch(change(offer.action.edit));
        // After the command line has gone, so that what the command opens keeps the focus.
        setTimeout(() => act(offer.action), 60);
      }}
      empty={FRAME.nothingIsCalledSoTry}
      render={(text) => <Signs>{text}</Signs>}
    />
  );
}

/** Goes where a command leads, and runs it there. */
function useAct(): (action: Action) => void {
  const navigate = useNavigate();
  const to = (view: string): string => {
    const { id } = store.getState().editor;
    return isOneOf(STUDY_VIEWS, view) ? viewPath(id, view) : `/${view}`;
  };
  return (action) => {
    if ('edit' in action) {
      if (action.view) void navigate(to(action.view));
    } else if ('run' in action) {
      if (!runCommand(action.run.view, action.run.id)) void navigate(to(action.run.view));
    } else if ('go' in action) void navigate(to(action.go));
    else if ('open' in action) void navigate(viewPath(action.open, 'map'));
    else {
      askPrint(action.print);
      if (!runCommand('map', 'print')) void navigate(to('map'));
    }
  };
}
