import { Injectable, inject, signal, type OnDestroy } from '@angular/core';
import {
  fitView,
  standardViews,
  type AlternativeSummary,
  type Design,
  type DrawnScene,
  type SummaryStatus,
} from '@hashira/core';
import { firstValueFrom } from 'rxjs';
import { CALCULATION_WORKER } from '../state/calculation/calculation-tokens';

import type { WorkerAnswer, WorkerRequest } from '../state/calculation/protocol';
import { DesignApi, type DesignSummary } from '../state/saving/design-api.service';
import { beyondText, figureExact, figureText, isLoud } from '../ui/values';
import { Units } from '../ui/units.service';
import type { Sheet } from '../stage/types';

/** What is seen of a design before it is opened: its reference's frame and most telling numbers, and what each alternative comes to. */
export interface Thumbnail {
  readonly sheet?: Sheet;
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
  scene: DrawnScene | undefined;
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

const size = { width: 132, height: 84 };
const edge = { left: 10, right: 10, top: 10, bottom: 12 };

/** Works designs out one after the other while their list is looked at; what is known of a revision stays known. */
@Injectable()
export class Thumbnails implements OnDestroy {
  private readonly api = inject(DesignApi);
  private readonly units = inject(Units);
  private readonly makeWorker = inject(CALCULATION_WORKER);
  private readonly known = signal<ReadonlyMap<string, Thumbnail>>(new Map());
  private worker: Worker | undefined;
  private waiting: { design: DesignSummary; far: Far }[] = [];
  private readonly loaded = new Map<string, Seen>();
  private busy = false;
  private version = 0;
  private stopped = false;

  of({ id, revision }: DesignSummary): Thumbnail | undefined {
    return this.known().get(`${id} ${revision}`);
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
    this.worker?.terminate();
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
    await this.calculate(document, far === 'all' ? ids : [document.reference], (answer) => {
      if (answer.kind !== 'summary') return false;
      const { summary, scene } = answer;
      seen.summaries.set(summary.id, summary);
      if (summary.id === document.reference && scene) seen.scene = scene;
      this.known.update((all) => new Map(all).set(key, thumbnailOf(seen)));
      return far === 'frame';
    });
  }

  private async load({ id }: DesignSummary): Promise<Seen | undefined> {
    // A design that cannot be loaded any more has no picture; opening it says why
    const stored = await firstValueFrom(this.api.load(id)).catch(() => undefined);
    return stored && { document: stored.document, summaries: new Map(), scene: undefined };
  }

  /** Ends when everything is known, or cannot be, or when what was heard is enough. */
  private calculate(
    design: Design,
    alternatives: readonly string[],
    isEnough: (answer: WorkerAnswer) => boolean,
  ): Promise<void> {
    const worker = (this.worker ??= this.makeWorker());
    const version = ++this.version;
    return new Promise((resolve) => {
      worker.onmessage = ({ data }: MessageEvent<WorkerAnswer>) => {
        if (!('version' in data) || data.version !== version) return;
        if (isEnough(data) || data.kind === 'done' || data.kind === 'broken') resolve();
      };
      worker.onerror = () => resolve();
      const show = { result: '', diagram: 'none', units: this.units.system() } as const;
      const request: WorkerRequest = { kind: 'calculate', version, design, alternatives, show };
      worker.postMessage(request);
    });
  }
}

function thumbnailOf({ document: design, summaries, scene }: Seen): Thumbnail {
  const reference = summaries.get(design.reference);
  const known = design.alternatives.flatMap(({ id }) => summaries.get(id) ?? []);
  const counts = new Map<string, number>();
  for (const { status } of known) {
    const words = verdictWords[status];
    if (status !== 'pending') counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  const sheet = scene && sheetOf(scene);
  return {
    ...(sheet ? { sheet } : {}),
    reference: design.alternatives.find(({ id }) => id === design.reference)?.title ?? '',
    numbers: (reference?.figures ?? []).slice(0, 3).map((figure) => ({
      name: figure.title,
      text: `${figureText(figure)}${beyondText(figure)}`,
      exact: figureExact(figure),
      over: figure.status === 'fail',
    })),
    verdict: [...counts].map(([words, count]) => `${count} ${words}`).join(', '),
    loud: reference !== undefined && isLoud(reference.status),
    pending:
      known.length < design.alternatives.length ||
      known.some(({ stage }) => stage !== 'complete' && stage !== 'failed'),
  };
}

function sheetOf(scene: DrawnScene): Sheet {
  const direction = scene.space === 'plane' ? standardViews.front : standardViews.oblique;
  return {
    scene,
    layers: scene.space === 'plane' ? ['members', 'supports', 'hinges'] : ['members', 'supports'],
    scales: { diagram: 0, deformation: 1, load: 0 },
    dimensions: false,
    view: fitView(scene.points, direction, size, edge),
    size,
    phase: 1,
    thumbnail: true,
  };
}
