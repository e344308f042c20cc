import { startTransition, StrictMode, type ReactElement } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter, Navigate, useRoutes, type RouteObject } from 'react-router';
import { STUDY_PARTS } from '../contract';
import { Shell } from './shell/Shell';
import { ViewBoundary } from './shell/ViewBoundary';
import { applyTheme } from './shell/theme';
import { store } from './store';
import { whenFirstView } from './ui/first-view';
import './styles.css';
import './eyes.css';
import { BringInProvider } from './views/bring-in/BringIn';
import { MapView } from './views/map/MapView';
import { view } from './view';
import type { StudyView } from './words/view-text';

applyTheme();
// What goes on beside the views begins when the first one is there.
whenFirstView(() => {
  begin(async () => (await import('./store/practice/start')).startLog());
  begin(async () => (await import('./store/start-following')).startFollowing());
});
// The first edit is checked without waiting for its schema.
for (const build of STUDY_PARTS) whenFirstView(() => void build());

/** What cannot be loaded just now begins as soon as it can; ms. */
function begin(start: () => Promise<void>): void {
  start().catch(() => setTimeout(() => begin(start), 3000));
}

/** The views on a study: the same under a study's own address and, for the loose leaf, alone. The Map is there at once; the others load when they are first gone to. */
const ON_STUDY: Readonly<Record<StudyView, ReactElement>> = {
  map: <MapView />,
  connect: view(async () => (await import('./views/connect/ConnectView')).ConnectView),
  transpose: view(async () => (await import('./views/transpose/TransposeView')).TransposeView),
  licks: view(async () => (await import('./views/licks/LicksView')).LicksView),
  harmony: view(async () => (await import('./views/harmony/HarmonyView')).HarmonyView),
  progression: view(async () => (await import('./views/progression/ProgressionView')).ProgressionView),
  practise: view(async () => (await import('./views/practise/PractiseView')).PractiseView),
  quiz: view(async () => (await import('./views/quiz/QuizView')).QuizView),
  listen: view(async () => (await import('./views/listen/ListenView')).ListenView),
  plan: view(async () => (await import('./views/practise/PlanView')).PlanView),
  handout: view(async () => (await import('./views/handout/HandoutView')).HandoutView),
};
const STUDY_ROUTES: RouteObject[] = [
  { index: true, element: <Navigate to="map" replace /> },
  ...Object.entries(ON_STUDY).map(([path, element]) => ({ path, element })),
];

const ROUTES: RouteObject[] = [
  {
    element: (
      <BringInProvider>
        <Shell />
      </BringInProvider>
    ),
    // A view whose file does not load, or that breaks, breaks alone: the shell stays.
    children: [
      {
        element: <ViewBoundary />,
        children: [
          { path: '/', children: STUDY_ROUTES },
          { path: '/study/:id', children: STUDY_ROUTES },
          { path: '/instruments', element: view(async () => (await import('./views/instruments/InstrumentsView')).InstrumentsView) },
          { path: '/log', element: view(async () => (await import('./views/log/LogView')).LogView) },
          { path: '/notebook', element: view(async () => (await import('./views/notebook/NotebookView')).NotebookView) },
          { path: '/versions/:id', element: view(async () => (await import('./views/versions/VersionsView')).VersionsView) },
          { path: '*', element: <Navigate to="/map" replace /> },
        ],
      },
    ],
  },
];

const Routed = () => useRoutes(ROUTES);

const root = document.getElementById('root');
// A transition: the browser may look up between the parts of the first drawing.
if (root)
  startTransition(() =>
    createRoot(root).render(
      <StrictMode>
        <Provider store={store}>
          <BrowserRouter>
            <Routed />
          </BrowserRouter>
        </Provider>
      </StrictMode>,
    ),
  );
