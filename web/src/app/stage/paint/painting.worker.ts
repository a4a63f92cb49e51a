/// <reference lib="webworker" />
import { PaintingDesk } from './painting-desk';
import type { PaintAnswer, PaintRequest } from './painting-protocol';

const desk = new PaintingDesk();

addEventListener('message', ({ data }: MessageEvent<PaintRequest>) => {
  const answer = desk.take(data);
  if (answer) tell(answer, answer.kind === 'painted' ? [answer.pixels] : []);
});
tell({ kind: 'ready' }, []);

function tell(answer: PaintAnswer, transfer: ArrayBuffer[]): void {
  postMessage(answer, { transfer });
}
