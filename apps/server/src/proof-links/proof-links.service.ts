import { randomUUID } from 'node:crypto';
import { filmFrame, labToHex, mmToPixels, type Recipe } from '@brachytone/core';
import {
  PROOF_LIMITS,
  type ClientProof,
  type JobDocument,
  type NewProofLinkView,
  type ProofAnswer,
  type ProofComment,
  type ProofLinkView,
  type SheetPlace,
} from '@brachytone/job';
import { Inject, Injectable } from '@nestjs/common';
import { and, asc, count, desc, eq, inArray } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { pulls } from '../database/schema.ts';
import { proofComments, proofLinks } from '../database/studio-schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { PullsService } from '../jobs/pulls.service.ts';
import { BulletinService } from '../live/bulletin.service.ts';
import { newSecret, sha256 } from '../studio/sessions.service.ts';
import { recipeHash } from './recipe-hash.ts';

type Link = typeof proofLinks.$inferSelect;

const commentOf = ({
  at,
  id,
  name,
  text,
  place,
  fromStudio,
  done,
}: typeof proofComments.$inferSelect): ProofComment => ({
  id,
  name,
  text,
  place,
  fromStudio,
  done,
  at: at.toISOString(),
});

/** A link that works, and what it shows. */
export interface OpenedProof {
  readonly link: Link;
  readonly document: JobDocument;
  readonly shown: Date;
}

const afterDays = (days: number): Date => new Date(Date.now() + days * 86_400_000);

/** The trimmed sheet in film pixels, and where it begins on the film. */
export function trimmed(recipe: Recipe): { left: number; width: number; height: number } {
  const frame = filmFrame(recipe);
  const left = mmToPixels(recipe.sheet.bleed, frame);
  return { left, width: frame.width - 2 * left, height: frame.height - 2 * left };
}

