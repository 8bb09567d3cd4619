import { forget, recall, remember, rememberedNames } from '@/lib/browserStore';
import { thisWindow } from './windows';

/** What is saved as a whole: a sketch, what is picked for a term, or what stands in terms ahead. */
export type DocumentName =
  { kind: 'sketch'; id: string; term: string } | { kind: 'picks'; term: string } | { kind: 'plan' };

/** A change that the server has not confirmed: kept in the browser, so that a reload or a crash loses nothing. */
export type Unsaved = {
  document: DocumentName;
  /** The version it changes. */
  version: number;
  before: unknown;
  after: unknown;
};

const beginning = 'unsaved.';

export function textOf(document: DocumentName): string {
  if (document.kind === 'plan') return 'plan';
  return document.kind === 'sketch' ? `sketch ${document.id}` : `picks ${document.term}`;
}

// Each window keeps its own, so that none takes away what another has not saved.
const nameOf = (document: DocumentName, window: string) => `${beginning}${window}.${textOf(document)}`;

export function keepUnsaved(unsaved: Unsaved): void {
  remember(nameOf(unsaved.document, thisWindow), unsaved);
}

export function forgetUnsaved(document: DocumentName): void {
  forget(nameOf(document, thisWindow));
}

/** The windows that have left changes here, this one left out. */
export function windowsWithUnsaved(): string[] {
  const windows = rememberedNames(beginning).map((name) => name.slice(beginning.length).split('.')[0]!);
  return [...new Set(windows)].filter((window) => window !== thisWindow);
}

/** What a window has left. */
export function unsavedOf(window: string): Unsaved[] {
  return rememberedNames(`${beginning}${window}.`).flatMap((name) => recall(name, isUnsaved) ?? []);
}

export function forgetUnsavedOf(window: string): void {
  rememberedNames(`${beginning}${window}.`).forEach(forget);
}

function isUnsaved(value: unknown): value is Unsaved {
  if (typeof value !== 'object' || value === null) return false;
  const { document, version, before, after } = value as Partial<Unsaved>;
  return (
    typeof version === 'number' &&
    typeof before === 'object' &&
    typeof after === 'object' &&
    typeof document === 'object' &&
    (document.kind === 'plan' ||
      (typeof document.term === 'string' && (document.kind === 'picks' || typeof document.id === 'string')))
  );
}
