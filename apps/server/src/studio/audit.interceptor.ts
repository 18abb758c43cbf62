import {
  Inject,
  Injectable,
  Logger,
  type CallHandler,
  type ExecutionContext,
  type NestInterceptor,
} from '@nestjs/common';
import type { Request } from 'express';
import { tap, type Observable } from 'rxjs';
import { endpointOf } from './access.guard.ts';
import { AuditService } from './audit.service.ts';
import { RULES } from './rules.ts';
import { SessionsService } from './sessions.service.ts';
import { visitorOf } from './visitor.ts';

/** Lists what was done, once it was done. */
@Injectable()
export class AuditInterceptor implements NestInterceptor {
  private readonly log = new Logger('Audit');

  constructor(
    @Inject(AuditService) private readonly audit: AuditService,
    @Inject(SessionsService) private readonly sessions: SessionsService,
  ) {}

  async intercept(context: ExecutionContext, next: CallHandler): Promise<Observable<unknown>> {
    const request = context.switchToHttp().getRequest<Request>();
    const { did } = RULES[endpointOf(request)];
    if (did === undefined || !this.sessions.isShared) return next.handle();
    const { id } = request.params as { id?: string };
    // Asked before it is done: a job that is deleted has no name afterwards.
    const name = id !== undefined && request.path.startsWith('/api/jobs/') ? await this.audit.nameOf(id) : '';
    return next.handle().pipe(
      tap(() => {
        // Whoever signs in or comes in is known only now.
        const visitor = visitorOf(request);
        const subject = name ? `“${name}” ${request.path}` : request.path;
        if (!this.audit.isNews(visitor.person ?? visitor.name, did, subject)) return;
        this.audit
          .add({ person: visitor.person, name: visitor.name || 'somebody', did, subject })
          .catch((error: Error) => this.log.warn(`Not listed: ${error.message}`));
      }),
    );
  }
}
