import { lazy, Suspense } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { GangPage } from './gang/gang-page.tsx';
import { JobBoard } from './job-board/job-board.tsx';
import { SetAsidePage } from './job-board/set-aside-page.tsx';
import { LightTable } from './light-table/light-table.tsx';
import { LicencesPage } from './licences/licences-page.tsx';
import { CalibrationPage } from './press-room/calibration/calibration-page.tsx';
import { PressPage } from './press-room/press-page.tsx';
import { PressRoom } from './press-room/press-room.tsx';
import { Runs } from './runs/runs.tsx';
import { SeriesPage } from './series/series-page.tsx';
import { InkShelf } from './shelves/ink-shelf.tsx';
import { ScreenShelfPage } from './shelves/screen-shelf.tsx';
import { StockShelf } from './shelves/stock-shelf.tsx';
import { NotHere } from './shell/not-here.tsx';
import { Gate } from './studio/gate.tsx';
import { PeoplePage } from './studio/people-page.tsx';
import { WelcomePage } from './studio/welcome-page.tsx';
import { FirstLookPage } from './treatments/first-look-page.tsx';
import { TreatmentShelf } from './shelves/treatment-shelf.tsx';
import { StoragePage } from './storage/storage-page.tsx';

/** Loaded when it is asked for: it is read less often than jobs are opened. */
const Handbook = lazy(() => import('./handbook/handbook-route.tsx'));

const router = createBrowserRouter([
  { path: '/', element: <JobBoard /> },
  { path: '/jobs/:id', element: <Navigate to="screens" replace relative="path" /> },
  { path: '/jobs/:id/series', element: <SeriesPage /> },
  { path: '/jobs/:id/:stage', element: <LightTable /> },
  { path: '/set-aside/:id', element: <SetAsidePage /> },
  { path: '/runs', element: <Runs /> },
  { path: '/storage', element: <StoragePage /> },
  { path: '/gang', element: <GangPage /> },
  { path: '/first-look/:original', element: <FirstLookPage /> },
  { path: '/treatments', element: <TreatmentShelf /> },
  { path: '/inks', element: <InkShelf /> },
  { path: '/stocks', element: <StockShelf /> },
  { path: '/screens', element: <ScreenShelfPage /> },
  { path: '/presses', element: <PressRoom /> },
  { path: '/presses/:id', element: <PressPage /> },
  { path: '/presses/:id/calibrations/:calibration', element: <CalibrationPage /> },
  { path: '/people', element: <PeoplePage /> },
  { path: '/welcome', element: <WelcomePage /> },
  { path: '/handbook/*', element: <Handbook /> },
  { path: '/licences', element: <LicencesPage /> },
  { path: '*', element: <NotHere /> },
]);

export function App() {
  return (
    <>
      <Gate>
        <Suspense fallback={null}>
          <RouterProvider router={router} />
        </Suspense>
      </Gate>
      <Toaster
        position="bottom-right"
        toastOptions={{
          className: '!rounded-sm !border-edge !bg-raised !font-sans !text-ink !shadow-none',
          duration: 6000,
        }}
      />
    </>
  );
}
