import { Subject } from 'rxjs';
import type { WorkerAnswer, WorkerRequest } from './protocol';
import type { SharedSigns } from './shared-signs';

/** What a worker has said, or why it is broken. */
export type PoolEvent =
  | { readonly kind: 'answer'; readonly worker: number; readonly answer: WorkerAnswer }
  | { readonly kind: 'broken'; readonly reason: string };

/** Workers by their numbers: each begins when something is first asked of it. */
export class WorkerPool {
  private readonly workers = new Map<number, Worker>();
  private readonly subject = new Subject<PoolEvent>();
  readonly events$ = this.subject.asObservable();

  /** @param signs memory that is shared with them, where the page may */
  constructor(
    private readonly makeWorker: () => Worker,
    private readonly signs: SharedSigns | undefined,
  ) {}

  get begun(): ReadonlySet<number> {
    return new Set(this.workers.keys());
  }

  /** Sends a request; the worker begins if it has not. */
  post(number: number, request: WorkerRequest): void {
    this.begin(number).postMessage(request);
  }

  /** Sends a request to all that have begun. */
  postToAll(request: WorkerRequest): void {
    for (const worker of this.workers.values()) worker.postMessage(request);
  }

  begin(number: number): Worker {
    const known = this.workers.get(number);
    if (known) return known;
    const worker = this.makeWorker();
    this.workers.set(number, worker);
    if (this.signs) worker.postMessage({ kind: 'memory', memory: this.signs.memory } satisfies WorkerRequest);
    worker.onmessage = ({ data }: MessageEvent<WorkerAnswer>) =>
      this.subject.next({ kind: 'answer', worker: number, answer: data });
    worker.onerror = (event) => {
      event.preventDefault();
      this.subject.next({ kind: 'broken', reason: event.message || 'the worker could not be loaded' });
    };
    return worker;
  }

  /** Ends a worker; another takes its place when something is asked of it. */
  dismiss(number: number): void {
    this.workers.get(number)?.terminate();
    this.workers.delete(number);
  }

  /** Ends all, which say nothing any more. */
  end(): void {
    for (const worker of this.workers.values()) worker.terminate();
  }
}
