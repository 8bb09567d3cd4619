import { call, http, type Sketch } from '@/api/client';
import { download, fileName } from '@/lib/download';
import { wording } from '@/wording/workbench/sketchFiles';

/** Bytes of the largest file that is taken. */
const largest = 1_000_000;

/** What of a sketch can be kept as a file, in the order of the menu. */
export const sketchFiles = [
  { label: wording.saveAsFile, kind: 'file', extension: 'sketch.json' },
  { label: wording.saveWhatAsks, kind: 'ask', extension: 'ask.json' },
  { label: wording.saveAnswer, kind: 'answer', extension: 'answer.json' },
] as const;

/** Keeps a sketch, what it asks or the answer to it as a file. */
export async function saveFile(
  sketch: Sketch,
  { kind, extension }: (typeof sketchFiles)[number],
): Promise<void> {
  const file = await call(
    http.GET(`/api/sketches/{id}/${kind}`, { params: { path: { id: sketch.id } }, parseAs: 'blob' }),
  );
  download(file, fileName(sketch.name, extension));
}

/** A new sketch of the term from the file of one, or of an ask; what is wrong with it is said, and nothing is changed. */
export async function readSketch(term: string, file: File): Promise<Sketch> {
  if (file.size > largest) throw new Error(wording.largerThanSketchCanBe(file.name));
  let body: unknown;
  try {
    body = JSON.parse(await file.text());
  } catch {
    throw new Error(wording.notFileOfSketch(file.name));
  }
  const params = { path: { term } };
  // Whatever it is: the server reads it, and says what is wrong with it.
  if (isAsk(body)) {
    const name =
      file.name
        .replace(/(\.ask)?\.json$/i, '')
        .trim()
        .slice(0, 80) || wording.sketchFromFile;
    return call(
      http.POST('/api/terms/{term}/sketches', { params, body: { name, ask: body, shortlist: [] } as never }),
    );
  }
  return call(http.POST('/api/terms/{term}/sketches/file', { params, body: body as never }));
}

function isAsk(body: unknown): boolean {
  return typeof body === 'object' && body !== null && 'format' in body && body.format === 'hour-grid-ask';
}
