import { Injectable, inject, signal, type OnDestroy } from '@angular/core';
import {
  designPicture,
  designPreview,
  type AlternativeSummary,
  type Design,
  type DesignPreview,
  type SummaryStatus,
  type Units,
} from '@hashira/core';
import { firstValueFrom } from 'rxjs';
import { CalculationAside } from '../state/calculation/calculation-aside.service';

import { DesignApi, type DesignSummary } from '../state/saving/design-api.service';
import { beyondText, figureExact, figureText, isLoud } from '../ui/fields/values';
import { readersUnits } from '../ui/units.service';

/** What is seen of a design before it is opened: its reference's frame and most telling numbers, and what each alternative comes to. */
export interface Thumbnail {
  /** Address of a picture. */
  readonly picture?: string;
  readonly reference: string;
  readonly numbers: readonly {
    readonly name: string;
    readonly text: string;
    readonly exact: string;
    readonly over: boolean;
  }[];
  /** "3 pass, 1 over"; and whether the reference is wrong. */
  readonly verdict: string;
  readonly loud: boolean;
  /** Some numbers are still to come. */
  readonly pending: boolean;
}

/** How far a design is worked out. */
type Far = 'frame' | 'reference' | 'all';

/** What was seen of a design so far. */
interface Seen {
  readonly document: Design;
  readonly summaries: Map<string, AlternativeSummary>;
  readonly picture: string | undefined;
}

const verdictWords: Readonly<Record<SummaryStatus, string>> = {
  pass: 'pass',
  'beyond limits': 'beyond limits',
  fail: 'over',
  'not covered': 'not covered',
  'needs second order': 'need second order',
  'no load': 'carry no load',
  'nothing to check': 'without checks',
  failed: 'not calculated',
  pending: '',
};

/** What is kept of designs on the server, and works out the others one after the other while their list is looked at; that is kept for the next time. */
@Injectable()
export class Thumbnails implements OnDestroy {
  private readonly units = readersUnits();
  private readonly api = inject(DesignApi);
  private readonly aside = inject(CalculationAside);
  private readonly known = signal<ReadonlyMap<string, Thumbnail>>(new Map());
  private waiting: { design: DesignSummary; far: Far }[] = [];
  private readonly loaded = new Map<string, Seen>();
  private busy = false;
  private stopped = false;

  of({ id, revision, preview }: DesignSummary): Thumbnail | undefined {
    return this.known().get(`${id} ${revision}`) ?? (preview && keptThumbnail(preview, this.units()));
  }

  /** Looks at designs: at first at all their frames, then at their references, then at all alternatives. Those that are known are left out. */
  look(designs: readonly DesignSummary[]): void {
    const open = designs.filter((one) => one.unreadable === undefined && this.of(one)?.pending !== false);
    this.waiting = (['frame', 'reference', 'all'] as const).flatMap((far) =>
      open.map((design) => ({ design, far })),
    );
    void this.next();
  }

  ngOnDestroy(): void {
    this.stopped = true;
    this.aside.end();
  }

  private async next(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    for (let one = this.waiting.shift(); one && !this.stopped; one = this.waiting.shift())
      await this.lookAt(one);
    this.busy = false;
  }

  private async lookAt({ design, far }: { design: DesignSummary; far: Far }): Promise<void> {
    const key = `${design.id} ${design.revision}`;
    const seen = this.loaded.get(key) ?? (await this.load(design));
    if (!seen || this.stopped) return;
    this.loaded.set(key, seen);
    const { document } = seen;
    const ids = document.alternatives.map(({ id }) => id).filter((id) => id !== document.reference);
    await this.aside.calculate(document, far === 'all' ? ids : [document.reference], (summary) => {
      seen.summaries.set(summary.id, summary);
      this.known.update((all) => new Map(all).set(key, thumbnailOf(seen, this.units())));
      return far === 'frame';
    });
    if (far === 'all') await this.keep(design, seen);
  }

  /** Keeps on the server what was worked out; where that does not work it is worked out again the next time. */
  private async keep({ id, revision }: DesignSummary, { document, summaries }: Seen): Promise<void> {
    const preview = designPreview(document, summaries);
    if (preview) await firstValueFrom(this.api.keepPreview(id, revision, preview)).catch(() => undefined);
  }

  private async load({ id }: DesignSummary): Promise<Seen | undefined> {
    // A design that cannot be loaded any more has no picture; opening it says why
    const stored = await firstValueFrom(this.api.load(id)).catch(() => undefined);
    if (!stored) return undefined;
    const { document } = stored;
    return { document, summaries: new Map(), picture: designPicture(document) };
  }
}

function thumbnailOf({ document: design, summaries, picture }: Seen, units: Units): Thumbnail {
  const known = design.alternatives.flatMap(({ id }) => summaries.get(id) ?? []);
  const reference = summaries.get(design.reference);
  const others = known.filter((one) => one !== reference);
  return {
    ...keptThumbnail(
      {
        ...(picture === undefined ? {} : { picture }),
        reference: design.alternatives.find(({ id }) => id === design.reference)?.title ?? '',
        figures: (reference?.figures ?? []).slice(0, 3),
        statuses: [...(reference ? [reference] : []), ...others].map(({ status }) => status),
      },
      units,
    ),
    loud: reference !== undefined && isLoud(reference.status),
    pending:
      known.length < design.alternatives.length ||
      known.some(({ stage }) => stage !== 'complete' && stage !== 'failed'),
  };
}

/** A preview as the list shows it. */
function keptThumbnail({ picture, reference, figures, statuses }: DesignPreview, units: Units): Thumbnail {
  const counts = new Map<string, number>();
  for (const status of statuses) {
    const words = verdictWords[status];
    if (status !== 'pending') counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  return {
    ...(picture === undefined ? {} : { picture: `data:image/svg+xml,${encodeURIComponent(picture)}` }),
    reference,
    numbers: figures.map((figure) => ({
      name: figure.title,
      text: `${figureText(figure, units)}${beyondText(figure)}`,
      exact: figureExact(figure, units),
      over: figure.status === 'fail',
    })),
    verdict: [...counts].map(([words, count]) => `${count} ${words}`).join(', '),
    loud: statuses[0] !== undefined && isLoud(statuses[0]),
    pending: false,
  };
}
