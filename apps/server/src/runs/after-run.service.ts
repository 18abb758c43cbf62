import { Injectable, Logger } from '@nestjs/common';
import { logWords } from '../http/log-words.ts';

/** What is done after each run that ends with films. */
@Injectable()
export class AfterRunService {
  private readonly log = new Logger('Runs');
  private work: () => Promise<void> = () => Promise.resolve();

  set(work: () => Promise<void>): void {
    this.work = work;
  }

  /** Films that are made stay, whatever goes wrong with older ones. */
  async run(): Promise<void> {
    await this.work().catch((error: unknown) => this.log.error(logWords(error)));
  }
}
