/** The disk of the data folder: how much is free, and when that is too little to save safely. */
import { statfs } from 'node:fs/promises';
import { Inject, Injectable } from '@nestjs/common';
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import { DATA_FOLDER } from '../config.ts';

/** Below this the pages say so. */
export const LOW_MB = 1000;
/** Below this nothing is saved: a database that runs out of disk in the middle of a write waits for ever. */
export const MIN_MB = 100;
/** A reading is good for this long. */
const FRESH_MS = 5000;

export interface DiskState {
  readonly freeMb: number;
  readonly isLow: boolean;
}

/** Gives the free space of a folder's disk, MB. */
export type FreeMb = (folder: string) => Promise<number>;
export const FREE_MB = Symbol('free space');

export const freeMbOf: FreeMb = async (folder) => {
  const { bavail, bsize } = await statfs(folder);
  return Math.floor((bavail * bsize) / 1e6);
};

@Injectable()
export class DiskService {
  private last: { readonly atMs: number; readonly freeMb: number } | null = null;

  constructor(
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(FREE_MB) private readonly freeMb: FreeMb,
  ) {}

  async state(): Promise<DiskState> {
    const nowMs = performance.now();
    if (!this.last || nowMs - this.last.atMs > FRESH_MS) this.last = { atMs: nowMs, freeMb: await this.freeMb(this.folder).catch(() => Infinity) };
    const { freeMb } = this.last;
    return { freeMb: Number.isFinite(freeMb) ? freeMb : -1, isLow: freeMb < LOW_MB };
  }

  /** Refuses whatever would write while there is too little room. Deleting goes on: it makes room. */
  guard(): RequestHandler {
    return (request: Request, response: Response, next: NextFunction): void => {
      if (['GET', 'HEAD', 'OPTIONS', 'DELETE'].includes(request.method)) return next();
      this.state().then(({ freeMb }) => {
        if (freeMb < 0 || freeMb >= MIN_MB) return next();
        response.status(507).json({
          code: 'disk-full',
          message: `the disk is full: ${freeMb} MB are free; nothing was saved`,
          where: 'disk',
          accepted: `at least ${MIN_MB} MB free on the disk of the data folder`,
        });
      }, next);
    };
  }
}
