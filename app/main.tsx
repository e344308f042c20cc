import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, RouterProvider, useRouteError, type RouteObject } from 'react-router';
import { noteNavigating } from './shell/navigating';
import { Shell } from './shell/Shell';
import { ViewBoundary, ViewBroke } from './shell/ViewBoundary';
import { applyTheme } from './shell/theme';
import { store } from './store';
import { startFollowing } from './store/start-following';
import { startLog } from './store/practice/start';
import './styles.css';
import { BringInProvider } from './views/bring-in/BringIn';
import { MapView } from './views/map/MapView';

applyTheme();
startLog();
startFollowing();

/** The views on a study: the same under a study's own address and, for the loose leaf, alone. The Map is there at once; the others load when they are first gone to. */
const STUDY_ROUTES: RouteObject[] = [
  { index: true, element: <Navigate to="map" replace /> },
  { path: 'map', element: <MapView /> },
  { path: 'connect', lazy: async () => ({ Component: (await import('./views/connect/ConnectView')).ConnectView }) },
  { path: 'transpose', lazy: async () => ({ Component: (await import('./views/transpose/TransposeView')).TransposeView }) },
  { path: 'harmony', lazy: async () => ({ Component: (await import('./views/harmony/HarmonyView')).HarmonyView }) },
  { path: 'progression', lazy: async () => ({ Component: (await import('./views/progression/ProgressionView')).ProgressionView }) },
  { path: 'handout', lazy: async () => ({ Component: (await import('./views/handout/HandoutView')).HandoutView }) },
  { path: 'practise', lazy: async () => ({ Component: (await import('./views/practise/PractiseView')).PractiseView }) },
  { path: 'quiz', lazy: async () => ({ Component: (await import('./views/quiz/QuizView')).QuizView }) },
  { path: 'listen', lazy: async () => ({ Component: (await import('./views/listen/ListenView')).ListenView }) },
  { path: 'plan', lazy: async () => ({ Component: (await import('./views/practise/PlanView')).PlanView }) },
  { path: 'licks', lazy: async () => ({ Component: (await import('./views/licks/LicksView')).LicksView }) },
];

const router = createBrowserRouter([
  {
    hydrateFallbackElement: <></>,
    element: (
      <BringInProvider>
        <Shell />
      </BringInProvider>
    ),
    // A view whose file does not load breaks alone: the shell stays.
    children: [
      {
        element: <ViewBoundary />,
        errorElement: <NotLoaded />,
        children: [
          { path: '/', children: STUDY_ROUTES },
          { path: '/study/:id', children: STUDY_ROUTES },
          {
            path: '/instruments',
            lazy: async () => ({ Component: (await import('./views/instruments/InstrumentsView')).InstrumentsView }),
          },
          { path: '/log', lazy: async () => ({ Component: (await import('./views/log/LogView')).LogView }) },
          { path: '/notebook', lazy: async () => ({ Component: (await import('./views/notebook/NotebookView')).NotebookView }) },
          { path: '/versions/:id', lazy: async () => ({ Component: (await import('./views/versions/VersionsView')).VersionsView }) },
          { path: '*', element: <Navigate to="/map" replace /> },
        ],
      },
    ],
  },
]);

router.subscribe(({ navigation }) => noteNavigating(navigation.state !== 'idle'));

function NotLoaded() {
  return <ViewBroke error={useRouteError()} resetErrorBoundary={() => location.reload()} />;
}

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <Provider store={store}>
        <RouterProvider router={router} />
      </Provider>
    </StrictMode>,
  );
}
