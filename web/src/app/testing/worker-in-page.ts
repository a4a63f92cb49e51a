import { LongWorkDesk } from '../state/calculation/worker/long-work-desk';
import type { LongWorkAnswer, LongWorkRequest } from '../state/calculation/long-work-protocol';

/** Does long work in the page as its worker does it. */
export class WorkerInPage {
  onmessage: ((event: MessageEvent<LongWorkAnswer>) => void) | null = null;
  private ended = false;
  private readonly desk = new LongWorkDesk((data) => {
    if (!this.ended) this.onmessage?.({ data: structuredClone(data) } as MessageEvent<LongWorkAnswer>);
  });

  postMessage(request: LongWorkRequest): void {
    this.desk.take(structuredClone(request));
  }

  terminate(): void {
    this.ended = true;
  }
}
