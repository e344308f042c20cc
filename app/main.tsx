import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, RouterProvider, useRouteError } from 'react-router';
import { Shell } from './shell/Shell';
import { ViewBoundary, ViewBroke } from './shell/ViewBoundary';
import { applyTheme } from './shell/theme';
import { store } from './store';
import './styles.css';
import { BringInProvider } from './views/BringIn';
import { MapView } from './views/map/MapView';

applyTheme();

/** The Map is there at once; the other views load when they are first gone to. */
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
          { path: '/map', element: <MapView /> },
          { path: '/connect', lazy: async () => ({ Component: (await import('./views/connect/ConnectView')).ConnectView }) },
          { path: '/transpose', lazy: async () => ({ Component: (await import('./views/transpose/TransposeView')).TransposeView }) },
          { path: '/licks', lazy: async () => ({ Component: (await import('./views/licks/LicksView')).LicksView }) },
          {
            path: '/instruments',
            lazy: async () => ({ Component: (await import('./views/instruments/InstrumentsView')).InstrumentsView }),
          },
          { path: '/notebook', lazy: async () => ({ Component: (await import('./views/notebook/NotebookView')).NotebookView }) },
          { path: '/versions/:id', lazy: async () => ({ Component: (await import('./views/versions/VersionsView')).VersionsView }) },
          { path: '*', element: <Navigate to="/map" replace /> },
        ],
      },
    ],
  },
]);

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
