import { Controller, Param, Req, Sse, type MessageEvent } from '@nestjs/common';
import type { Request } from 'express';
import { EMPTY, filter, ignoreElements, interval, map, merge, startWith, takeUntil, endWith, type Observable } from 'rxjs';
import { OpenTo } from '../../access/open-to.ts';
import { LiveService } from './live.service.ts';

/** Often enough that a device notices within a breath that the line is dead. */
const BEAT_MS = 15_000;

@OpenTo('device')
@Controller('api/projects/:id/live')
export class LiveController {
  constructor(private readonly live: LiveService) {}

  /** Server-sent events: 'record' with the sequence of the newest entry, 'design' with the newest revision, 'beat'. */
  @Sse()
  follow(@Param('id') id: string, @Req() request: Request): Observable<MessageEvent> {
    // Whoever asks for the headers alone waits for no stream.
    if (request.method === 'HEAD') return EMPTY;
    const events = this.live.events.pipe(
      filter(({ project }) => project === id),
      map(({ record, revision, session }): MessageEvent =>
        revision === undefined ? { type: 'record', data: { sequence: record } } : { type: 'design', data: { revision, session: session ?? '' } },
      ),
    );
    // At once a first beat: the device knows that the line stands, and asks for what it missed.
    return merge(
      events,
      interval(BEAT_MS).pipe(
        startWith(0),
        map((): MessageEvent => ({ type: 'beat', data: {} })),
      ),
    ).pipe(takeUntil(this.live.events.pipe(ignoreElements(), endWith(null))));
  }
}
