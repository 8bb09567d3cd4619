import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { call, http } from '@/api/client';
import { openSketch } from '@/saving/sketchPort';

/** Opens a timetable on the Workbench, in the sketch it comes from. */
export function useOpenIn(term: string) {
  const client = useQueryClient();
  const navigate = useNavigate();
  return async (sketch: string, numbers: readonly string[]) => {
    const chosen = await call(http.POST('/api/sketches/{id}/choose', { params: { path: { id: sketch } } }));
    openSketch(client, chosen);
    await navigate(`/${term}/workbench`, { state: { show: [...numbers] } });
  };
}
