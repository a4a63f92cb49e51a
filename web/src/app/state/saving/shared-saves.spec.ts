import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { DesignApi } from './design-api.service';
import { savesPort } from './saves.service';
import { SharedSaves, type SaveSource, type StreamMessage } from './shared-saves';

/** A stream that the spec speaks for. */
class Source implements SaveSource {
  static opened: Source[] = [];
  onopen: SaveSource['onopen'] = null;
  onmessage: SaveSource['onmessage'] = null;
  closed = false;

  constructor() {
    Source.opened.push(this);
  }
  close(): void {
    this.closed = true;
  }
  say(id: string, revision: number): void {
    this.onmessage!(new MessageEvent('message', { data: JSON.stringify({ id, revision }) }));
  }
}

/** Lets messages between ports arrive. */
const arrived = () => new Promise((resolve) => setTimeout(resolve, 20));

describe('saves told to all pages of a browser', () => {
  let shared: SharedSaves;
  beforeEach(() => {
    Source.opened = [];
    shared = new SharedSaves(() => new Source());
  });

  function page(): { port: MessagePort; heard: StreamMessage[] } {
    const { port1, port2 } = new MessageChannel();
    shared.join(port1);
    const heard: StreamMessage[] = [];
    port2.onmessage = ({ data }: MessageEvent<StreamMessage>) => heard.push(data);
    port2.postMessage('visible');
    return { port: port2, heard };
  }

  it('come by one stream, and only to pages that are visible', async () => {
    const pages = Array.from({ length: 12 }, page);
    await arrived();
    expect(Source.opened.length).toBe(1);
    pages[3]!.port.postMessage('hidden');
    await arrived();
    Source.opened[0]!.say('x', 2);
    await arrived();
    const hearing = pages.filter(({ heard }) => heard.some((one) => 'save' in one));
    expect(hearing.length).toBe(11);
    expect(pages[3]!.heard.some((one) => 'save' in one)).toBeFalse();
  });

  it('have no stream while no page is visible; one that comes back is told to look for what it missed', async () => {
    const { port, heard } = page();
    await arrived();
    port.postMessage('hidden');
    await arrived();
    expect(Source.opened[0]!.closed).toBeTrue();
    port.postMessage('visible');
    await arrived();
    expect(Source.opened.length).toBe(2);
    Source.opened[1]!.onopen!(new Event('open'));
    await arrived();
    expect(heard).toContain({ opened: true });
  });

  it('reach the design that they are of, and the revision is asked for where some may have been missed', async () => {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        {
          provide: savesPort,
          useValue: () => {
            const { port1, port2 } = new MessageChannel();
            shared.join(port1);
            return port2;
          },
        },
      ],
    });
    const revisions: number[] = [];
    const subscription = TestBed.inject(DesignApi)
      .saves('x')
      .subscribe((revision) => revisions.push(revision));
    await arrived();
    Source.opened[0]!.onopen!(new Event('open'));
    await arrived();
    TestBed.inject(HttpTestingController)
      .expectOne({ method: 'HEAD', url: '/api/designs/x' })
      .flush(null, { headers: { ETag: '"7"' } });
    Source.opened[0]!.say('y', 40);
    Source.opened[0]!.say('x', 8);
    await arrived();
    expect(revisions).toEqual([7, 8]);
    subscription.unsubscribe();
    await arrived();
    expect(Source.opened[0]!.closed).toBeTrue();
  });
});
