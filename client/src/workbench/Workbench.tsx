import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { termsQuery } from '@/api/queries';
import { useSketch } from '@/domain/useSketch';
import { Failure, Loading } from '@/ui/States';
import { OpenSketch } from './OpenSketch';
import { wording } from '@/wording/workbench/Workbench';

/** The Workbench of a term: opens its sketch. */
export function Workbench() {
  const { term: termId = '' } = useParams();
  const terms = useQuery(termsQuery);
  const term = terms.data?.terms.find((one) => one.id === termId);
  const sketch = useSketch(termId, term !== undefined);

  const failed = [terms, sketch].find((query) => query.isError && query.data === undefined);
  if (failed?.error)
    return (
      <Failure
        what={wording.sketchCouldNotBeOpened}
        problem={failed.error}
        onRetry={() => void failed.refetch()}
      />
    );
  if (terms.data && !term)
    return <Failure what={wording.noSuchTerm} problem={new Error(wording.catalogueNoTerm(termId))} />;
  if (!term || !sketch.data) return <Loading />;
  return <OpenSketch key={sketch.data.id} term={term} sketch={sketch.data} />;
}
