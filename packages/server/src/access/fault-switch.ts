/** Switches that make the simulated devices fail. They exist where the product is shown or tested, and nowhere else. */
import { applyDecorators, Inject, Injectable, UseGuards, type CanActivate } from '@nestjs/common';
import { OpenTo } from './open-to.ts';
import { notFound } from '../problems/problem.exception.ts';

export const FAULT_SWITCHES = Symbol('whether simulated devices can be made to fail');

@Injectable()
class FaultGuard implements CanActivate {
  constructor(@Inject(FAULT_SWITCHES) private readonly isOn: boolean) {}

  canActivate(): boolean {
    if (!this.isOn) throw notFound('such address', 'address');
    return true;
  }
}

/** A route that answers only with `bin/start --demo` and in tests, and the desk alone. */
export const FaultSwitch = (): MethodDecorator => applyDecorators(OpenTo('desk'), UseGuards(FaultGuard));
