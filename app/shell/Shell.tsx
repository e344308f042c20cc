import { ArrowRightLeft, ChartNoAxesColumn, Command, Ellipsis, Grid3x3, Guitar, Keyboard, ListMusic, Moon, NotebookText, Settings2, Sun, Timer, Waypoints } from 'lucide-react'; // prettier-ignore
import { useState, type ComponentType } from 'react';
import { isOneOf, keysOf } from '../../core';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { useAppDispatch, useAppSelector } from '../store';
import { redone, undone } from '../store/editor';
import { placeOfPath, viewPath } from '../store/paths';
import { setPrefs, prefsNow } from '../store/prefs';
import { VIEW_NAMES, type StudyView, type ViewName } from '../words/view-text';
import { Announcer } from './Announcer';
import { SHELL, useCommands, useKeyboard } from './keys';
import { useFirstView } from '../ui/first-view';
import { later } from '../ui/later';
import { LaterPopup } from '../ui/LaterPopup';
import { gather } from './open-part';
import { openPanel } from './panels';
import { SaveAlert } from './SaveNote';
import { SHELL_COMMANDS } from './shell-commands';
import { useTheme } from './theme';
import { useViewFocus, VIEW_ID } from './view-focus';
import { FRAME } from '../words/views/shell';

type Icon = ComponentType<{ readonly size?: number; readonly strokeWidth?: number; readonly 'aria-hidden'?: boolean }>;
interface ViewLink {
  readonly view: ViewName;
  readonly Icon: Icon;
  /** On a phone it stands under "More". */
  readonly more?: boolean;
}

/** The views there are, in the order of a player's work. A view not built yet is not here. */
const ON_STUDY: readonly (ViewLink & { readonly view: StudyView })[] = [
  { view: 'map', Icon: Grid3x3 },
  { view: 'connect', Icon: Waypoints },
  { view: 'transpose', Icon: ArrowRightLeft },
  { view: 'licks', Icon: ListMusic },
  { view: 'harmony', Icon: ChartNoAxesColumn, more: true },
  { view: 'practise', Icon: Timer },
];
const ALONE: readonly ViewLink[] = [
  { view: 'notebook', Icon: NotebookText },
  { view: 'instruments', Icon: Guitar, more: true },
];

/** Under which entry each view stands: pages that belong to another view have an address of their own. Versions belong to none. */
const STANDS_UNDER: Readonly<Record<ViewName, ViewName | null>> = {
  map: 'map',
  handout: 'map',
  connect: 'connect',
  transpose: 'transpose',
  licks: 'licks',
  harmony: 'harmony',
  progression: 'harmony',
  practise: 'practise',
  quiz: 'practise',
  listen: 'practise',
  plan: 'practise',
  log: 'practise',
  notebook: 'notebook',
  instruments: 'instruments',
  versions: null,
};

const ITEM =
  'flex min-w-0 flex-1 flex-col items-center gap-1 px-0.5 py-2 text-[0.75rem] text-[#c4c1b6] hover:text-white max-sm:border-t-[3px] sm:flex-none sm:border-l-[3px] short:py-1 border-transparent focus-visible:outline-offset-[-3px] focus-visible:outline-[#8fc9d0]';
const ON = 'border-brass! bg-night-2 text-white! rail-on';

function Mark() {
  return (
    <svg viewBox="0 0 40 40" width="40" height="40" aria-hidden className="mx-auto my-4 hidden shrink-0 sm:block short:hidden">
      <path d="M12 36V10M28 36V10" stroke="#6e6b62" strokeWidth="2.4" />
      <path d="M12 31h16M12 24h16M12 17h16" stroke="#6e6b62" strokeWidth="2.4" />
      <path d="M8 13c2-7 9-9 14-7l8 1-6 3c0 6-4 9-9 9-3 0-6-1-7-6z" fill="#ece4d1" />
      <circle cx="20" cy="9.5" r="1.3" fill="#16181d" />
    </svg>
  );
}

/** What is no view: on a wide window at the foot of the rail, on a phone under "More". */
function useTools() {
  const [theme, toggle] = useTheme();
  const dark = theme === 'dark';
  return [
    { word: FRAME.commands, Icon: Command, run: () => openPanel('commands') },
    { word: FRAME.keys, Icon: Keyboard, run: () => openPanel('keys') },
    { word: FRAME.settings, Icon: Settings2, run: () => openPanel('settings') },
    { word: dark ? FRAME.light : FRAME.dark, Icon: dark ? Sun : Moon, run: toggle },
  ];
}

