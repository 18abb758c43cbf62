import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import { preparationSchema, type KeptPreparation, type Preparation } from '@brachytone/job';
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
    return this.shelf.preparations();
  }

  @Post('preparations')
  @ApiOperation({ summary: 'Keep a list of tone steps under a name' })
  @ApiBody({ schema: joiToSwagger(preparationSchema).swagger })
  keep(@Body(new Checked(preparationSchema)) body: Preparation): Promise<KeptPreparation> {
    return this.shelf.keepPreparation(body);
  }

  @Delete('preparations/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a preparation off the shelf' })
  drop(@Param('id', new Checked(id)) preparation: string): Promise<void> {
    return this.shelf.dropPreparation(preparation);
  }
}
