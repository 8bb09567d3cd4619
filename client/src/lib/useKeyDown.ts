import { useEffect, useEffectEvent } from 'react';

/** Hears every key of the page, unless something took it before or Alt is held. */
export function useKeyDown(onKey: (event: KeyboardEvent) => void, isOn = true): void {
  const hear = useEffectEvent((event: KeyboardEvent) => {
    if (!event.defaultPrevented && !event.altKey) onKey(event);
  });
  useEffect(() => {
    if (!isOn) return;
    const down = (event: KeyboardEvent) => hear(event);
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [isOn]);
}
