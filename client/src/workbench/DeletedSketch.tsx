import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, http, type Sketch } from '@/api/client';
import { openSketch } from '@/saving/sketchPort';
import { Button } from '@/ui/Button';
import { wording } from '@/wording/workbench/DeletedSketch';
import { common } from '@/wording/common';

/** Kept beside the sketch, not in the view, which is made anew when another sketch opens. */
type Deleted = { id: string; name: string; problem?: string };

const deletedKey = (term: string) => ['deleted-sketch', term];

/** Remembers the sketch that was deleted last, for as long as the page is open. */
export const noteDeleted = (client: QueryClient, { id, name, term }: Sketch) =>
  client.setQueryData<Deleted>(deletedKey(term), { id, name });

/** Says that a sketch was deleted, and gives it back. */
export function DeletedSketch({ term }: { term: string }) {
  const client = useQueryClient();
  const { data } = useQuery<Deleted | null>({
    queryKey: deletedKey(term),
    queryFn: () => null,
    staleTime: Infinity,
  });
  if (!data) return null;
  const forget = () => client.setQueryData(deletedKey(term), null);
  const tell = (error: unknown) => {
    const problem = error instanceof Error ? error.message : wording.couldNotBeRestored;
    client.setQueryData<Deleted | null>(deletedKey(term), (now) =>
      now?.id === data.id ? { ...now, problem } : now,
    );
  };
  const back = async () => {
    const sketch = await call(http.POST('/api/sketches/{id}/choose', { params: { path: { id: data.id } } }));
    openSketch(client, sketch);
    forget();
  };
  return (
    <div
      role="status"
      className="mb-2 flex flex-wrap items-center gap-2 rounded-[4px] border border-rule px-2.5 py-1.5 text-12"
    >
      <span className={`min-w-0 break-words ${data.problem === undefined ? 'flex-1' : 'basis-full'}`}>
        {wording.isDeleted(data.name)}
        {data.problem}
      </span>
      <Button onClick={() => void back().catch(tell)}>{common.undo}</Button>
      <Button look="quiet" onClick={forget}>
        {common.dismiss}
      </Button>
    </div>
  );
}
