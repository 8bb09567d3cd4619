import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Navigate, Outlet, Route, Routes } from 'react-router';
import { termsQuery, visitQuery } from '@/api/queries';
import { Failure, Loading } from '@/ui/States';
import { NotSaved } from './NotSaved';
import { TopBar } from './TopBar';
import { useAdopted } from './useAdopted';
import { useNewerCatalogue } from './useNewerCatalogue';
import { useReturn } from './useReturn';

/** Each place comes when it is first visited. */
const Catalogue = lazy(async () => ({ default: (await import('@/catalogue/Catalogue')).Catalogue }));
const Choice = lazy(async () => ({ default: (await import('@/choice/Choice')).Choice }));
const LineUp = lazy(async () => ({ default: (await import('@/lineup/LineUp')).LineUp }));
const Workbench = lazy(async () => ({ default: (await import('@/workbench/Workbench')).Workbench }));

export function App() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route path=":term/catalogue" element={<Catalogue />} />
        <Route path=":term/workbench" element={<Workbench />} />
        <Route path=":term/line-up" element={<LineUp />} />
        <Route path=":term/choice" element={<Choice />} />
        <Route path="*" element={<LatestTerm />} />
      </Route>
    </Routes>
  );
}

/** The bar, and under it whatever place one is at, once the server knows who is here. */
function Shell() {
  const visit = useQuery(visitQuery);
  const hasAdopted = useAdopted();
  useNewerCatalogue();
  useReturn();
  return (
    <div className="flex h-dvh min-h-0 flex-col max-md:h-auto max-md:min-h-dvh">
      <TopBar />
      <NotSaved />
      {visit.isError ? (
        <Failure
          what="Hour Grid did not answer."
          problem={visit.error}
          onRetry={() => void visit.refetch()}
        />
      ) : visit.data && hasAdopted ? (
        <Suspense fallback={<Loading />}>
          <Outlet />
        </Suspense>
      ) : (
        <Loading />
      )}
    </div>
  );
}

function LatestTerm() {
  const terms = useQuery(termsQuery);
  if (terms.isError)
    return (
      <Failure
        what="The terms could not be read."
        problem={terms.error}
        onRetry={() => void terms.refetch()}
      />
    );
  if (!terms.data) return <Loading />;
  const latest = terms.data.terms[0];
  if (!latest)
    return <Failure what="There is no catalogue yet." problem={new Error('No term has been imported.')} />;
  return <Navigate to={`/${latest.id}/workbench`} replace />;
}
