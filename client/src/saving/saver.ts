import { ApiError } from '@/api/client';
import { isSame } from '@/lib/isSame';
import { merge } from './merge';
import { type DocumentName, forgetUnsaved, keepUnsaved, type Unsaved } from './unsavedStore';
import { wording } from '@/wording/saving/saver';

/** What the server has of a document: its version, and what is in it. */
export type Base<Content> = { version: number; content: Content };

/** What the server has after a change, and a sentence where that cannot be answered. */
type Sent<Content> = { base: Base<Content>; note: string | null };

export type StepKind = 'undo' | 'redo' | 'read';

/** How a document is saved. */
export type Port<Content> = {
  document: DocumentName;
  /** What it is called where it is spoken of. */
  title: (content: Content) => string;
  /** What the server has, as far as it is known here. */
  base: () => Base<Content> | null;
  /** Asks the server what it has. */
  load: () => Promise<Base<Content>>;
  save: (base: Base<Content>, content: Content) => Promise<Sent<Content>>;
  step: (base: Base<Content>, kind: StepKind) => Promise<Sent<Content>>;
  /** What the server has where it refused a change as too late; null where it refused for another reason. */
  newerIn: (problem: ApiError) => Base<Content> | null;
  /** Keeps a change elsewhere when what it changes is not there any more, and says where. */
  rescue: (content: Content) => Promise<string>;
  /** Mends what does not go together after a change was made on something else. */
  mend: (content: Content) => Content;
};

/** Whether an entry was saved at the first try, once that is known. */
type Settled = { promise: Promise<boolean>; resolve: (isSaved: boolean) => void };

type Change<Content> = { kind: 'save'; before: Content; after: Content };
type Entry<Content> = (Change<Content> | { kind: StepKind }) & { settled: Settled };

/** What a view shows of saving. */
export type SaverState<Content> = {
  /** Changes that the server has not confirmed, the oldest first. */
  changes: readonly { before: Content; after: Content }[];
  isSaving: boolean;
  /** Why what is unsaved could not be sent; it is sent again. */
  failure: string | null;
  /** Why something was not taken, or what else became of it. */
  note: string | null;
  canRedoUnsaved: boolean;
};

const firstWait = 1_000;
const longestWait = 30_000;
const mostTries = 5;

/**
 * Saves the changes of one document, one after the other, each made anew on what the server has by then: where another
 * window changed it meanwhile, both changes stand. What cannot be sent stays, here and in the browser's store, and is
 * sent again until it can; what is refused is taken back and said.
 */
export class Saver<Content> {
  private readonly listeners = new Set<() => void>();
  private entries: Entry<Content>[] = [];
  private undone: Change<Content>[] = [];
  private last: Base<Content> | null = null;
  private isSending = false;
  private failure: string | null = null;
  private note: string | null = null;
  private wait = firstWait;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private state: SaverState<Content> = {
    changes: [],
    isSaving: false,
    failure: null,
    note: null,
    canRedoUnsaved: false,
  };

  constructor(private readonly port: Port<Content>) {}

  get document(): DocumentName {
    return this.port.document;
  }