function Rail() {
  const id = useAppSelector((s) => s.editor.id);
  const tools = useTools();
  const { view: here } = placeOfPath(useLocation().pathname);
  const under = isOneOf(keysOf(STANDS_UNDER), here) ? STANDS_UNDER[here] : null;
  const links = [...ON_STUDY.map((v) => ({ ...v, to: viewPath(id, v.view) })), ...ALONE.map((v) => ({ ...v, to: `/${v.view}` }))];
  return (
    <nav
      aria-label={FRAME.views}
      className="no-print bottom-bar fixed inset-x-0 bottom-0 z-10 flex bg-night sm:sticky sm:top-0 sm:h-screen sm:flex-col sm:overflow-y-auto"
    >
      <Mark />
      {links.map(({ to, view, Icon, more }) => (
        <NavLink
          key={view}
          to={to}
          className={({ isActive }) => `${ITEM} ${more ? 'max-sm:hidden' : ''} ${isActive || under === view ? ON : ''}`}
        >
          <Icon size={22} strokeWidth={1.6} aria-hidden />
          <span className="max-w-full truncate">{VIEW_NAMES[view]}</span>
        </NavLink>
      ))}
      <span className="hidden sm:mt-auto sm:block" />
      {tools.map(({ word, Icon, run }) => (
        <button key={word} type="button" onClick={run} className={`${ITEM} cursor-pointer max-sm:hidden`}>
          <Icon size={20} strokeWidth={1.6} aria-hidden />
          {word}
        </button>
      ))}
      <More links={links.filter((l) => l.more)} tools={tools} />
    </nav>
  );
}

const ENTRY = 'flex min-h-11 w-full cursor-pointer items-center gap-3 rounded px-3 text-left hover:bg-feather-wash';

/** On a phone: the views and tools that the bar has no room for. */
function More({
  links,
  tools,
}: {
  readonly links: { readonly to: string; readonly view: ViewName; readonly Icon: Icon }[];
  readonly tools: ReturnType<typeof useTools>;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const close = (): void => setAt(null);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-expanded={at !== null}
        onClick={({ currentTarget }) => setAt(at ? null : currentTarget)}
        className={`${ITEM} cursor-pointer sm:hidden`}
      >
        <Ellipsis size={22} strokeWidth={1.6} aria-hidden />
        {FRAME.more}
      </button>
      {at && (
        <LaterPopup name={FRAME.more} at={at} side="top" align="end" look="max-h-[90vh] min-w-48 p-1 text-[0.9375rem]" onClose={close}>
          {links.map(({ to, view, Icon }) => (
            <Link key={view} to={to} className={ENTRY} onClick={close}>
              <Icon size={18} strokeWidth={1.6} aria-hidden /> {VIEW_NAMES[view]}
            </Link>
          ))}
          {tools.map(({ word, Icon, run }) => (
            <button
              key={word}
              type="button"
              className={ENTRY}
              onClick={() => {
                close();
                setTimeout(run);
              }}
            >
              <Icon size={18} strokeWidth={1.6} aria-hidden /> {word}
            </button>
          ))}
        </LaterPopup>
      )}
    </>
  );
}

function useShellCommands(): void {
  const dispatch = useAppDispatch();
  const [, toggleTheme] = useTheme();
  const navigate = useNavigate();
  const id = useAppSelector((s) => s.editor.id);
  useKeyboard();
  useCommands(SHELL, SHELL_COMMANDS, {
    commands: () => {
      gather();
      openPanel('commands');
    },
    undo: () => dispatch(undone()),
    redo: () => dispatch(redone()),
    legend: () => void setPrefs({ legend: !prefsNow().legend }),
    theme: toggleTheme,
    keys: () => openPanel('keys'),
    words: () => openPanel('words'),
    handout: () => void navigate(viewPath(id, 'handout')),
    devices: () => openPanel('devices'),
    settings: () => openPanel('settings'),
  });
}

/** What the frame shows at times: one file, which loads once the first view is there. */
const NewVersion = later(async () => (await import('./at-times')).NewVersion, { spare: true });
const StepNote = later(async () => (await import('./at-times')).StepNote, { spare: true });
const Panels = later(async () => (await import('./at-times')).Panels, { spare: true });

/** The frame round every view: the views at the left, or below on a phone. */
export function Shell() {
  useShellCommands();
  useViewFocus();
  const firstView = useFirstView();
  return (
    <div className="min-h-screen sm:grid sm:grid-cols-[5.25rem_minmax(0,1fr)] print:block!">
      <a
        href={`#${VIEW_ID}`}
        onClick={(e) => { e.preventDefault(); document.getElementById(VIEW_ID)?.focus(); }} // prettier-ignore
        className="no-print fixed top-2 left-2 z-50 -translate-y-20 rounded bg-night px-4 py-2 text-white focus:translate-y-0"
      >
        {FRAME.skipToTheView}
      </a>
      <Announcer />
      {firstView && <StepNote />}
      {firstView && <NewVersion />}
      <Rail />
      <main id={VIEW_ID} tabIndex={-1} className="min-w-0 px-3 pt-3 pb-24 outline-none sm:px-6 sm:pb-4 short:pb-4 print:p-0!">
        <SaveAlert />
        <Outlet />
      </main>
      {firstView && <Panels />}
    </div>
  );
}
