import { timingSafeEqual } from 'node:crypto';
import { Inject, Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { mayAll, TOKEN_HEADER } from '@brachytone/job';
import type { Request } from 'express';
import { Problem } from '../http/problem.ts';
import { RULES } from './rules.ts';
import { SessionsService } from './sessions.service.ts';
import { setVisitor } from './visitor.ts';

/** Method and address of a request, as the rules name them. */
export function endpointOf(request: Request): string {
  const { path } = request.route as { path: string };
  return `${request.method === 'HEAD' ? 'GET' : request.method} ${path}`;
}

const same = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** Lets everybody do what their role may. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(@Inject(SessionsService) private readonly sessions: SessionsService) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<Request>();
    const visitor = await this.sessions.visitor(request);
    setVisitor(request, visitor);
    const rule = RULES[endpointOf(request)] as (typeof RULES)[string] | undefined;
    if (!rule) throw new Problem(403, 'Not allowed', 'Nobody may ask for this.');
    if (rule.needs === 'anyone') return true;
    if (visitor.role === undefined)
      throw new Problem(
        401,
        'Not signed in',
        'Sign in first. What you have not saved is kept in this browser.',
      );
    if (!mayAll(visitor.role, rule.needs))
      throw new Problem(
        403,
        'Not allowed',
        `Your role here is ${visitor.role}; this needs ${rule.needs}. Nothing was changed.`,
      );
    // A page elsewhere can have the browser send its cookie, but not read what is to be sent along with it.
    if (visitor.by === 'session' && !['GET', 'HEAD'].includes(request.method)) {
      if (!same(request.get(TOKEN_HEADER) ?? '', this.sessions.tokenOf(request)))
        throw new Problem(
          403,
          'Not from here',
          'This did not come from a page that is signed in. Load the page again.',
        );
    }
    return true;
  }
}
