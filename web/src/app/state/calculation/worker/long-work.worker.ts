/// <reference lib="webworker" />
import { LongWorkDesk } from './long-work-desk';
import type { LongWorkRequest } from '../long-work-protocol';

const desk = new LongWorkDesk((answer) => postMessage(answer));

addEventListener('message', ({ data }: MessageEvent<LongWorkRequest>) => desk.take(data));
