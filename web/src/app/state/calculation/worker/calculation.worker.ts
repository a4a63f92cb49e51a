/// <reference lib="webworker" />
import { CalculationDesk } from './desk';
import type { WorkerRequest } from '../protocol';

// A message to oneself comes behind those that arrived meanwhile, without the delay of a timer
const { port1, port2 } = new MessageChannel();
let waiting: (() => void) | undefined;
port1.onmessage = () => waiting?.();

const desk = new CalculationDesk(
  (answer, transfer) => postMessage(answer, { transfer }),
  () =>
    new Promise<void>((resolve) => {
      waiting = resolve;
      port2.postMessage(null);
    }),
);

addEventListener('message', ({ data }: MessageEvent<WorkerRequest>) => desk.take(data));
