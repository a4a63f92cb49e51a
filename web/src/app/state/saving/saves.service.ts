import { Injectable, inject, InjectionToken } from '@angular/core';
import { fromEvent, map, Observable, shareReplay, startWith } from 'rxjs';
import { savesAddress, SharedSaves, type PageMessage, type StreamMessage } from './shared-saves';

/** A port to the stream of saves: that of all pages, or one of this page where the browser has no shared workers. */
export const savesPort = new InjectionToken<() => MessagePort>('port to the stream of saves', {
  providedIn: 'root',
  factory: () => () => {
    if (typeof SharedWorker !== 'undefined')
      return new SharedWorker(new URL('./saves.worker', import.meta.url), { type: 'module' }).port;
    const { port1, port2 } = new MessageChannel();
    new SharedSaves(() => new EventSource(savesAddress)).join(port1);
    return port2;
  },
});

/** What is saved on the server by whichever page, while this page is visible. */
@Injectable({ providedIn: 'root' })
export class Saves {
  private readonly connect = inject(savesPort);

  readonly messages$: Observable<StreamMessage> = new Observable<StreamMessage>((subscriber) => {
    const port = this.connect();
    port.onmessage = ({ data }: MessageEvent<StreamMessage>) => subscriber.next(data);
    const visibility = fromEvent(document, 'visibilitychange').pipe(
      startWith(undefined),
      map((): PageMessage => (document.visibilityState === 'visible' ? 'visible' : 'hidden')),
    );
    const seen = visibility.subscribe((state) => port.postMessage(state));
    // A page that is left counts as hidden, also where the browser keeps it for going back
    const left = fromEvent(window, 'pagehide').subscribe(() => port.postMessage('hidden'));
    const back = fromEvent(window, 'pageshow').subscribe(() => port.postMessage('visible'));
    return () => {
      for (const one of [seen, left, back]) one.unsubscribe();
      port.postMessage('hidden' satisfies PageMessage);
      port.close();
    };
  }).pipe(shareReplay({ bufferSize: 0, refCount: true }));
}
