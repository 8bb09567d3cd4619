import { call, http, type Sketch } from '@/api/client';
import { download, fileName } from '@/lib/download';

/** Bytes of the largest file that is taken. */
const largest = 1_000_000;

/** Keeps a sketch as a file. */
export async function saveFile(sketch: Sketch): Promise<void> {
  const file = await call(
    http.GET('/api/sketches/{id}/file', { params: { path: { id: sketch.id } }, parseAs: 'blob' }),
  );
  download(file, fileName(sketch.name, 'sketch.json'));
}

/** A new sketch of the term from a file; what is wrong with the file is said, and nothing is changed. */
export async function readSketch(term: string, file: File): Promise<Sketch> {
  if (file.size > largest) throw new Error(`“${file.name}” is larger than a sketch can be.`);
  let body: unknown;
  try {
    body = JSON.parse(await file.text());
  } catch {
    throw new Error(`“${file.name}” is not a file of a sketch: it is not JSON.`);
  }
  return call(
    http.POST('/api/terms/{term}/sketches/file', {
      params: { path: { term } },
      // Whatever it is: the server reads it, and says what is wrong with it.
      body: body as never,
    }),
  );
}
