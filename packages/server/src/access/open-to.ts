/** Access to routes. Deny by default: a route without `@OpenTo` answers the desk and nobody else. */
import { Injectable, SetMetadata, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import type { Request } from 'express';
import { ProblemException } from '../problems/problem.exception.ts';
import { callerOf } from './caller.ts';

const OPEN_TO = 'keen:open-to';

type Openness = 'desk' | 'device' | 'anyone';

/** `device`: paired devices as well as the desk. `anyone`: strangers on the network too. */
export const OpenTo = (who: Openness): MethodDecorator & ClassDecorator => SetMetadata(OPEN_TO, who);

/** Decides on the route that was matched, so that no spelling of an address can go round it. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(private readonly reflector: Reflector) {}

  canActivate(context: ExecutionContext): boolean {
    const { kind } = callerOf(context.switchToHttp().getRequest<Request>());
    const openTo = this.reflector.getAllAndOverride<Openness | undefined>(OPEN_TO, [context.getHandler(), context.getClass()]);
    if (kind === 'desk' || openTo === 'anyone') return true;
    if (kind === 'stranger') throw notPaired();
    if (openTo === 'device') return true;
    throw deskOnly();
  }
}

const notPaired = (): ProblemException =>
  new ProblemException(401, {
    code: 'not-paired',
    message: 'this device is not paired with the desk',
    where: 'request',
    accepted: 'a paired device: the desk shows a code under Use on a phone',
  });

const deskOnly = (): ProblemException =>
  new ProblemException(403, {
    code: 'desk-only',
    message: 'only the desk may do this',
    where: 'request',
    accepted: 'the page on the machine the desk runs on; a phone may read, tick, edit one design at a time and take photos',
  });
