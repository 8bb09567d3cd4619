import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { facetsQuery, termsQuery } from '@/api/queries';
import { useSketch } from '@/domain/useSketch';
import { Failure, Loading } from '@/ui/States';
import { Finder } from './Finder';
import { wording } from '@/wording/catalogue/Catalogue';

/** The Catalogue of a term: finds courses, against the sketch of the term. */
export function Catalogue() {
  const { term: termId = '' } = useParams();
  const terms = useQuery(termsQuery);
  const term = terms.data?.terms.find((one) => one.id === termId);
  const sketch = useSketch(termId, term !== undefined);
  const facets = useQuery({ ...facetsQuery(termId), enabled: term !== undefined });

  const failed = [terms, sketch, facets].find((query) => query.isError && query.data === undefined);
  if (failed?.error)
    return (
      <Failure
        what={wording.catalogueCouldNotBeOpened}
        problem={failed.error}
        onRetry={() => void failed.refetch()}
      />
    );
  if (terms.data && !term)
    return <Failure what={wording.noSuchTerm} problem={new Error(wording.catalogueNoTerm(termId))} />;
  if (!term || !sketch.data || !facets.data) return <Loading />;
  return <Finder key={sketch.data.id} term={term} sketch={sketch.data} facets={facets.data} />;
}
