import type { QueryClient } from '@tanstack/react-query';
import type { Picks, Plan } from '@/api/client';
import { sketchesQuery } from '@/api/queries';
import { knowPicks, picksPort } from './picksPort';
import { knowPlan, planPort } from './planPort';
import { Saver } from './saver';
import { type Draft, knowSketch, sketchPort } from './sketchPort';
import { type DocumentName, forgetUnsavedOf, textOf, unsavedOf, windowsWithUnsaved } from './unsavedStore';
import { isOpen, listen } from './windows';

/** How long a window that closes may take to come back, which a reload does, in milliseconds. */
const comesBackWithin = 3_000;

type AnySaver = Saver<Draft> | Saver<Picks> | Saver<Plan>;

/** Everything this window saves, whatever place it shows. */
export class Saving {
  private readonly savers = new Map<string, AnySaver>();
  private readonly listeners = new Set<() => void>();
  private all: readonly AnySaver[] = [];
  private readonly adopting = new Map<string, Promise<void>>();

  constructor(private readonly client: QueryClient) {
    listen((word) => {
      if (word.kind === 'sketch') knowSketch(client, word.sketch);
      if (word.kind === 'sketches')
        void client.invalidateQueries({ queryKey: sketchesQuery(word.term).queryKey });
      if (word.kind === 'picks') knowPicks(client, word.term, word.state);
      if (word.kind === 'plan') knowPlan(client, word.state);
      if (word.kind === 'closing') setTimeout(() => void this.adoptFrom(word.window), comesBackWithin);
    });
    window.addEventListener('online', this.retry);
  }

  sketch(id: string, term: string): Saver<Draft> {
    return this.of(
      { kind: 'sketch', id, term },
      () => new Saver(this.client, sketchPort(this.client, id, term)),
    ) as Saver<Draft>;
  }

  picks(term: string): Saver<Picks> {
    return this.of(
      { kind: 'picks', term },
      () => new Saver(this.client, picksPort(this.client, term)),
    ) as Saver<Picks>;
  }

  plan(): Saver<Plan> {
    return this.of({ kind: 'plan' }, () => new Saver(this.client, planPort(this.client))) as Saver<Plan>;
  }

  /** Calls back when anything about saving changes. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly getAll = (): readonly AnySaver[] => this.all;

  readonly retry = (): void => {
    for (const saver of this.savers.values()) if (saver.getState().changes.length > 0) saver.retry();
  };

  /** Takes over what windows that are gone could not save. */
  async adoptLeft(): Promise<void> {
    await Promise.all(windowsWithUnsaved().map((window) => this.adoptFrom(window)));
  }

  private adoptFrom(window: string): Promise<void> {
    const adopting =
      this.adopting.get(window) ?? this.adopt(window).finally(() => this.adopting.delete(window));
    this.adopting.set(window, adopting);
    return adopting;
  }

  private async adopt(window: string): Promise<void> {
    if (unsavedOf(window).length === 0 || (await isOpen(window))) return;
    for (const unsaved of unsavedOf(window)) {
      const { document } = unsaved;
      this.saverOf(document).adopt(unsaved);
    }
    forgetUnsavedOf(window);
  }

  private saverOf(document: DocumentName): AnySaver {
    switch (document.kind) {
      case 'sketch':
        return this.sketch(document.id, document.term);
      case 'picks':
        return this.picks(document.term);
      case 'plan':
        return this.plan();
    }
  }

  private of(document: DocumentName, make: () => AnySaver): AnySaver {
    const name = textOf(document);
    const there = this.savers.get(name);
    if (there) return there;
    const saver = make();
    this.savers.set(name, saver);
    saver.subscribe(() => this.changed());
    return saver;
  }

  private changed(): void {
    // A new list, so that who looks at it sees that something changed.
    this.all = [...this.savers.values()];
    for (const listener of this.listeners) listener();
  }
}
