import type { Mutation, QueryClient } from '@tanstack/react-query';

/**
 * Edits of one document that the server has not confirmed: pending mutations of the query library's cache, of one scope, so that
 * it sends them one after the other.
 */
export class WaitingEdits<Edit> {
  /**
   * @param client The client in whose cache they wait.
   * @param document What they change.
   * @param send Sends one, again and again until it is dealt with; one that was taken back meanwhile it leaves.
   * @param onEnd Called when one is dealt with.
   */
  constructor(
    private readonly client: QueryClient,
    private readonly document: string,
    private readonly send: (edit: Edit) => Promise<void>,
    private readonly onEnd: () => void,
  ) {}

  /** All of them, the oldest first. */
  all(): Edit[] {
    return this.mutations().map((one) => one.state.variables as Edit);
  }

  has(edit: Edit): boolean {
    return this.all().includes(edit);
  }

  add(edit: Edit): void {
    const mutation = this.cache.build<unknown, Error, Edit, unknown>(this.client, {
      mutationKey: this.key,
      scope: { id: this.document },
      networkMode: 'always',
      // What waits is not forgotten, however long it does.
      gcTime: Infinity,
      mutationFn: this.send,
    });
    void mutation.execute(edit).finally(() => {
      this.cache.remove(mutation);
      this.onEnd();
    });
  }

  /** Takes one back. */
  remove(edit: Edit): void {
    const mutation = this.mutations().find((one) => one.state.variables === edit);
    if (mutation) this.cache.remove(mutation);
  }

  private get cache() {
    return this.client.getMutationCache();
  }

  private get key() {
    return ['edit', this.document];
  }

  private mutations(): Mutation[] {
    return this.cache.findAll({ mutationKey: this.key, exact: true, status: 'pending' });
  }
}
