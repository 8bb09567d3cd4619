import { useQueries } from '@tanstack/react-query';
import type { Sketch } from '@/api/client';
import { answerQuery, shapesQuery } from '@/api/answerQueries';
import { sayKnown, sayLeast } from '@/wording/counts';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { sayFacts } from '@/domain/facts';
import { wording } from '@/wording/workbench/CompareSketches';

type Props = {
  sketches: readonly Sketch[];
  current: string;
  onOpen: (id: string) => void;
  onClose: () => void;
};

/** All sketches of the term side by side: how much each leaves possible, and its best timetable. */
export function CompareSketches({ sketches, current, onOpen, onClose }: Props) {
  const answers = useQueries({
    queries: sketches.map((sketch) => answerQuery(sketch.ask)),
  });
  const bests = useQueries({ queries: sketches.map((sketch) => shapesQuery(sketch.ask, 0)) });
  return (
    <Dialog open onOpenChange={onClose} title={wording.sketchesOfTerm} wide>
      <div className="overflow-x-auto">
        <table className="w-full text-12">
          <thead className="text-left text-mute">
            <tr>
              <th className="py-1 pr-3 font-text">{wording.sketch}</th>
              <th className="py-1 pr-3 text-right font-text">{wording.timetables}</th>
              <th className="py-1 pr-3 text-right font-text">{wording.weekShapes}</th>
              <th className="py-1 pr-3 font-text">{wording.itsBest}</th>
              <th className="py-1">
                <span className="sr-only">{wording.open}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {sketches.map((sketch, i) => {
              const answer = answers[i]?.data?.answer;
              const best = bests[i]?.data?.timetables[0];
              return (
                <tr key={sketch.id} className="border-t border-hair align-top">
                  <th scope="row" className="py-1.5 pr-3 text-left font-heavy">
                    {sketch.name}
                  </th>
                  <td className="py-1.5 pr-3 text-right tabular-nums">
                    {answer ? sayKnown(answer) : (answers[i]?.error?.message ?? '…')}
                  </td>
                  <td className="py-1.5 pr-3 text-right tabular-nums">
                    {answer ? sayLeast(answer.weekShapes, answer.isExact) : ''}
                  </td>
                  <td className="py-1.5 pr-3">
                    {best
                      ? sayFacts(best)
                      : answer?.timetables === '0' && answer.isExact
                        ? wording.nonePossible
                        : ''}
                  </td>
                  <td className="py-1 text-right">
                    {sketch.id === current ? (
                      <span className="text-mute">{wording.isOpen}</span>
                    ) : (
                      <Button onClick={() => onOpen(sketch.id)}>{wording.open}</Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </Dialog>
  );
}
