import { useState } from 'react';

/** How the grid is looked at and drawn on: one week or all, by hand or whole timetables, can't or rather-not hours. */
export function useGridState() {
  const [week, setWeek] = useState<number | null>(null);
  const [byHand, setByHand] = useState(false);
  const [drawing, setDrawing] = useState('cannot');
  return { week, setWeek, byHand, setByHand, drawing, setDrawing };
}

export type GridState = ReturnType<typeof useGridState>;
