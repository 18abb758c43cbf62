import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  namedScreenSchema,
  preparationSchema,
  pressSchema,
  shelfInkSchema,
  shelfStockSchema,
  type KeptInk,
  type KeptPreparation,
  type KeptPress,
  type KeptStock,
  type ShelfInk,
  type KeptScreen,
  type NamedScreen,
  type Preparation,
} from '@brachytone/job';
import type { Press, Stock } from '@brachytone/core';
import joiToSwagger from 'joi-to-swagger';
import { Checked } from '../http/checked.ts';
import { id } from '../jobs/job-bodies.ts';
import { ShelfService } from './shelf.service.ts';

@ApiTags('shelf')
@Controller('api/shelf')
export class ShelfController {
  constructor(@Inject(ShelfService) private readonly shelf: ShelfService) {}

  @Get('preparations')
  @ApiOperation({ summary: 'The preparations that were kept, the oldest first' })
  preparations(): Promise<KeptPreparation[]> {
    return this.shelf.all('preparation');
  }

  @Post('preparations')
  @ApiOperation({ summary: 'Keep a list of tone steps under a name' })
  @ApiBody({ schema: joiToSwagger(preparationSchema).swagger })
  keep(@Body(new Checked(preparationSchema)) body: Preparation): Promise<KeptPreparation> {
    return this.shelf.keep('preparation', body);
  }

  @Delete('preparations/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a preparation off the shelf' })
  drop(@Param('id', new Checked(id)) preparation: string): Promise<void> {
    return this.shelf.drop('preparation', preparation);
  }

  @Get('inks')
  @ApiOperation({ summary: 'The inks that were kept, the oldest first' })
  inks(): Promise<KeptInk[]> {
    return this.shelf.all('ink');
  }

  @Post('inks')
  @ApiOperation({ summary: 'Keep an ink' })
  @ApiBody({ schema: joiToSwagger(shelfInkSchema).swagger })
  keepInk(@Body(new Checked(shelfInkSchema)) body: ShelfInk): Promise<KeptInk> {
    return this.shelf.keep('ink', body);
  }

  @Delete('inks/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take an ink off the shelf' })
  dropInk(@Param('id', new Checked(id)) ink: string): Promise<void> {
    return this.shelf.drop('ink', ink);
  }

  @Get('stocks')
  @ApiOperation({ summary: 'The stocks that were kept, the oldest first' })
  stocks(): Promise<KeptStock[]> {
    return this.shelf.all('stock');
  }

  @Post('stocks')
  @ApiOperation({ summary: 'Keep a stock' })
  @ApiBody({ schema: joiToSwagger(shelfStockSchema).swagger })
  keepStock(@Body(new Checked(shelfStockSchema)) body: Stock): Promise<KeptStock> {
    return this.shelf.keep('stock', body);
  }

  @Delete('stocks/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a stock off the shelf' })
  dropStock(@Param('id', new Checked(id)) stock: string): Promise<void> {
    return this.shelf.drop('stock', stock);
  }

  @Get('presses')
  @ApiOperation({ summary: 'The presses that were kept, the oldest first' })
  presses(): Promise<KeptPress[]> {
    return this.shelf.all('press');
  }

  @Post('presses')
  @ApiOperation({ summary: 'Keep a press' })
  @ApiBody({ schema: joiToSwagger(pressSchema).swagger })
  keepPress(@Body(new Checked(pressSchema)) body: Press): Promise<KeptPress> {
    return this.shelf.keep('press', body);
  }

  @Put('presses/:id')
  @ApiOperation({ summary: 'Change a press' })
  @ApiBody({ schema: joiToSwagger(pressSchema).swagger })
  changePress(
    @Param('id', new Checked(id)) press: string,
    @Body(new Checked(pressSchema)) body: Press,
  ): Promise<KeptPress> {
    return this.shelf.replace('press', press, body);
  }

  @Delete('presses/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a press out of the press room' })
  dropPress(@Param('id', new Checked(id)) press: string): Promise<void> {
    return this.shelf.drop('press', press);
  }

  @Get('screens')
  @ApiOperation({ summary: 'The screens that were kept, the oldest first' })
  screens(): Promise<KeptScreen[]> {
    return this.shelf.all('screen');
  }

  @Post('screens')
  @ApiOperation({ summary: 'Keep a screen under a name' })
  @ApiBody({ schema: joiToSwagger(namedScreenSchema).swagger })
  keepScreen(@Body(new Checked(namedScreenSchema)) body: NamedScreen): Promise<KeptScreen> {
    return this.shelf.keep('screen', body);
  }

  @Delete('screens/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a screen off the shelf' })
  dropScreen(@Param('id', new Checked(id)) screen: string): Promise<void> {
    return this.shelf.drop('screen', screen);
  }
}
