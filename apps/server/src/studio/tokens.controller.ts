import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { NewTokenView, TokenView } from '@brachytone/job';
import { Checked } from '../http/checked.ts';
import { studioId, tokenBody, type TokenBody } from './bodies.ts';
import { TokensService } from './tokens.service.ts';
import { Who, type Visitor } from './visitor.ts';

@ApiTags('tokens')
@Controller('api/tokens')
export class TokensController {
  constructor(@Inject(TokensService) private readonly tokens: TokensService) {}

  @Get()
  @ApiOperation({ summary: 'One’s tokens' })
  list(@Who() visitor: Visitor): Promise<TokenView[]> {
    return this.tokens.list(visitor);
  }

  @Post()
  @ApiOperation({ summary: 'A token to ask with in place of a person; it is told once' })
  make(
    @Who() visitor: Visitor,
    @Body(new Checked(tokenBody)) { name, role }: TokenBody,
  ): Promise<NewTokenView> {
    return this.tokens.make(visitor, name, role);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'End a token' })
  end(@Who() visitor: Visitor, @Param('id', new Checked(studioId)) token: string): Promise<void> {
    return this.tokens.end(visitor, token);
  }
}
