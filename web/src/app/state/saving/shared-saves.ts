/** A save of a design, as the server tells it. */
export interface Save {
  readonly id: string;
  readonly revision: number;
}

/** What a page says to the stream that all pages share. */
export type PageMessage = 'visible' | 'hidden';

/** What the stream says to pages: a save, or that it begins to listen, before which others may have saved. */
export type StreamMessage = { readonly save: Save } | { readonly opened: true };

/** The part of an `EventSource` that is used here. */
export interface SaveSource {
  onopen: ((event: Event) => unknown) | null;
  onmessage: ((event: MessageEvent<string>) => unknown) | null;
  close(): void;
}

/**
 * One stream of saves for all pages of a browser: browsers allow six connections to one address, and a stream in every page would leave
 * none for saving. It is open while any page is visible.
 */
export class SharedSaves {
  private readonly visible = new Set<MessagePort>();
  private source: SaveSource | undefined;

  constructor(private readonly connect: () => SaveSource) {}

  /** Takes a page; it says when it is visible. */
  join(page: MessagePort): void {
    page.onmessage = ({ data }: MessageEvent<PageMessage>) => {
      if (data === 'hidden') this.visible.delete(page);
      else {
        this.visible.add(page);
        // The page may have missed what was saved while it was hidden
        if (this.source) page.postMessage({ opened: true } satisfies StreamMessage);
      }
      if (this.visible.size === 0) this.close();
      else this.source ??= this.open();
    };
  }

  private open(): SaveSource {
    const source = this.connect();
    source.onopen = () => this.tell({ opened: true });
    source.onmessage = ({ data }) => this.tell({ save: JSON.parse(data) as Save });
    return source;
  }

  private close(): void {
    this.source?.close();
    this.source = undefined;
  }

  private tell(message: StreamMessage): void {
    for (const page of this.visible) page.postMessage(message);
  }
}

/** Where the server tells saves. */
export const savesAddress = '/api/designs/events';
