/** What the server tells open pages as it happens. */
export type News =
  | { kind: 'seats'; term: string; courses: { course: string; hasTurned: boolean }[] }
  /** There is a newer catalogue. */
  | { kind: 'catalogue' }
  /** Seats are told as they change from now on, or not any more. */
  | { kind: 'live' }
  /** Something of the record of who is signed in changed. */
  | { kind: 'record' }
  /** Something that who is signed in sent, holds or waits for is other than before; with the key of what was sent. */
  | { kind: 'registration'; term: string; sent?: string }
  /** This page was away for too long: anything may have changed. */
  | { kind: 'missed' };

const kinds = ['seats', 'catalogue', 'live', 'record', 'registration', 'missed'] as const;

/** One window of a browser listens for all, as browsers keep only a few connections to a server. */
const name = 'hour-grid.news';

/** How long to wait until a connection is tried again that the server has refused, in milliseconds. */
const pauseMs = 5_000;

/** Hears the news until what it returns is called. */
export function listenToNews(hear: (news: News) => void): () => void {
  const ended = new AbortController();
  let last: string | null = null;
  const windows = new BroadcastChannel(name);
  windows.onmessage = ({ data }: MessageEvent<{ id: string; news: News | null }>) => {
    last = data.id;
    if (data.news) hear(data.news);
  };
  const listen = (tell: (id: string, news: News | null) => void) =>
    new Promise<void>((resolve) => {
      let source: EventSource | null = null;
      const connect = () => {
        if (ended.signal.aborted) return;
        source = new EventSource(`/api/news${last === null ? '' : `?after=${last}`}`);
        const take = (event: MessageEvent<string>, news: News | null) => {
          last = event.lastEventId;
          if (news) hear(news);
          tell(last, news);
        };
        source.addEventListener('nothing', (event: MessageEvent<string>) => take(event, null));
        for (const kind of kinds)
          source.addEventListener(kind, (event: MessageEvent<string>) =>
            take(event, { kind, ...(JSON.parse(event.data) as object) } as News),
          );
        source.onerror = () => {
          // It tries again by itself, but for a connection that was refused.
          if (source?.readyState === EventSource.CLOSED) setTimeout(connect, pauseMs);
        };
      };
      ended.signal.addEventListener('abort', () => {
        source?.close();
        resolve();
      });
      connect();
    });
  // Not there on pages that came over plain HTTP, whatever its type says.
  const locks = navigator.locks as LockManager | undefined;
  if (locks)
    void locks
      .request(name, { signal: ended.signal }, () => listen((id, news) => windows.postMessage({ id, news })))
      .catch(() => undefined);
  else void listen(() => undefined);
  return () => {
    ended.abort();
    windows.close();
  };
}
