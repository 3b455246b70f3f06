/** The three kinds of caller. A request's own is set once, by the network gate, before anything else reads it. */
import type { Request } from 'express';

export type Caller =
  /** A page or command on the machine the desk runs on. */
  | { readonly kind: 'desk' }
  /** A phone or tablet on the network that has been paired. */
  | { readonly kind: 'device'; readonly id: string; readonly name: string }
  /** Anyone else on the network. */
  | { readonly kind: 'stranger' };

const callers = new WeakMap<object, Caller>();

export const setCaller = (request: object, caller: Caller): void => void callers.set(request, caller);

/** The caller of a request; a stranger where the gate has not seen it. */
export const callerOf = (request: Request): Caller => callers.get(request) ?? { kind: 'stranger' };
