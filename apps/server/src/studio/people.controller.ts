import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  Patch,
  Post,
  Req,
  Res,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { InvitationView, LinkOffer, NewLinkView, PersonView, Role } from '@brachytone/job';
import type { Request, Response } from 'express';
import { Checked } from '../http/checked.ts';
import { plainPersonName } from './auth.ts';
import {
  inviteBody,
  offerBody,
  roleBody,
  studioId,
  welcomeBody,
  type InviteBody,
  type WelcomeBody,
} from './bodies.ts';
import { LinksService } from './links.service.ts';
import { PeopleService } from './people.service.ts';
import { SessionsService } from './sessions.service.ts';
import { Tries } from './tries.ts';
import { setVisitor, Who, type Visitor } from './visitor.ts';

@ApiTags('people')
@Controller('api')
export class PeopleController {
  private readonly tries = new Tries();

  constructor(
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(LinksService) private readonly links: LinksService,
    @Inject(SessionsService) private readonly sessions: SessionsService,
  ) {}

  @Get('people')
  @ApiOperation({ summary: 'The people of the studio' })
  list(): Promise<PersonView[]> {
    return this.people.list();
  }

  @Patch('people/:id')
  @ApiOperation({ summary: 'Give somebody another role' })
  setRole(
    @Param('id', new Checked(studioId)) person: string,
    @Body(new Checked(roleBody)) { role }: { role: Role },
  ): Promise<PersonView> {
    return this.people.setRole(person, role);
  }

  @Delete('people/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take somebody out of the studio' })
  remove(@Param('id', new Checked(studioId)) person: string): Promise<void> {
    return this.people.remove(person);
  }

  @Post('people/:id/passphrase-link')
  @ApiOperation({ summary: 'A link by which somebody chooses another passphrase, once' })
  passphraseLink(
    @Who() { person: madeBy }: Visitor,
    @Param('id', new Checked(studioId)) person: string,
  ): Promise<NewLinkView> {
    return this.people.passphraseLink(person, madeBy);
  }

  @Get('invitations')
  @ApiOperation({ summary: 'Links that still work' })
  invitations(): Promise<InvitationView[]> {
    return this.links.list();
  }

  @Post('invitations')
  @ApiOperation({ summary: 'A link by which somebody joins, once' })
  invite(
    @Who() { person: madeBy }: Visitor,
    @Body(new Checked(inviteBody)) body: InviteBody,
  ): Promise<NewLinkView> {
    // Where nobody signs in nobody is invited.
    void this.sessions.auth;
    return this.links.make({ kind: 'invitation', ...body, madeBy });
  }

  @Delete('invitations/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Withdraw a link' })
  withdraw(@Param('id', new Checked(studioId)) invitation: string): Promise<void> {
    return this.links.withdraw(invitation);
  }

  @Post('welcome/offer')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a link offers' })
  async offer(
    @Req() request: Request,
    @Body(new Checked(offerBody)) { secret }: { secret: string },
  ): Promise<LinkOffer> {
    await this.tries.begin(request);
    const offer = await this.links.offer(secret);
    await this.tries.succeeded(request);
    return offer;
  }

  @Post('welcome')
  @HttpCode(204)
  @ApiOperation({ summary: 'Join by a link, or choose another passphrase; the session comes as a cookie' })
  async welcome(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
    @Body(new Checked(welcomeBody)) body: WelcomeBody,
  ): Promise<void> {
    await this.tries.begin(request);
    const name = await this.people.comeIn(body.secret, body.name, body.passphrase);
    await this.tries.succeeded(request);
    const cookies = await this.sessions.signIn(request, name, body.passphrase);
    if (cookies) response.setHeader('Set-Cookie', cookies);
    setVisitor(request, await this.people.visitorNamed(plainPersonName(name)));
  }
}
