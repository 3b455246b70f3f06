/** Error boundary: a part of the page that fails does not take the rest with it. */
import { Component, type ReactNode } from 'react';

interface GuardedProps {
  /** Its content depends on this: when it changes, the part is retried. */
  readonly of: unknown;
  readonly fallback: (error: unknown) => ReactNode;
  readonly children: ReactNode;
}

interface GuardedState {
  readonly failure: { readonly error: unknown; readonly of: unknown } | null;
}

export class Guarded extends Component<GuardedProps, GuardedState> {
  override state: GuardedState = { failure: null };

  static getDerivedStateFromProps({ of }: GuardedProps, { failure }: GuardedState): GuardedState | null {
    return failure && failure.of !== UNSET && failure.of !== of ? { failure: null } : null;
  }

  static getDerivedStateFromError(error: unknown): Partial<GuardedState> {
    return { failure: { error, of: UNSET } };
  }

  override componentDidCatch(error: unknown): void {
    this.setState({ failure: { error, of: this.props.of } });
  }

  override render(): ReactNode {
    const { failure } = this.state;
    return failure ? this.props.fallback(failure.error) : this.props.children;
  }
}

/** Between the throw and the commit the failing key is not known yet. */
const UNSET = Symbol('unset');
