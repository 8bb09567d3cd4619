import { type PointerEvent, type RefObject, useEffect, useRef } from 'react';

/** How long a finger rests before it takes hold; sooner it may still be about to scroll. */
const restMs = 350;

const slack = 8;

type Finger = {
  pointer: number;
  x: number;
  y: number;
  timer: ReturnType<typeof setTimeout>;
  forget: () => void;
};

/**
 * A finger that rests takes hold of what is under it; one that moves sooner scrolls. Once it has taken hold, it no
 * longer scrolls and opens no menu.
 */
export function useRestingFinger(area: RefObject<HTMLElement | null>, holds: () => boolean) {
  const finger = useRef<Finger | null>(null);
  const holdsNow = useRef(holds);
  useEffect(() => {
    holdsNow.current = holds;
  });
  const stay = useRef((event: Event) => {
    if (holdsNow.current() && event.cancelable) event.preventDefault();
  });

  const lift = () => {
    if (finger.current) clearTimeout(finger.current.timer);
  };

  useEffect(() => {
    const stops = stayWithin(area.current!, stay.current);
    return () => {
      stops();
      if (finger.current) clearTimeout(finger.current.timer);
      finger.current?.forget();
    };
  }, [area]);

  return {
    put: (event: PointerEvent, hold: () => void) => {
      lift();
      finger.current?.forget();
      finger.current = {
        pointer: event.pointerId,
        x: event.clientX,
        y: event.clientY,
        timer: setTimeout(hold, restMs),
        // What the finger touches first hears of all its moves, also once it is gone from the page, as a class is that
        // the hours being drawn leave no room for.
        forget: stayWithin(event.target as Element, stay.current),
      };
    },
    move: (event: PointerEvent) => {
      const put = finger.current;
      if (
        put?.pointer === event.pointerId &&
        Math.hypot(event.clientX - put.x, event.clientY - put.y) > slack
      )
        lift();
    },
    lift,
  };
}

/** React listens passively to touches, and so could not keep the page from scrolling. */
function stayWithin(element: Element, stay: (event: Event) => void): () => void {
  element.addEventListener('touchmove', stay, { passive: false });
  element.addEventListener('contextmenu', stay);
  return () => {
    element.removeEventListener('touchmove', stay);
    element.removeEventListener('contextmenu', stay);
  };
}
