import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { Sketch, Term } from '@/api/client';
import { termsQuery } from '@/api/queries';
import { useSketch, useSketches } from './useSketch';
import { wording } from '@/wording/domain/useTermVisit';

/** The term in the address, the sketch that is open and all others; or why they cannot be had. */
export function useTermVisit() {
  const { term: termId = '' } = useParams();
  const terms = useQuery(termsQuery);
  const term = terms.data?.terms.find((one) => one.id === termId);
  const sketch = useSketch(termId, term !== undefined);
  const list = useSketches(termId, term !== undefined);
  const failed = [terms, sketch, list].find((query) => query.isError && query.data === undefined);
  const problem: Error | null =
    failed?.error ?? (terms.data && !term ? new Error(wording.catalogueNoTerm(termId)) : null);
  const current = sketch.data;
  return {
    problem,
    retry: () => void failed?.refetch(),
    visit:
      term && current && list.data
        ? { term, sketch: current, sketches: withCurrent(list.data.sketches, current) }
        : null,
  };
}

export type TermVisit = { term: Term; sketch: Sketch; sketches: readonly Sketch[] };

/** The list may be older than the sketch that is open, which may even have been made after it. */
export function withCurrent(sketches: readonly Sketch[], current: Sketch): readonly Sketch[] {
  if (!sketches.some((one) => one.id === current.id)) return [...sketches, current];
  return sketches.map((one) => (one.id === current.id ? current : one));
}
