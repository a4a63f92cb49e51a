/// <reference lib="webworker" />
import { longWork, ProblemError, type Alternative, type Design, type LongWorkPart } from '@hashira/core';
import type { LongWorkAnswer, LongWorkRequest } from './long-work-protocol';

/** Between two looks at what came meanwhile, ms. */
const turn = 40;
/** Between two pictures of how far it is, ms. */
const toldEvery = 250;

let stopped = false;

addEventListener('message', ({ data }: MessageEvent<LongWorkRequest>) => {
  if (data.kind === 'stop') stopped = true;
  else void work(data);
});

const send = (answer: LongWorkAnswer): void => postMessage(answer);

async function work({
  work: kind,
  design,
  alternative,
  options,
}: Extract<LongWorkRequest, { kind: 'begin' }>): Promise<void> {
  const begin = longWork[kind] as (
    design: Design,
    alternative: Alternative,
    options: unknown,
  ) => Generator<LongWorkPart<unknown>, unknown>;
  try {
    const parts = begin(design, alternative, options);
    let [turned, told] = [performance.now(), 0];
    for (;;) {
      const { done, value } = parts.next();
      if (done) { send({ kind: 'result', result: value }); return; }
      const now = performance.now();
      if (now - told > toldEvery) {
        send({ kind: 'progress', done: value.done, words: value.words, soFar: value.soFar() });
        told = now;
      }
      if (now - turned > turn) {
        await new Promise((resolve) => setTimeout(resolve));
        turned = performance.now();
      }
      if (stopped) { send({ kind: 'result', result: value.soFar() }); return; }
    }
  } catch (error) {
    send({
      kind: 'problem',
      message:
        error instanceof ProblemError ? error.message : `This could not be worked out (${String(error)}).`,
    });
    if (!(error instanceof ProblemError)) console.error(error);
  }
}
