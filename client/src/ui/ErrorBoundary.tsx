import { Component, type ReactNode } from 'react';
import { Button } from './Button';
import { Message } from './Message';
import { wording } from '@/wording/ui/ErrorBoundary';

type Props = {
  /** What did not work, as one says it: "The Line-up". */
  what: string;
  /** Whatever this changes with is tried anew when it changes. */
  of?: string;
  children: ReactNode;
};

type State = { problem: Error | null; of: string | undefined };

/** Holds what breaks in one part of the page, so that the rest goes on. */
export class ErrorBoundary extends Component<Props, State> {
  override state: State = { problem: null, of: this.props.of };

  static getDerivedStateFromError(problem: unknown): Partial<State> {
    return { problem: problem instanceof Error ? problem : new Error(String(problem)) };
  }

  static getDerivedStateFromProps({ of }: Props, state: State): Partial<State> | null {
    return of === state.of ? null : { problem: null, of };
  }

  override render(): ReactNode {
    const { problem } = this.state;
    if (!problem) return this.props.children;
    return (
      <main className="flex flex-1">
        <div role="alert" className="m-auto">
          <Message title={wording.whatBroke(this.props.what)} heading="h1">
            <p className="break-words">{wording.mistakeOfOurs(problem.message)}</p>
            <div className="flex flex-wrap justify-center gap-2">
              <Button look="main" onClick={() => this.setState({ problem: null })}>
                {wording.goOn}
              </Button>
              <Button onClick={() => location.reload()}>{wording.loadPageAgain}</Button>
            </div>
          </Message>
        </div>
      </main>
    );
  }
}
