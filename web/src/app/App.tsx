import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { Shelf } from '../shelf/Shelf';
import { Broken } from './Broken';
import { Workshop } from './Workshop';

const router = createBrowserRouter([
  { path: '/', element: <Shelf />, errorElement: <Broken /> },
  { path: '/build/:id', element: <Navigate to="shape" replace /> },
  { path: '/build/:id/:station', element: <Workshop />, errorElement: <Broken /> },
  { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
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
