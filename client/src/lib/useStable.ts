import { useEffect, useRef, useState } from 'react';

/**
 * Functions that stay the same from drawing to drawing and do what the latest ones do, so that what is handed them need
 * not be drawn again. For event handlers alone: they must not be called while drawing.
 */
export function useStable<T extends Record<string, (...values: never[]) => unknown>>(functions: T): T {
  const latest = useRef(functions);
  useEffect(() => {
    latest.current = functions;
  });
  const [stable] = useState(
    // The functions made here read the latest ones when they are called, which is never while drawing.
    // eslint-disable-next-line react-hooks/refs
    () =>
      Object.fromEntries(
        Object.keys(functions).map((name) => [
          name,
          (...values: never[]) => latest.current[name]!(...values),
        ]),
      ) as T,
  );
  return stable;
}
