import { DestroyRef, Injectable, InjectionToken, inject, signal, type Signal } from '@angular/core';
import type { Alternative, Design, LongWorkKinds } from '@hashira/core';
import type { LongWorkAnswer, LongWorkRequest } from './long-work-protocol';

/** Makes a worker for one piece of long work. */
export const LONG_WORKER = new InjectionToken<() => Worker>('long worker', {
  providedIn: 'root',
  factory: () => () => new Worker(new URL('./worker/long-work.worker', import.meta.url), { type: 'module' }),
});

/** A piece of long work as a screen shows it. */
export interface LongWorkState<Result> {
  readonly running: boolean;
  /** 0 … 1. */
  readonly done: number;
  readonly words: string;
  /** What is known: the result, or as far as it has come. */
  readonly result?: Result;
  readonly problem?: string;
}

/** One piece of long work in a worker of its own: a new one takes its place, and it can be stopped. */
export interface LongWorkRun<Kind extends keyof LongWorkKinds> {
  readonly state: Signal<LongWorkState<LongWorkKinds[Kind]['result']>>;
  begin(design: Design, alternative: Alternative, options: LongWorkKinds[Kind]['options']): void;
  /** Ends it; what was found until then stays. */
  stop(): void;
  /** Forgets it. */
  clear(): void;
}

/** What a piece of work is done on. */
interface Wanted<Kind extends keyof LongWorkKinds> {
  readonly design: Design;
  readonly alternative: Alternative;
  readonly options: LongWorkKinds[Kind]['options'];
}

const nothing = { running: false, done: 0, words: '' };

/** Runs work that takes long beside the calculation of what the screens show. */
@Injectable({ providedIn: 'root' })
export class LongWork {
  private readonly make = inject(LONG_WORKER);

  /** A place for one piece of work of a kind; its worker ends with whoever asked. */
  run<Kind extends keyof LongWorkKinds>(kind: Kind, destroyed: DestroyRef): LongWorkRun<Kind> {
    type State = LongWorkState<LongWorkKinds[Kind]['result']>;
    const state = signal<State>(nothing);
    let worker: Worker | undefined;
    const end = () => {
      worker?.terminate();
      worker = undefined;
    };
    const onAnswer = (answer: LongWorkAnswer) => {
      if (answer.kind === 'progress') {
        const { done, words, soFar } = answer;
        state.set({ running: true, done, words, result: soFar });
        return;
      }
      end();
      state.set(
        answer.kind === 'result'
          ? { ...nothing, done: 1, result: answer.result }
          : { ...nothing, problem: answer.message },
      );
    };
    destroyed.onDestroy(end);
    return {
      state,
      begin: (design, alternative, options) => {
        end();
        state.set({ ...nothing, running: true });
        worker = this.make();
        worker.onmessage = ({ data }: MessageEvent<LongWorkAnswer>) => onAnswer(data);
        worker.onerror = (event) => {
          event.preventDefault();
          end();
          state.set({
            ...nothing,
            problem: `The work ended unexpectedly (${event.message}); begin it again.`,
          });
        };
        const request: LongWorkRequest = { kind: 'begin', work: kind, design, alternative, options };
        worker.postMessage(request);
      },
      stop: () => worker?.postMessage({ kind: 'stop' } satisfies LongWorkRequest),
      clear: () => {
        end();
        state.set(nothing);
      },
    };
  }

  /** Does a piece of work and tells its end alone. */
  once<Kind extends keyof LongWorkKinds>(
    work: Kind,
    destroyed: DestroyRef,
    { design, alternative, options }: Wanted<Kind>,
    tell: (answer: { readonly result: LongWorkKinds[Kind]['result'] } | { readonly problem: string }) => void,
  ): void {
    const worker = this.make();
    const forget = destroyed.onDestroy(() => worker.terminate());
    const end = (answer: Parameters<typeof tell>[0]) => {
      worker.terminate();
      forget();
      tell(answer);
    };
    worker.onmessage = ({ data }: MessageEvent<LongWorkAnswer>) => {
      if (data.kind === 'result') end({ result: data.result as LongWorkKinds[Kind]['result'] });
      else if (data.kind === 'problem') end({ problem: data.message });
    };
    worker.onerror = (event) => {
      event.preventDefault();
      end({ problem: `The work ended unexpectedly (${event.message}); begin it again.` });
    };
    worker.postMessage({ kind: 'begin', work, design, alternative, options } satisfies LongWorkRequest);
  }
}
