import { useEffect } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { Shelf } from '../shelf/Shelf';
import { Broken } from './Broken';

const loadWorkshop = () => import('./Workshop');

const router = createBrowserRouter([
  { path: '/', element: <Shelf />, errorElement: <Broken /> },
  { path: '/build/:id', element: <Navigate to="shape" replace /> },
  {
    path: '/build/:id/:station',
    lazy: async () => ({ Component: (await loadWorkshop()).Workshop }),
    errorElement: <Broken />,
    HydrateFallback: () => null,
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
  // The shelf is drawn first; the workshop is fetched while nothing else is to be done.
  useEffect(() => {
    const idle = requestIdleCallback(() => void loadWorkshop().catch(() => undefined));
    return () => cancelIdleCallback(idle);
  }, []);
  return (
    <>
      <RouterProvider router={router} />
      <Toaster
        position="bottom-center"
        toastOptions={{ style: { borderRadius: 0, fontFamily: 'inherit' } }}
      />
    </>
  );
}