  title(): string {
    const known = this.base();
    return this.port.title(known ? this.shown(known.content) : this.state.changes.at(-1)!.after);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly getState = (): SaverState<Content> => this.state;

  /** What is in the document as the server has it, as far as it is known here. */
  known(): Content | null {
    return this.base()?.content ?? null;
  }

  /** What is shown where the server has this: with all changes that it has not confirmed. */
  shown(content: Content): Content {
    return shownOn(content, this.state.changes, this.port.mend);
  }

  /** Makes a change. The promise says whether it was saved at the first try. */
  change(before: Content, after: Content): Promise<boolean> {
    this.undone = [];
    return this.enter({ kind: 'save', before, after });
  }

  /** Takes the last change back: one that was not sent needs no server. */
  undo(): void {
    const last = this.entries.at(-1);
    if (last?.kind === 'save' && !(this.isSending && this.entries.length === 1)) {
      this.entries.pop();
      last.settled.resolve(false);
      this.undone.push(last);
      if (this.entries.length === 0) this.failure = null;
      this.publish();
    } else this.step('undo');
  }

  redo(): void {
    const last = this.undone.pop();
    if (last) void this.enter({ kind: 'save', before: last.before, after: last.after });
    else this.step('redo');
  }

  step(kind: StepKind): void {
    this.undone = [];
    void this.enter({ kind });
  }

  /** Sends again at once what could not be sent. */
  readonly retry = (): void => {
    this.wait = firstWait;
    void this.send();
  };

  readonly forgetNote = (): void => {
    this.note = null;
    this.publish();
  };

  /** Takes over what a window that is gone could not save. */
  adopt(unsaved: Unsaved): void {
    const [before, after] = [unsaved.before as Content, unsaved.after as Content];
    if (!this.base()) this.last = { version: unsaved.version, content: before };
    void this.enter({ kind: 'save', before, after });
  }

  private enter(made: Change<Content> | { kind: StepKind }): Promise<boolean> {
    const entry = { ...made, settled: settled() };
    // Another sketch may be opened before this one is saved.
    this.last = this.base();
    this.entries.push(entry);
    this.note = null;
    void this.send();
    return entry.settled.promise;
  }

  private async send(): Promise<void> {
    if (this.isSending) {
      this.publish();
      return;
    }
    clearTimeout(this.timer);
    this.isSending = true;
    this.publish();
    for (let entry = this.entries[0]; entry; entry = this.entries[0]) {
      const isDone = await this.sendOne(entry);
      if (!isDone) break;
      if (this.entries[0] === entry) this.entries.shift();
    }
    this.isSending = false;
    if (this.entries.length > 0) {
      this.timer = setTimeout(() => void this.send(), this.wait);
      this.wait = Math.min(longestWait, this.wait * 2);
    }
    this.publish();
  }

  /** Whether the entry is dealt with: saved, or refused. */
  private async sendOne(entry: Entry<Content>): Promise<boolean> {
    for (let tries = 1; ; tries++) {
      try {
        const { base, note } = await this.sendTo(this.base() ?? (await this.port.load()), entry);
        this.last = base;
        if (note !== null) this.note = note;
        this.failure = null;
        this.wait = firstWait;
        entry.settled.resolve(true);
        return true;
      } catch (problem) {
        // A mistake of ours keeps the change as a server that is away does.
        if (!(problem instanceof ApiError)) return this.waits(entry, asError(problem));
        const newer = this.port.newerIn(problem);
        if (newer) {
          this.last = newer;
          if (tries < mostTries) continue;
        }
        if (newer || problem.mayPass) return this.waits(entry, problem);
        return problem.status === 404 && entry.kind === 'save'
          ? this.rescue(entry)
          : this.refused(entry, problem);
      }
    }
  }

  /** What the server has, as it was last heard of here or by the view. */
  private base(): Base<Content> | null {
    const known = this.port.base();
    return this.last && (!known || this.last.version > known.version) ? this.last : known;
  }

  private async sendTo(base: Base<Content>, entry: Entry<Content>): Promise<Sent<Content>> {
    if (entry.kind !== 'save') return this.port.step(base, entry.kind);
    const content = this.port.mend(merge(entry.before, entry.after, base.content));
    // It may have been saved before, and only the word of it lost on the way back.
    return isSame(content, base.content) ? { base, note: null } : this.port.save(base, content);
  }

  /** What cannot be sent now: a change stays, a step back or forward is not taken. */
  private waits(entry: Entry<Content>, problem: Error): boolean {
    entry.settled.resolve(false);
    if (entry.kind === 'save') {
      this.failure = problem.message;
      return false;
    }
    this.note = wording.notDone(problem.message);
    return true;
  }

  private refused(entry: Entry<Content>, problem: ApiError): true {
    entry.settled.resolve(false);
    this.failure = null;
    this.note = wording.changeNotTaken(problem.message);
    return true;
  }

  /** Nothing of it can be saved where it was made: all that waits is kept elsewhere together. */
  private async rescue(entry: Change<Content>): Promise<boolean> {
    const changes = this.entries.flatMap((one) => (one.kind === 'save' ? [one] : []));
    try {
      const note = await this.port.rescue(changes.at(-1)?.after ?? entry.after);
      for (const one of this.entries) one.settled.resolve(false);
      this.entries = [];
      this.failure = null;
      this.note = note;
      return true;
    } catch (other) {
      this.failure = asError(other).message;
      return false;
    }
  }

  private publish(): void {
    const changes = this.entries.flatMap((one) =>
      one.kind === 'save' ? [{ before: one.before, after: one.after }] : [],
    );
    this.state = {
      changes,
      isSaving: this.isSending,
      failure: changes.length > 0 ? this.failure : null,
      note: this.note,
      canRedoUnsaved: this.undone.length > 0,
    };
    this.keep();
    for (const listener of this.listeners) listener();
  }

  /** What is unsaved as the browser keeps it: all of it as one change. */
  private keep(): void {
    const { changes } = this.state;
    const { document } = this.port;
    if (changes.length === 0) {
      forgetUnsaved(document);
      return;
    }
    const base = this.base();
    const before = base?.content ?? changes[0]!.before;
    keepUnsaved({ document, version: base?.version ?? 0, before, after: this.shown(before) });
  }
}

const asError = (problem: unknown) => (problem instanceof Error ? problem : new Error(String(problem)));

function settled(): Settled {
  let resolve: Settled['resolve'] = () => undefined;
  const promise = new Promise<boolean>((done) => (resolve = done));
  return { promise, resolve };
}

function shownOn<Content>(
  content: Content,
  changes: SaverState<Content>['changes'],
  mend: (content: Content) => Content,
): Content {
  if (changes.length === 0) return content;
  return mend(changes.reduce((now, { before, after }) => merge(before, after, now), content));
}
