import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '@/api/client';
import { type Base, type Port, Saver } from './saver';
import { unsavedOf } from './unsavedStore';

vi.mock('./windows', () => ({ thisWindow: 'this', tell: () => undefined, listen: () => () => undefined }));

type Content = { names: string[]; days: number };

const away = () => new ApiError(0, 'Hour Grid cannot be reached.');

/** A server that holds one document, and can be away, ahead, or of another opinion. */
class FakeServer {
  base: Base<Content> = { version: 1, content: { names: [], days: 5 } };
  /** What the next requests meet, the first first; then all goes well. */
  next: (() => Error)[] = [];
  saves: Content[] = [];
  rescued: Content[] = [];
  private stale: Base<Content> | null = null;

  readonly port: Port<Content> = {
    document: { kind: 'sketch', id: 's', term: 't' },
    title: () => 'it',
    base: () => this.known,
    load: () => Promise.resolve(this.base),
    save: (base, content) => this.answer(base, content),
    step: (base, kind) => this.answer(base, { ...this.base.content, days: kind === 'undo' ? 1 : 2 }),
    newerIn: (problem) => (problem.status === 409 ? this.stale : null),
    rescue: (content) => {
      this.rescued.push(content);
      return Promise.resolve('It is elsewhere.');
    },
    mend: (content) => content,
  };

  /** What the view knows of it. */
  known: Base<Content> | null = this.base;

  private answer(base: Base<Content>, content: Content): Promise<{ base: Base<Content>; note: null }> {
    const problem = this.next.shift();
    if (problem) return Promise.reject(problem());
    if (base.version !== this.base.version) {
      this.stale = this.base;
      return Promise.reject(new ApiError(409, 'It was changed elsewhere.'));
    }
    this.saves.push(content);
    this.base = { version: this.base.version + 1, content };
    return Promise.resolve({ base: this.base, note: null });
  }
}

let server: FakeServer;
let saver: Saver<Content>;

const change = (make: (content: Content) => Content) => {
  const before = saver.shown(saver.known() ?? server.base.content);
  return saver.change(before, make(before));
};
const add = async (name: string) => {
  const isSaved = await change((now) => ({ ...now, names: [...now.names, name] }));
  await settle();
  return isSaved;
};
/** What follows at once is done too. */
const settle = () => vi.advanceTimersByTimeAsync(0);
const shown = () => saver.shown(server.base.content);

beforeEach(() => {
  vi.useFakeTimers();
  const kept = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    setItem: (name: string, value: string) => {
      kept.set(name, value);
      Object.assign(localStorage, { [name]: value });
    },
    getItem: (name: string) => kept.get(name) ?? null,
    removeItem: (name: string) => {
      kept.delete(name);
      Reflect.deleteProperty(localStorage, name);
    },
  });
  server = new FakeServer();
  saver = new Saver(new QueryClient(), server.port);
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a saver', () => {
  it('saves changes one after the other, each a step of its own', async () => {
    const saved = [add('a'), add('b')];
    expect(shown().names).toEqual(['a', 'b']);
    expect(await Promise.all(saved)).toEqual([true, true]);
    expect(server.saves.map((one) => one.names)).toEqual([['a'], ['a', 'b']]);
    expect(saver.getState()).toMatchObject({ changes: [], isSaving: false, failure: null });
  });

  it('makes a change on what came from elsewhere meanwhile', async () => {
    server.base = { version: 2, content: { names: ['theirs'], days: 4 } };
    await add('mine');
    expect(server.base.content).toEqual({ names: ['mine', 'theirs'], days: 4 });
  });

  it('keeps what cannot be sent, here and in the store, and sends it again by itself', async () => {
    server.next = [away, away];
    expect(await add('a')).toBe(false);
    expect(saver.getState().failure).toContain('cannot be reached');
    expect(shown().names).toEqual(['a']);
    expect(unsavedOf('this')).toMatchObject([{ version: 1, before: { names: [] }, after: { names: ['a'] } }]);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(server.saves).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(2_000);
    expect(server.saves.map((one) => one.names)).toEqual([['a']]);
    expect(saver.getState()).toMatchObject({ changes: [], failure: null });
    expect(unsavedOf('this')).toEqual([]);
  });

  it('is not told twice of what was saved though the word of it was lost', async () => {
    server.next = [
      () => {
        server.base = { version: 2, content: { names: ['a'], days: 5 } };
        return away();
      },
    ];
    await add('a');
    await vi.advanceTimersByTimeAsync(1_000);
    expect(server.base).toEqual({ version: 2, content: { names: ['a'], days: 5 } });
    expect(server.saves).toHaveLength(0);
    expect(saver.getState().changes).toEqual([]);
  });

  it('takes back what is refused, says why, and goes on with the rest', async () => {
    server.next = [() => new ApiError(422, 'No such course.')];
    const refused = add('zebra');
    const next = change((now) => ({ ...now, days: 3 }));
    expect([await refused, await next]).toEqual([false, true]);
    await settle();
    expect(server.base.content).toEqual({ names: [], days: 3 });
  });

  it('takes back and makes again what was not sent, without a server', async () => {
    server.next = [away];
    await add('a');
    saver.undo();
    expect(shown().names).toEqual([]);
    expect(saver.getState()).toMatchObject({ failure: null, canRedoUnsaved: true });
    saver.redo();
    await settle();
    expect(server.saves.map((one) => one.names)).toEqual([['a']]);
  });

  it('sends what waits in its order at once when it is asked to, without what was taken back meanwhile', async () => {
    server.next = [away, away, away];
    for (const name of ['a', 'b', 'c']) {
      void add(name);
      await settle();
    }
    saver.undo();
    expect(shown().names).toEqual(['a', 'b']);
    expect(unsavedOf('this')).toMatchObject([{ before: { names: [] }, after: { names: ['a', 'b'] } }]);
    saver.retry();
    await settle();
    expect(server.saves.map((one) => one.names)).toEqual([['a'], ['a', 'b']]);
    expect(saver.getState()).toMatchObject({ changes: [], isSaving: false, canRedoUnsaved: true });
  });

  it('asks the server to take back what it has', async () => {
    await add('a');
    saver.undo();
    await settle();
    expect(server.base.content.days).toBe(1);
    server.next = [away];
    saver.redo();
    await settle();
    expect(saver.getState().note).toContain('That was not done.');
  });

  it('keeps a change elsewhere when what it changes is gone', async () => {
    server.next = [() => new ApiError(404, 'You have no such sketch.')];
    await add('a');
    expect(server.rescued.map((one) => one.names)).toEqual([['a']]);
    expect(saver.getState()).toMatchObject({ changes: [], note: 'It is elsewhere.' });
  });

  it('takes over what another window has left, though it is not in view here', async () => {
    server.known = null;
    const before = { names: [], days: 5 };
    saver.adopt({ document: server.port.document, version: 1, before, after: { names: ['left'], days: 5 } });
    await settle();
    expect(server.base.content.names).toEqual(['left']);
  });
});
