import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { listenToNews, type News } from '@/api/news';
import { isOfCatalogue, restsOn, tellsSeats } from '@/api/queries';
import { isOfRecord } from '@/api/recordQueries';
import { isSentHere } from '@/domain/unsentPress';

/** Asks again for whatever the news make out of date, and for nothing else. */
export function useNews(isKnown: boolean): void {
  const client = useQueryClient();
  useEffect(() => (isKnown ? listenToNews((news) => take(client, news)) : undefined), [client, isKnown]);
}

function take(client: QueryClient, news: News): void {
  switch (news.kind) {
    case 'seats':
      takeSeats(client, news);
      return;
    case 'live':
      void client.invalidateQueries({ queryKey: ['course'] });
      return;
    case 'record':
      void client.invalidateQueries({ predicate: ({ queryKey }) => isOfRecord(queryKey) });
      return;
    case 'registration':
      if (news.sent && isSentHere(news.sent)) return;
      void client.invalidateQueries({ queryKey: ['registration', news.term] });
      void client.invalidateQueries({ queryKey: ['readiness', news.term] });
      void client.invalidateQueries({ queryKey: ['change-to', news.term] });
      return;
    case 'catalogue':
    case 'missed':
      // And what became of the sketches' sections.
      void client.invalidateQueries({
        predicate: ({ queryKey }) =>
          isOfCatalogue(queryKey) ||
          ['terms', 'sketch', 'sketches', 'record', 'registration', 'readiness', 'change-to'].includes(
            String(queryKey[0]),
          ),
      });
  }
}

/**
 * A seat more or less is shown where seats are; whether there is any decides what is possible, and is answered anew where it
 * matters.
 */
function takeSeats(client: QueryClient, { term, courses }: Extract<News, { kind: 'seats' }>): void {
  for (const { course } of courses) void client.invalidateQueries({ queryKey: ['course', term, course] });
  const turned = courses.filter((one) => one.hasTurned).map((one) => one.course);
  const changed = courses.map((one) => one.course);
  void client.invalidateQueries({
    predicate: ({ queryKey }) => restsOn(queryKey, term, tellsSeats(queryKey) ? changed : turned),
  });
}
