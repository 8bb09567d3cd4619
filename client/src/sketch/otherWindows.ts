import { useEffect, useRef } from 'react';

const channelName = 'hour-grid.sketches';

/** Says to the other windows of this browser that a sketch of the term has changed. */
export function tellOtherWindows(term: string): void {
  const channel = new BroadcastChannel(channelName);
  channel.postMessage(term);
  channel.close();
}

/** Calls back when another window has changed a sketch of the term, and when one comes back to this window. */
export function useOtherWindows(term: string, onChange: () => void): void {
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  useEffect(() => {
    const channel = new BroadcastChannel(channelName);
    channel.onmessage = (message: MessageEvent<unknown>) => {
      if (message.data === term) latest.current();
    };
    const back = () => {
      if (document.visibilityState === 'visible') latest.current();
    };
    document.addEventListener('visibilitychange', back);
    return () => {
      channel.close();
      document.removeEventListener('visibilitychange', back);
    };
  }, [term]);
}
