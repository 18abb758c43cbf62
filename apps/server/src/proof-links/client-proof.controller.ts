import { Body, Controller, Get, HttpCode, Inject, Param, Post, Query, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  LONGEST_PERSON_NAME,
  PROOF_HEADER,
  textLine,
  type ClientProof,
  type ProofAnswer,
  type ProofComment,
  type SheetPlace,
} from '@brachytone/job';
import type { Request, Response } from 'express';
import Joi from 'joi';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Checked } from '../http/checked.ts';
import { Problem } from '../http/problem.ts';
import { Tries } from '../studio/tries.ts';
import { commentText } from './proof-links.controller.ts';
import { untilGone } from '../http/until-gone.ts';
import { ProofLinksService, type OpenedProof } from './proof-links.service.ts';
import { ProofTilesService, type Look } from './proof-tiles.service.ts';

const name = textLine(LONGEST_PERSON_NAME).required().label('name');
const length = Joi.number().min(0).max(100_000).required();

interface CommentBody {
  readonly name: string;
  readonly text: string;
  readonly place: SheetPlace | null;
}
const commentBody = Joi.object<CommentBody>({
  name,
  text: commentText.required(),
  place: Joi.object({ x: length, y: length }).allow(null).required(),
});

const answerBody = Joi.object<Omit<ProofAnswer, 'at'>>({
  says: Joi.valid('approved', 'changes').required(),
  name,
  words: commentText.allow('').default(''),
  recipe: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
});

const place = Joi.number().integer().min(0).max(4000).required();
const level = Joi.number().integer().min(0).max(12).required();
const look = Joi.valid('print', 'before').default('print');
const lookQuery = Joi.object<{ look: Look }>({ look });
const wholeQuery = Joi.object<{ longer: number; look: Look }>({
  longer: Joi.number().integer().min(32).max(2400).required(),
  look,
});

/** Pictures are of one link: nothing between the server and the page keeps them. */
const sendPicture = (response: Response, png: Uint8Array): void =>
  void response.type('image/png').setHeader('Cache-Control', 'private, no-store').send(Buffer.from(png));

/** What a link may ask in a minute: leafing through tiles is quick. */
const A_MINUTE = { points: 900, duration: 60 };
/** What it may say in a minute. */
const SAID_A_MINUTE = { points: 20, duration: 60 };

/** The proof of a link, for whoever has it: the secret comes in a header, so that no address has it. */
@ApiTags('client proof')
@Controller('api/proof')
export class ClientProofController {
  private readonly tries = new Tries();
  private readonly asked = new RateLimiterMemory(A_MINUTE);
  private readonly said = new RateLimiterMemory(SAID_A_MINUTE);

  constructor(
    @Inject(ProofLinksService) private readonly links: ProofLinksService,
    @Inject(ProofTilesService) private readonly tiles: ProofTilesService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The proof of a link' })
  async proof(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<ClientProof> {
    return this.links.client(await this.opened(request, response));
  }

  @Get('whole')
  @ApiOperation({ summary: 'A picture of the whole sheet' })
  async whole(
    @Req() request: Request,
    @Res() response: Response,
    @Query(new Checked(wholeQuery)) { longer, look }: { longer: number; look: Look },
  ): Promise<void> {
    const { document } = await this.opened(request, response);
    const png = await this.tiles.whole(document.recipe, longer, look, untilGone(response));
    sendPicture(response, png);
  }

  @Get('tiles/:level/:x/:y')
  @ApiOperation({
    summary: 'A tile of the proof, from the very bits of its films; at level 0 a pixel is a film pixel',
  })
  async tile(
    @Req() request: Request,
    @Res() response: Response,
    @Param('level', new Checked(level)) at: number,
    @Param('x', new Checked(place)) x: number,
    @Param('y', new Checked(place)) y: number,
    @Query(new Checked(lookQuery)) { look }: { look: Look },
  ): Promise<void> {
    const { document } = await this.opened(request, response);
    const png = await this.tiles.tile(document.recipe, { level: at, x, y, look }, untilGone(response));
    sendPicture(response, png);
  }

  @Post('comments')
  @ApiOperation({ summary: 'Say something of the proof' })
  async comment(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
    @Body(new Checked(commentBody)) body: CommentBody,
  ): Promise<ProofComment> {
    return this.links.comment(await this.opened(request, response, this.said), body);
  }

  @Post('answer')
  @HttpCode(200)
  @ApiOperation({ summary: 'Approve the proof, or ask for changes' })
  async answer(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
    @Body(new Checked(answerBody)) body: Omit<ProofAnswer, 'at'>,
  ): Promise<ProofAnswer> {
    return this.links.answer(await this.opened(request, response, this.said), body);
  }

  /** The proof that a request has the secret of; those that have none are counted by their address, the others by their link. */
  private async opened(request: Request, response: Response, limit = this.asked): Promise<OpenedProof> {
    response.setHeader('X-Robots-Tag', 'noindex, nofollow');
    const secret = request.get(PROOF_HEADER) ?? '';
    if (!/^[\w-]{43}$/.test(secret)) throw new Problem(401, 'No link', 'A proof is opened by its link.');
    await this.tries.begin(request);
    const found = await this.links.open(secret);
    await this.tries.succeeded(request);
    try {
      await limit.consume(found.link.id);
    } catch {
      throw new Problem(429, 'Too much at once', 'Too much was asked in a minute. Wait a little.');
    }
    return found;
  }
}
