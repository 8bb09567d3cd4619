import { useQuery } from '@tanstack/react-query';
import type { NearestWeek } from '@/api/client';
import { nearestWeekQuery } from '@/api/answerQueries';
import type { Walk } from '@/domain/useWalk';

/** Where nothing is possible, the week that comes nearest; null where it is not known, or sections that are kept conflict. */
export function useNearestWeek(walk: Walk, byHand: boolean): NearestWeek | null {
  const isWanted = walk.isNone && !walk.isBehind && !byHand && walk.answer?.clashes.length === 0;
  const { data } = useQuery({ ...nearestWeekQuery(walk.ask), enabled: isWanted });
  return isWanted && data && data.sections.length > 0 ? data : null;
}
