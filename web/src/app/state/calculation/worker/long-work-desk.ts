import { longWork, ProblemError, type Alternative, type Design, type LongWorkPart } from '@hashira/core';
import type { LongWorkAnswer, LongWorkRequest } from '../long-work-protocol';

/** Between two looks at what came meanwhile, ms. */
const turn = 40;
/** Between two pictures of how far it is, ms. */
const toldEvery = 250;

/** A worker's desk for one piece of long work: it is done in parts, told on the way, and stopped between two of them. */
export class LongWorkDesk {
  private stopped = false;

  constructor(private readonly send: (answer: LongWorkAnswer) => void) {}

  take(request: LongWorkRequest): void {
    if (request.kind === 'stop') this.stopped = true;
    else void this.work(request);
  }

  private async work(request: Extract<LongWorkRequest, { kind: 'begin' }>): Promise<void> {
    try {
      this.send({ kind: 'result', result: await this.resultOf(request) });
    } catch (error) {
      const isProblem = error instanceof ProblemError;
      this.send({
        kind: 'problem',
        message: isProblem ? error.message : `This could not be worked out (${String(error)}).`,
      });
      if (!isProblem) console.error(error);
    }
  }

  private async resultOf({
    work,
    design,
    alternative,
    options,
  }: Extract<LongWorkRequest, { kind: 'begin' }>): Promise<unknown> {
    const begin = longWork[work] as (
      design: Design,
      alternative: Alternative,
      options: unknown,
    ) => Generator<LongWorkPart<unknown>, unknown>;
    const parts = begin(design, alternative, options);
    let [turned, told] = [performance.now(), 0];
    for (;;) {
      const { done, value } = parts.next();
      if (done) return value;
      const now = performance.now();
      if (now - told > toldEvery) {
        this.send({ kind: 'progress', done: value.done, words: value.words, soFar: value.soFar() });
        told = now;
      }
      if (now - turned > turn) {
        await new Promise((resolve) => setTimeout(resolve));
        turned = performance.now();
      }
      if (this.stopped) return value.soFar();
    }
  }
}
