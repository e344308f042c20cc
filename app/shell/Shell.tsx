import { Grid3x3, Guitar, Waypoints, ListMusic, ArrowRightLeft, Moon, NotebookText, Sun } from 'lucide-react';
import { NavLink, Outlet } from 'react-router';
import { NewVersion } from './NewVersion';
import { SaveAlert, StepNote } from './SaveNote';
import { useTheme } from './theme';

/** The views there are, in the order of a player's work. A view not built yet is not here. */
const VIEWS = [
  { to: '/map', word: 'Map', Icon: Grid3x3 },
  { to: '/connect', word: 'Connect', Icon: Waypoints },
  { to: '/transpose', word: 'Transpose', Icon: ArrowRightLeft },
  { to: '/licks', word: 'Licks', Icon: ListMusic },
  { to: '/notebook', word: 'Notebook', Icon: NotebookText },
  { to: '/instruments', word: 'Instruments', Icon: Guitar },
];

const ITEM =
  'flex flex-1 flex-col items-center gap-1 px-1 py-2 text-[11px] text-[#c4c1b6] hover:text-white max-sm:border-t-[3px] sm:flex-none sm:border-l-[3px] sm:py-2.5 border-transparent focus-visible:outline-offset-[-3px] focus-visible:outline-[#8fc9d0]';

function Mark() {
  return (
    <svg viewBox="0 0 40 40" width="40" height="40" aria-hidden className="mx-auto my-4 hidden sm:block">
      <path d="M12 36V10M28 36V10" stroke="#6e6b62" strokeWidth="2.4" />
      <path d="M12 31h16M12 24h16M12 17h16" stroke="#6e6b62" strokeWidth="2.4" />
      <path d="M8 13c2-7 9-9 14-7l8 1-6 3c0 6-4 9-9 9-3 0-6-1-7-6z" fill="#ece4d1" />
      <circle cx="20" cy="9.5" r="1.3" fill="#16181d" />
    </svg>
  );
}

function ThemeButton() {
  const [theme, toggle] = useTheme();
  const dark = theme === 'dark';
  return (
    <button type="button" onClick={toggle} className={`${ITEM} sm:mt-auto cursor-pointer`}>
      {dark ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
      {dark ? 'Light' : 'Dark'}
    </button>
  );
}

/** The frame round every view: the views at the left, or below on a phone. */
export function Shell() {
  return (
    <div className="min-h-screen sm:grid sm:grid-cols-[84px_1fr]">
      <StepNote />
      <NewVersion />
      <nav aria-label="Views" className="no-print fixed inset-x-0 bottom-0 z-10 flex bg-night sm:sticky sm:top-0 sm:h-screen sm:flex-col">
        <Mark />
        {VIEWS.map(({ to, word, Icon }) => (
          <NavLink key={to} to={to} className={({ isActive }) => `${ITEM} ${isActive ? 'border-brass! bg-night-2 text-white!' : ''}`}>
            <Icon size={22} strokeWidth={1.6} aria-hidden />
            {word}
          </NavLink>
        ))}
        <ThemeButton />
      </nav>
      <main className="min-w-0 px-3 pt-4 pb-20 sm:px-6 sm:pb-4">
        <SaveAlert />
        <Outlet />
      </main>
    </div>
  );
}
