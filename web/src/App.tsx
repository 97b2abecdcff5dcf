import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import { RouterProvider as AriaRouter } from 'react-aria-components';
import { BrowserRouter, Navigate, Route, Routes, useHref, useNavigate } from 'react-router';
import { ThemeProvider } from 'styled-components';
import { JobsWall } from './jobs/JobsWall.tsx';
import { useDoor } from './stores/door.ts';
import { useWorkshop } from './stores/workshop.ts';
import { GlobalStyle } from './theme/GlobalStyle.ts';
import { tokens } from './theme/tokens.ts';
import { NoticeBar } from './ui/NoticeBar.tsx';
import { Waiting } from './ui/Waiting.tsx';

const StartPage = lazy(() => import('./start/StartPage.tsx'));
const ClashDialog = lazy(() => import('./jobs/ClashDialog.tsx'));
const JobPage = lazy(() => import('./jobs/JobPage.tsx'));
const WorkshopPage = lazy(() => import('./workshop/WorkshopPage.tsx'));
const CalibratePage = lazy(() => import('./workshop/calibrate/CalibratePage.tsx'));
const MeasurePage = lazy(() => import('./workshop/measure/MeasurePage.tsx'));
const BeginPage = lazy(() => import('./jobs/begin/BeginPage.tsx'));
const SharedPage = lazy(() => import('./shared/SharedPage.tsx'));
const ShelfPage = lazy(() => import('./shelf/ShelfPage.tsx'));
const CalendarPage = lazy(() => import('./calendar/CalendarPage.tsx'));
const BenchCard = lazy(() => import('./make/BenchCard.tsx'));

export function App(): ReactNode {
  return (
    <ThemeProvider theme={tokens}>
      <GlobalStyle />
      <BrowserRouter>
        <Door />
      </BrowserRouter>
    </ThemeProvider>
  );
}

/** Which studio this page is in is known before anything of it is asked for. */
function Door(): ReactNode {
  const { studios, here, problem, load } = useDoor();
  useEffect(() => void load(), [load]);
  if (!studios) return <Waiting text={problem ?? 'Clearing the bench …'} />;
  if (here) return <Places />;
  return (
    <Suspense fallback={<Waiting text="Clearing the bench …" />}>
      <StartPage />
    </Suspense>
  );
}

function Places(): ReactNode {
  const navigate = useNavigate();
  const { workshop, problem, load, clashes, settleClashes } = useWorkshop();
  useEffect(() => void load(), [load]);
  if (!workshop) return <Waiting text={problem ?? 'Clearing the bench …'} />;
  return (
    <AriaRouter navigate={(to) => void navigate(to)} useHref={useHref}>
      <Suspense fallback={<Waiting text="Laying it out …" />}>
        <Routes>
          <Route path="/" element={<JobsWall workshop={workshop} />} />
          <Route path="/start" element={<StartPage />} />
          <Route path="/new" element={<BeginPage workshop={workshop} />} />
          <Route path="/shared" element={<SharedPage workshop={workshop} />} />
          <Route path="/shelf" element={<ShelfPage workshop={workshop} />} />
          <Route path="/shelf/:shelf/:thingId" element={<ShelfPage workshop={workshop} />} />
          <Route path="/calendar" element={<CalendarPage workshop={workshop} />} />
          <Route path="/workshop" element={<WorkshopPage workshop={workshop} />} />
          <Route path="/workshop/:shelf/:thingId" element={<WorkshopPage workshop={workshop} />} />
          <Route path="/workshop/printers/:printerId/:pathId" element={<CalibratePage workshop={workshop} />} />
          <Route path="/workshop/stocks/:stockId/measure" element={<MeasurePage workshop={workshop} />} />
          <Route path="/jobs/:id/:station?" element={<JobPage workshop={workshop} />} />
          <Route path="/bench/:runId" element={<BenchCard workshop={workshop} />} />
          <Route path="*" element={<Navigate to="/" replace />} />
        </Routes>
        {clashes.length > 0 && (
          <ClashDialog
            what="The workshop"
            clashes={clashes}
            spoken={workshop}
            onSettle={(theirsAt) => void settleClashes(theirsAt)}
          />
        )}
      </Suspense>
      <NoticeBar />
    </AriaRouter>
  );
}
