import { Body, Controller, Delete, Get, HttpCode, Param, ParseIntPipe, Patch, Post, Put } from '@nestjs/common';
import type { Json } from '@keen/core';
import { OpenTo } from '../../access/open-to.ts';
import { CreateProjectDto, ImportProjectDto, RenameProjectDto, RestoreRevisionDto, SaveProjectDto } from './projects.dto.ts';
import { ProjectsService, type DeletedRow, type ProjectRow, type RevisionRow, type StoredProject } from './projects.service.ts';

@Controller('api/projects')
export class ProjectsController {
  constructor(private readonly projects: ProjectsService) {}

  @OpenTo('device')
  @Get()
  list(): Promise<ProjectRow[]> {
    return this.projects.list();
  }

  @Post()
  create(@Body() { design }: CreateProjectDto): Promise<StoredProject> {
    return this.projects.create(design);
  }

  @Post('import')
  import(@Body() { file }: ImportProjectDto): Promise<StoredProject> {
    return this.projects.import(file);
  }

  @Get('deleted')
  deleted(): Promise<DeletedRow[]> {
    return this.projects.deleted();
  }

  @OpenTo('device')
  @Get(':id')
  find(@Param('id') id: string): Promise<StoredProject> {
    return this.projects.find(id);
  }

  @OpenTo('device')
  @Put(':id')
  save(@Param('id') id: string, @Body() { base, session, document }: SaveProjectDto): Promise<{ revision: number }> {
    return this.projects.save(id, base, session, document);
  }

  @Patch(':id')
  rename(@Param('id') id: string, @Body() { name }: RenameProjectDto): Promise<StoredProject> {
    return this.projects.rename(id, name);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string): Promise<void> {
    return this.projects.remove(id);
  }

  @Post(':id/restore')
  restore(@Param('id') id: string): Promise<StoredProject> {
    return this.projects.restore(id);
  }

  @Post(':id/duplicate')
  duplicate(@Param('id') id: string): Promise<StoredProject> {
    return this.projects.duplicate(id);
  }

  @OpenTo('device')
  @Get(':id/revisions')
  history(@Param('id') id: string): Promise<RevisionRow[]> {
    return this.projects.history(id);
  }

  @OpenTo('device')
  @Get(':id/revisions/:number')
  revision(@Param('id') id: string, @Param('number', ParseIntPipe) number: number): Promise<{ number: number; document: Json }> {
    return this.projects.revision(id, number);
  }

  @Post(':id/revisions/:number/restore')
  restoreRevision(
    @Param('id') id: string,
    @Param('number', ParseIntPipe) number: number,
    @Body() { base, session }: RestoreRevisionDto,
  ): Promise<StoredProject> {
    return this.projects.restoreRevision(id, number, base, session);
  }
}
