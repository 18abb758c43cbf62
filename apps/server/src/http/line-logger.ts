import { ConsoleLogger, type LogLevel } from '@nestjs/common';
import { requestId } from './request-ids.ts';

/** A log for programs: a line of JSON for each entry, with the id of the request it belongs to. */
export class LineLogger extends ConsoleLogger {
  constructor(logLevels: LogLevel[]) {
    super({ json: true, colors: false, compact: true, logLevels });
  }

  protected override getJsonLogObject(
    ...given: Parameters<ConsoleLogger['getJsonLogObject']>
  ): ReturnType<ConsoleLogger['getJsonLogObject']> & { request?: string } {
    const request = requestId();
    return { ...super.getJsonLogObject(...given), ...(request === undefined ? {} : { request }) };
  }
}
