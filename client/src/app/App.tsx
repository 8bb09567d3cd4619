import { useQuery } from '@tanstack/react-query';
import { Suspense, useEffect } from 'react';
import { Navigate, Outlet, Route, Routes, useLocation, useParams } from 'react-router';
import { termsQuery, visitQuery } from '@/api/queries';
import { ErrorBoundary } from '@/ui/ErrorBoundary';
import { Failure, Loading } from '@/ui/States';
import { lazyPlace } from './lazyPlace';
import { Notices } from './Notices';
import { NotSaved } from './NotSaved';
import { placeOf } from './places';
import { TopBar } from './TopBar';
import { useAdopted } from './useAdopted';
import { useNews } from './useNews';
import { usePlaceFocus } from './usePlaceFocus';
import { useReturn } from './useReturn';
import { watchSignOut } from './signedOut';
import { wording } from '@/wording/app/App';

const catalogue = lazyPlace(async () => (await import('@/catalogue/Catalogue')).Catalogue);
const lineUp = lazyPlace(async () => (await import('@/lineup/LineUp')).LineUp);
const registration = lazyPlace(async () => (await import('@/registration/Registration')).Registration);
const requirements = lazyPlace(async () => (await import('@/requirements/Requirements')).Requirements);
const workbench = lazyPlace(async () => (await import('@/workbench/Workbench')).Workbench);

/** How long the first place has for itself until the others are fetched too, in milliseconds. */
const preloadAfter = 2_000;

export function App() {
  useEffect(() => {
    // With all places here one can go on when the server is away.
    const later = setTimeout(
      () => [catalogue, lineUp, registration, requirements, workbench].forEach(({ preload }) => preload()),
      preloadAfter,
    );
    const stopWatching = watchSignOut();
    return () => {
      clearTimeout(later);
      stopWatching();
    };
  }, []);
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route path=":term/requirements" element={<requirements.place />} />
        <Route path=":term/catalogue" element={<catalogue.place />} />
        <Route path=":term/workbench" element={<workbench.place />} />
        <Route path=":term/line-up" element={<lineUp.place />} />
        <Route path=":term/registration" element={<registration.place />} />
        {/* What the place was called while a choice was all there was. */}
        <Route path=":term/choice" element={<ToRegistration />} />
        <Route path="*" element={<LatestTerm />} />
      </Route>
    </Routes>
  );
}

/** The bar, and under it whatever place one is at, once the server knows who is here. */
function Shell() {
  const visit = useQuery(visitQuery);
  const hasAdopted = useAdopted();
  const { pathname } = useLocation();
  const place = placeOf(pathname.split('/')[2]);
  useNews(visit.isSuccess);
  useReturn();
  usePlaceFocus();
  return (
    <div className="flex h-dvh min-h-0 flex-col max-md:h-auto max-md:min-h-dvh">
      <TopBar />
      <NotSaved />
      <Notices />
      {visit.isError ? (
        <Failure
          what={wording.hourGridDidNotAnswer}
          problem={visit.error}
          onRetry={() => void visit.refetch()}
        />
      ) : visit.data && hasAdopted ? (
        <ErrorBoundary what={wording.thePlace(place?.name ?? wording.page)} of={pathname}>
          <Suspense fallback={<Loading />}>
            <Outlet />
          </Suspense>
        </ErrorBoundary>
      ) : (
        <Loading />
      )}
    </div>
  );
}

function ToRegistration() {
  const { term = '' } = useParams();
  return <Navigate to={`/${term}/registration`} replace />;
}

function LatestTerm() {
  const terms = useQuery(termsQuery);
  if (terms.isError)
    return (
      <Failure
        what={wording.termsCouldNotBeRead}
        problem={terms.error}
        onRetry={() => void terms.refetch()}
      />
    );
  if (!terms.data) return <Loading />;
  const latest = terms.data.terms[0];
  if (!latest)
    return <Failure what={wording.noCatalogueYet} problem={new Error(wording.noTermBeenImported)} />;
  return <Navigate to={`/${latest.id}/workbench`} replace />;
}
