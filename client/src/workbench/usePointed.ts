import { useState } from 'react';
import type { GridClass } from '@/grid/classes';
import type { Pressed } from './ClassMenu';

/** What the student points at or has pressed: a class on the grid, or a section in a list. */
export function usePointed() {
  const [pressed, setPressed] = useState<Pressed | null>(null);
  const [pointed, setPointed] = useState<GridClass | null>(null);
  const [pointedSection, setPointedSection] = useState<string | null>(null);
  return { pressed, setPressed, pointed, setPointed, pointedSection, setPointedSection };
}
