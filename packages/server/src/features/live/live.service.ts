import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import { Subject } from 'rxjs';

/** What happened to a project: entries up to a sequence are in its record, or its design has a newer revision. */
export interface LiveEvent {
  readonly project: string;
  readonly record?: number;
  readonly revision?: number;
  /** The tab that saved it: it knows already. */
  readonly session?: string;
}

/** Tells every device that follows a project that there is something new; each fetches it by itself. */
@Injectable()
export class LiveService implements BeforeApplicationShutdown {
  private readonly subject = new Subject<LiveEvent>();
  readonly events = this.subject.asObservable();

  /** Ends every stream: a page that is open must not keep a server that is to end. */
  beforeApplicationShutdown(): void {
    this.subject.complete();
  }

  tell(event: LiveEvent): void {
    this.subject.next(event);
  }
}
