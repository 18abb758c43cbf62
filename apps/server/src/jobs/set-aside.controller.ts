import { Controller, Delete, Get, HttpCode, Inject, Param, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { plainName, readAsFarAsKnown, type SetAsideView } from '@brachytone/job';
import { asc, eq } from 'drizzle-orm';
import type { Response } from 'express';
import { DATABASE, type Database } from '../database/database.ts';
import { setAside } from '../database/schema.ts';
import { Checked } from '../http/checked.ts';
import { notFound } from '../http/problem.ts';
import { untilGone } from '../http/until-gone.ts';
import { id, proofQuery } from './job-bodies.ts';
import { ProofsService } from './proofs.service.ts';

/** What this program could not read at its start: kept as it is, to be looked at elsewhere or thrown away. */
@ApiTags('set aside')
@Controller('api/set-aside')
export class SetAsideController {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(ProofsService) private readonly proofs: ProofsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Jobs, pulls and runs whose documents cannot be read, with why' })
  async list(): Promise<SetAsideView[]> {
    const rows = await this.database.queries.select().from(setAside).orderBy(asc(setAside.created));
    return rows.map(({ id, from, row, reason }) => ({
      id,
      from,
      name: nameOf(row),
      reason,
      canBeSeen: readAsFarAsKnown(row.document) !== undefined,
    }));
  }

  @Get(':id/document')
  @ApiOperation({ summary: 'The document as it was found, as a JSON file' })
  async document(
    @Param('id', new Checked(id)) which: string,
    @Res({ passthrough: true }) response: Response,
  ): Promise<unknown> {
    const row = await this.found(which);
    response.attachment(`${plainName(nameOf(row)) || 'job'}.json`);
    return row.document;
  }

  @Get(':id/proof.png')
  @ApiOperation({ summary: 'What a newer version’s job looks like, as far as this version knows' })
  async proof(
    @Param('id', new Checked(id)) which: string,
    @Query(new Checked(proofQuery)) { longer }: { longer: number },
    @Res() response: Response,
  ): Promise<void> {
    const known = readAsFarAsKnown((await this.found(which)).document);
    if (!known) throw notFound('picture of this document');
    const png = await this.proofs.picture(known.recipe, longer, untilGone(response));
    response.type('image/png').setHeader('Cache-Control', 'no-cache').send(Buffer.from(png));
  }

  private async found(which: string): Promise<Readonly<Record<string, unknown>>> {
    const [found] = await this.database.queries.select().from(setAside).where(eq(setAside.id, which));
    if (!found) throw notFound('document that was set aside');
    return found.row;
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Throw it away' })
  async drop(@Param('id', new Checked(id)) which: string): Promise<void> {
    const gone = await this.database.queries.delete(setAside).where(eq(setAside.id, which)).returning();
    if (gone.length === 0) throw notFound('document that was set aside');
  }
}

/** What a damaged document calls itself, as far as it does. */
function nameOf({ name, document }: Readonly<Record<string, unknown>>): string {
  const own =
    typeof document === 'object' && document !== null ? (document as { name?: unknown }).name : undefined;
  return [own, name].find((one) => typeof one === 'string' && one !== '')?.toString() ?? 'without a name';
}
