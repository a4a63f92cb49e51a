/// <reference lib="webworker" />
import { savesAddress, SharedSaves } from './shared-saves';

const saves = new SharedSaves(() => new EventSource(savesAddress));

addEventListener('connect', (event) => saves.join((event as MessageEvent).ports[0]!));
