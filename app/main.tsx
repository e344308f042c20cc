import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Shell } from './shell/Shell';
import { applyTheme } from './shell/theme';
import { store } from './store';
import './styles.css';
import { BringInProvider } from './views/BringIn';
import { ConnectView } from './views/connect/ConnectView';
import { LicksView } from './views/licks/LicksView';
import { InstrumentsView } from './views/instruments/InstrumentsView';
import { MapView } from './views/map/MapView';
import { TransposeView } from './views/transpose/TransposeView';
import { NotebookView } from './views/notebook/NotebookView';

applyTheme();

const router = createBrowserRouter([
  {
    element: (
      <BringInProvider>
        <Shell />
      </BringInProvider>
    ),
    children: [
      { path: '/map', element: <MapView /> },
      { path: '/connect', element: <ConnectView /> },
      { path: '/transpose', element: <TransposeView /> },
      { path: '/licks', element: <LicksView /> },
      { path: '/instruments', element: <InstrumentsView /> },
      { path: '/notebook', element: <NotebookView /> },
      { path: '*', element: <Navigate to="/map" replace /> },
    ],
  },
]);

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
