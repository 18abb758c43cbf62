import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { MeView, SessionView } from '@brachytone/job';
import type { Request, Response } from 'express';
import { Checked } from '../http/checked.ts';
import { Problem } from '../http/problem.ts';
import { plainPersonName } from './auth.ts';
import {
  changePassphraseBody,
  signInBody,
  studioId,
  type ChangePassphraseBody,
  type SignInBody,
} from './bodies.ts';
import { PeopleService } from './people.service.ts';
import { SessionsService } from './sessions.service.ts';
import { Tries } from './tries.ts';
import { setVisitor, Who, type Visitor } from './visitor.ts';

@ApiTags('session')
@Controller('api')
export class SessionController {
  private readonly tries = new Tries();

  constructor(
    @Inject(SessionsService) private readonly sessions: SessionsService,
    @Inject(PeopleService) private readonly people: PeopleService,
  ) {}

  @Get('me')
  @ApiOperation({ summary: 'Who asks, and what is to be sent along with changes' })
  async me(@Who() visitor: Visitor, @Req() request: Request): Promise<MeView> {
    return {
      shared: this.sessions.isShared,
      person: visitor.person === null ? null : await this.people.get(visitor.person),
      token: this.sessions.tokenOf(request),
    };
  }

  @Put('me/passphrase')
  @HttpCode(204)
  @ApiOperation({ summary: 'Choose another passphrase; all other sessions end' })
  async passphrase(
    @Who() visitor: Visitor,
    @Req() request: Request,
    @Body(new Checked(changePassphraseBody)) body: ChangePassphraseBody,
  ): Promise<void> {
    await this.tries.begin(request, visitor.person ?? undefined);
    await this.people.changePassphrase(visitor, body.old, body.passphrase);
    await this.tries.succeeded(request, visitor.person ?? undefined);
  }

  @Post('session')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign in; the session comes as a cookie' })
  async signIn(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
    @Body(new Checked(signInBody)) { name, passphrase }: SignInBody,
  ): Promise<void> {
    const plain = plainPersonName(name);
    await this.tries.begin(request, plain);
    const cookies = await this.sessions.signIn(request, name, passphrase);
    if (!cookies)
      throw new Problem(
        401,
        'Not signed in',
        'Name and passphrase do not go together. The owner can send a link for another passphrase.',
      );
    await this.tries.succeeded(request, plain);
    response.setHeader('Set-Cookie', cookies);
    setVisitor(request, await this.people.visitorNamed(plain));
  }

  @Delete('session')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign out' })
  async signOut(
    @Who() visitor: Visitor,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    response.setHeader('Set-Cookie', await this.sessions.signOut(request, visitor));
  }

  @Get('sessions')
  @ApiOperation({ summary: 'Where one is signed in; for an owner, everybody’s' })
  list(@Who() visitor: Visitor): Promise<SessionView[]> {
    return this.sessions.list(visitor);
  }

  @Delete('sessions/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'End a session' })
  end(@Who() visitor: Visitor, @Param('id', new Checked(studioId)) session: string): Promise<void> {
    return this.sessions.end(session, visitor);
  }
}
