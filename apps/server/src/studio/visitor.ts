import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Role } from '@brachytone/job';
import type { Request } from 'express';

/** Who asks. */
export interface Visitor {
  /** How it is known: nobody signs in, by a browser's session, by a token, as a program that can read the data folder, or not at all. */
  readonly by: 'alone' | 'session' | 'token' | 'folder' | 'nobody';
  /** What it may do; undefined for nobody. */
  readonly role: Role | undefined;
  /** Id of the person, where one is known. */
  readonly person: string | null;
  readonly name: string;
  /** Id of its session. */
  readonly session: string | null;
}

/** Whoever uses a server that is one person's own. */
export const ALONE: Visitor = { by: 'alone', role: 'owner', person: null, name: '', session: null };
export const NOBODY: Visitor = { by: 'nobody', role: undefined, person: null, name: '', session: null };

const visitors = new WeakMap<Request, Visitor>();

export const setVisitor = (request: Request, visitor: Visitor): void => void visitors.set(request, visitor);
export const visitorOf = (request: Request): Visitor => visitors.get(request) ?? NOBODY;

/** Gives a handler whoever asks. */
export const Who = createParamDecorator((_: unknown, context: ExecutionContext): Visitor =>
  visitorOf(context.switchToHttp().getRequest<Request>()),
);
