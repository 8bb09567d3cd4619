import type { QueryClient } from '@tanstack/react-query';
import { ApiError } from '@/api/client';
import { isSame } from '@/lib/isSame';
import { merge } from './merge';
import { Pause } from './pause';
import { type DocumentName, forgetUnsaved, keepUnsaved, textOf, type Unsaved } from './unsavedStore';
import { WaitingEdits } from './waitingEdits';
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

type Change<Content> = { kind: 'save'; before: Content; after: Content };
/** `tried` is told whether it was saved at the first try, once that is known. */
type Edit<Content> = (Change<Content> | { kind: StepKind }) & { tried: (isSaved: boolean) => void };

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

const mostTries = 5;

/**
 * Saves the changes of one document, one after the other, each made anew on what the server has by then: where another
 * window changed it meanwhile, both changes stand. What cannot be sent stays, here and in the browser's store, and is
 * sent again until it can; what is refused is taken back and said.
 */
export class Saver<Content> {
  private readonly listeners = new Set<() => void>();
  private readonly edits: WaitingEdits<Edit<Content>>;
  private readonly pause = new Pause();
  private undone: Change<Content>[] = [];
  private last: Base<Content> | null = null;
  private failure: string | null = null;
  private note: string | null = null;
  private state: SaverState<Content> = {
    changes: [],
    isSaving: false,
    failure: null,
    note: null,
    canRedoUnsaved: false,
  };

  constructor(
    client: QueryClient,
    private readonly port: Port<Content>,
  ) {
    this.edits = new WaitingEdits(
      client,
      textOf(port.document),
      (edit) => this.send(edit),
      () => this.publish(),
    );
  }

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

  /** Takes the last change back: one that is not being sent needs no server. */
  undo(): void {
    const all = this.edits.all();
    const last = all.at(-1);
    if (last?.kind === 'save' && (all.length > 1 || this.pause.isOn)) {
      this.takeBack(last);
      this.undone.push(last);
      if (all.length === 1) {
        this.failure = null;
        this.pause.end();
      }
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
    this.pause.reset();
    this.pause.end();
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
    // Another sketch may be opened before this one is saved.
    this.last = this.base();
    this.note = null;
    const saved = new Promise<boolean>((tried) => this.edits.add({ ...made, tried }));
    this.pause.end();
    this.publish();
    return saved;
  }

  private takeBack(edit: Edit<Content>): void {
    this.edits.remove(edit);
    edit.tried(false);
  }

  /** Sends an edit until it is dealt with, or taken back. */
  private async send(edit: Edit<Content>): Promise<void> {
    while (this.edits.has(edit) && !(await this.sendOnce(edit))) {
      const over = this.pause.wait();
      this.publish();
      await over;
      this.publish();
    }
  }

  /** Whether the edit is dealt with: saved, or refused. */
  private async sendOnce(edit: Edit<Content>): Promise<boolean> {
    for (let tries = 1; ; tries++) {
      try {
        const { base, note } = await this.sendTo(this.base() ?? (await this.port.load()), edit);
        this.last = base;
        if (note !== null) this.note = note;
        this.failure = null;
        this.pause.reset();
        edit.tried(true);
        return true;
      } catch (problem) {
        // A mistake of ours keeps the change as a server that is away does.
        if (!(problem instanceof ApiError)) return this.waits(edit, asError(problem));
        const newer = this.port.newerIn(problem);
        if (newer) {
          this.last = newer;
          if (tries < mostTries) continue;
        }
        if (newer || problem.mayPass) return this.waits(edit, problem);
        return problem.status === 404 && edit.kind === 'save'
          ? this.rescue(edit)
          : this.refused(edit, problem);
      }
    }
  }

  /** What the server has, as it was last heard of here or by the view. */
  private base(): Base<Content> | null {
    const known = this.port.base();
    return this.last && (!known || this.last.version > known.version) ? this.last : known;
  }

  private async sendTo(base: Base<Content>, edit: Edit<Content>): Promise<Sent<Content>> {
    if (edit.kind !== 'save') return this.port.step(base, edit.kind);
    const content = this.port.mend(merge(edit.before, edit.after, base.content));
    // It may have been saved before, and only the word of it lost on the way back.
    return isSame(content, base.content) ? { base, note: null } : this.port.save(base, content);
  }

  /** What cannot be sent now: a change stays, a step back or forward is not taken. */
  private waits(edit: Edit<Content>, problem: Error): boolean {
    edit.tried(false);
    if (edit.kind === 'save') {
      this.failure = problem.message;
      return false;
    }
    this.note = wording.notDone(problem.message);
    return true;
  }

  private refused(edit: Edit<Content>, problem: ApiError): true {
    edit.tried(false);
    this.failure = null;
    this.note = wording.changeNotTaken(problem.message);
    return true;
  }

  /** Nothing of it can be saved where it was made: all that waits is kept elsewhere together. */
  private async rescue(edit: Change<Content>): Promise<boolean> {
    const all = this.edits.all();
    const changes = all.flatMap((one) => (one.kind === 'save' ? [one] : []));
    try {
      const note = await this.port.rescue(changes.at(-1)?.after ?? edit.after);
      for (const one of all) this.takeBack(one);
      this.failure = null;
      this.note = note;
      return true;
    } catch (other) {
      this.failure = asError(other).message;
      return false;
    }
  }

  private publish(): void {
    const all = this.edits.all();
    const changes = all.flatMap((one) =>
      one.kind === 'save' ? [{ before: one.before, after: one.after }] : [],
    );
    this.state = {
      changes,
      isSaving: all.length > 0 && !this.pause.isOn,
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

function shownOn<Content>(
  content: Content,
  changes: SaverState<Content>['changes'],
  mend: (content: Content) => Content,
): Content {
  if (changes.length === 0) return content;
  return mend(changes.reduce((now, { before, after }) => merge(before, after, now), content));
}
