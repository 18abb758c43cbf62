import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Patch, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  LONGEST_PERSON_NAME,
  PROOF_LIMITS,
  textLine,
  type NewProofLinkView,
  type ProofComment,
  type ProofLinkView,
} from '@brachytone/job';
import Joi from 'joi';
import { Checked } from '../http/checked.ts';
import { id } from '../jobs/job-bodies.ts';
import { Who, type Visitor } from '../studio/visitor.ts';
import { ProofLinksService } from './proof-links.service.ts';

const days = Joi.valid(...PROOF_LIMITS.days).required();
const makeBody = Joi.object<{ meant: string; days: number }>({
  meant: textLine(LONGEST_PERSON_NAME).required(),
  days,
});
const renewBody = Joi.object<{ days: number }>({ days });
export const commentText = Joi.string().trim().min(1).max(PROOF_LIMITS.comment);
const replyBody = Joi.object<{ text: string }>({ text: commentText.required() });
const doneBody = Joi.object<{ done: boolean }>({ done: Joi.boolean().required() });

@ApiTags('proof links')
@Controller('api')
export class ProofLinksController {
  constructor(@Inject(ProofLinksService) private readonly links: ProofLinksService) {}

  @Get('jobs/:id/proof-links')
  @ApiOperation({ summary: 'Links to proofs of a job, with what was said of them' })
  list(@Param('id', new Checked(id)) job: string): Promise<ProofLinkView[]> {
    return this.links.list(job);
  }

  @Post('jobs/:id/proof-links')
  @ApiOperation({ summary: 'A link to the job’s proof as it is now, for somebody who is not of the studio' })
  make(
    @Who() { name }: Visitor,
    @Param('id', new Checked(id)) job: string,
    @Body(new Checked(makeBody)) body: { meant: string; days: number },
  ): Promise<NewProofLinkView> {
    return this.links.make(job, body.meant, body.days, name || null);
  }

  @Post('proof-links/:id/renew')
  @HttpCode(200)
  @ApiOperation({ summary: 'Have a link show the job as it is now; its answer is taken back' })
  renew(
    @Param('id', new Checked(id)) link: string,
    @Body(new Checked(renewBody)) body: { days: number },
  ): Promise<ProofLinkView> {
    return this.links.renew(link, body.days);
  }

  @Delete('proof-links/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Withdraw a link' })
  withdraw(@Param('id', new Checked(id)) link: string): Promise<void> {
    return this.links.withdraw(link);
  }

  @Post('proof-links/:id/comments')
  @ApiOperation({ summary: 'Answer a client' })
  reply(
    @Who() { name }: Visitor,
    @Param('id', new Checked(id)) link: string,
    @Body(new Checked(replyBody)) { text }: { text: string },
  ): Promise<ProofComment> {
    return this.links.reply(link, name || 'The studio', text);
  }

  @Patch('proof-links/:id/comments/:comment')
  @ApiOperation({ summary: 'Say that a comment is seen to, or not' })
  setDone(
    @Param('id', new Checked(id)) link: string,
    @Param('comment', new Checked(id)) comment: string,
    @Body(new Checked(doneBody)) { done }: { done: boolean },
  ): Promise<ProofComment> {
    return this.links.setDone(link, comment, done);
  }
}