/** Links that show a state of a job, and nothing else, to whoever has them; what is said of it, and whether it is approved. */
@Injectable()
export class ProofLinksService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PullsService) private readonly pulls: PullsService,
    @Inject(BulletinService) private readonly bulletin: BulletinService,
  ) {}

  /** A link to a job as it is now. */
  async make(job: string, meant: string, days: number, madeBy: string | null): Promise<NewProofLinkView> {
    const pull = await this.keep(job, meant);
    const secret = newSecret();
    const [row] = await this.database.queries
      .insert(proofLinks)
      .values({
        id: randomUUID(),
        hash: sha256(secret),
        jobId: job,
        pull,
        meant,
        madeBy,
        expires: afterDays(days),
      })
      .returning();
    const [view] = await this.views([row]);
    // Behind the number sign, where no log of a proxy and no other page sees it.
    return { ...view, path: `/proof#${secret}` };
  }

  /** Links to a job, newest first. */
  async list(job: string): Promise<ProofLinkView[]> {
    const rows = await this.database.queries
      .select()
      .from(proofLinks)
      .where(eq(proofLinks.jobId, job))
      .orderBy(desc(proofLinks.created));
    return this.views(rows);
  }

  /** Has a link show the job as it is now: what was answered was about another state. */
  async renew(id: string, days: number): Promise<ProofLinkView> {
    const link = await this.link(id);
    const pull = await this.keep(link.jobId, link.meant);
    const [row] = await this.database.queries
      .update(proofLinks)
      .set({ pull, answer: null, expires: afterDays(days) })
      .where(eq(proofLinks.id, id))
      .returning();
    const [view] = await this.views([row]);
    return view;
  }

  /** Withdraws a link; what was said of it goes with it. */
  async withdraw(id: string): Promise<void> {
    const { jobId } = await this.link(id);
    await this.database.queries.delete(proofLinks).where(eq(proofLinks.id, id));
    this.tell(jobId);
  }

  /** Answers a client. */
  async reply(id: string, name: string, text: string): Promise<ProofComment> {
    return this.say(await this.link(id), { name, text, place: null, fromStudio: true });
  }

  async setDone(link: string, comment: string, done: boolean): Promise<ProofComment> {
    const { jobId } = await this.link(link);
    const [row] = await this.database.queries
      .update(proofComments)
      .set({ done })
      .where(and(eq(proofComments.id, comment), eq(proofComments.link, link)))
      .returning();
    if (!row) throw notFound('comment of this number');
    this.tell(jobId);
    return commentOf(row);
  }

  /** Approvals of a job's states, newest first. */
  async approvals(job: string): Promise<ProofAnswer[]> {
    const rows = await this.database.queries
      .select({ answer: proofLinks.answer })
      .from(proofLinks)
      .where(eq(proofLinks.jobId, job));
    return rows
      .flatMap(({ answer }) => (answer?.says === 'approved' ? [answer] : []))
      .sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  /** What films of a recipe say of its approval; undefined where nothing of the job was ever approved. */
  async approvalWords(job: string, recipe: Recipe): Promise<string | undefined> {
    const all = await this.approvals(job);
    if (all.length === 0) return undefined;
    const hash = recipeHash(recipe);
    const found = all.find((one) => one.recipe === hash);
    return found
      ? `approved by ${found.name}, ${found.at.slice(0, 16).replace('T', ' ')} UTC`
      : 'NOT the approved proof';
  }

  /** The link of a secret. @throws Problem 410 where it is withdrawn or too old */
  async open(secret: string): Promise<OpenedProof> {
    const [row] = await this.database.queries
      .select({ link: proofLinks, document: pulls.document, shown: pulls.created })
      .from(proofLinks)
      .innerJoin(pulls, eq(pulls.id, proofLinks.pull))
      .where(eq(proofLinks.hash, sha256(secret)));
    if (!row || row.link.expires.getTime() < Date.now())
      throw new Problem(
        410,
        'Not here any more',
        'This proof was withdrawn, or its link is too old. Ask whoever sent it for another.',
      );
    return row;
  }

  async client({ link, document, shown }: OpenedProof): Promise<ClientProof> {
    if (link.opened === null) {
      await this.database.queries
        .update(proofLinks)
        .set({ opened: new Date() })
        .where(eq(proofLinks.id, link.id));
      this.tell(link.jobId);
    }
    const { recipe, name } = document;
    const { width, height } = trimmed(recipe);
    const printed = new Set(recipe.plates.flatMap((plate) => (plate.printed ? [plate.ink] : [])));
    return {
      job: name,
      meant: link.meant,
      sheet: { width: recipe.sheet.width, height: recipe.sheet.height },
      film: { width, height },
      resolution: recipe.sheet.resolution,
      stock: {
        name: recipe.stock.name,
        colour: labToHex(recipe.stock.lab),
        isCloth: recipe.stock.texture === 'cloth',
      },
      inks: recipe.inks.flatMap((ink) =>
        printed.has(ink.id) ? [{ name: ink.name, colour: labToHex(ink.lab) }] : [],
      ),
      recipe: recipeHash(recipe),
      shown: shown.toISOString(),
      expires: link.expires.toISOString(),
      answer: link.answer,
      comments: (await this.comments([link.id])).map(commentOf),
    };
  }

  async comment(
    { link, document }: OpenedProof,
    said: { name: string; text: string; place: SheetPlace | null },
  ): Promise<ProofComment> {
    const { width, height } = document.recipe.sheet;
    if (said.place && (said.place.x > width || said.place.y > height))
      throw new Problem(422, 'Not on the sheet', 'This place is not on the sheet. Nothing was kept.');
    return this.say(link, { ...said, fromStudio: false });
  }

  /** Approves what is shown, or asks for changes. */
  async answer({ link, document }: OpenedProof, answered: Omit<ProofAnswer, 'at'>): Promise<ProofAnswer> {
    const answer: ProofAnswer = { ...answered, at: new Date().toISOString() };
    // The link may show another state by now: that one was not looked at.
    const kept =
      recipeHash(document.recipe) === answered.recipe &&
      (await this.database.queries
        .update(proofLinks)
        .set({ answer })
        .where(and(eq(proofLinks.id, link.id), eq(proofLinks.pull, link.pull)))
        .returning());
    if (!kept || kept.length === 0)
      throw new Problem(
        409,
        'Another state by now',
        'The proof was changed meanwhile. Load the page again, and look at it.',
      );
    this.tell(link.jobId);
    return answer;
  }

  private async say(
    link: Link,
    said: Pick<ProofComment, 'name' | 'text' | 'place' | 'fromStudio'>,
  ): Promise<ProofComment> {
    const [{ there }] = await this.database.queries
      .select({ there: count() })
      .from(proofComments)
      .where(eq(proofComments.link, link.id));
    if (there >= PROOF_LIMITS.comments)
      throw new Problem(
        422,
        'Enough said',
        `A proof takes ${PROOF_LIMITS.comments} comments. Nothing was kept.`,
      );
    const [row] = await this.database.queries
      .insert(proofComments)
      .values({ id: randomUUID(), link: link.id, ...said, at: new Date() })
      .returning();
    this.tell(link.jobId);
    return commentOf(row);
  }

  private tell(job: string): void {
    this.bulletin.tell({ kind: 'proof', job });
  }

  private async keep(job: string, meant: string): Promise<string> {
    const { document } = await this.jobs.get(job);
    const day = new Date().toISOString().slice(0, 10);
    return (await this.pulls.keep(job, `Proof for ${meant}, ${day}`, document)).id;
  }

  private async link(id: string): Promise<Link> {
    const [row] = await this.database.queries.select().from(proofLinks).where(eq(proofLinks.id, id));
    if (!row) throw notFound('proof link of this number');
    return row;
  }

  private comments(links: readonly string[]) {
    return this.database.queries
      .select()
      .from(proofComments)
      .where(inArray(proofComments.link, [...links]))
      .orderBy(asc(proofComments.at), asc(proofComments.id));
  }

  private async views(rows: readonly Link[]): Promise<ProofLinkView[]> {
    if (rows.length === 0) return [];
    const said = await this.comments(rows.map(({ id }) => id));
    const now = recipeHash((await this.jobs.get(rows[0].jobId)).document.recipe);
    const shown = await this.database.queries
      .select({ id: pulls.id, document: pulls.document })
      .from(pulls)
      .where(
        inArray(
          pulls.id,
          rows.map(({ pull }) => pull),
        ),
      );
    return rows.map(({ id, meant, pull, created, expires, opened, answer }) => ({
      id,
      meant,
      pull,
      created: created.toISOString(),
      expires: expires.toISOString(),
      opened: opened?.toISOString() ?? null,
      answer,
      comments: said.filter(({ link }) => link === id).map(commentOf),
      isCurrent: shown.some((one) => one.id === pull && recipeHash(one.document.recipe) === now),
    }));
  }
}
