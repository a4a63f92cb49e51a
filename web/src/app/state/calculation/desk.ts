import {
  AlternativeRun,
  cutList,
  isShape,
  showUnits,
  type DrawnScene,
  type Progress,
  type StageName,
  type TableQuestion,
} from '@hashira/core';
import type { Show, WorkerAnswer, WorkerRequest } from './protocol';
import { SharedSigns } from './shared-signs';

/** Sends an answer; buffers in `transfer` move without a copy. */
export type Send = (answer: WorkerAnswer, transfer: ArrayBuffer[]) => void;

/** A state of the design that is worked out. */
interface Job {
  /** Its number among this desk's. */
  readonly job: number;
  readonly version: number;
  readonly runs: Map<string, AlternativeRun>;
  /** The alternative on the stage. */
  readonly selected: string | undefined;
  /** Whether that is checked before the others begin, if it is large. */
  readonly checksFirst: boolean;
}

/** Work that takes longer tells how far it is, and then as often as the second, ms. */
const silent = 1000;
const toldEvery = 250;

/** What a stage begins with, until its parts tell their names. */
const partNames: Readonly<Record<StageName, string>> = {
  forces: 'Forces',
  checks: 'Checks',
  complete: 'Buckling and modes',
};

/** Thrown out of the middle of work that a newer design has overtaken. */
class Overtaken extends Error {}

/**
 * A worker's desk: it works its alternatives out stage by stage and keeps the results to be asked about. A newer design makes it drop
 * the older work: at once where the page shares memory with it, else between two parts.
 */
export class CalculationDesk {
  private runs = new Map<string, AlternativeRun>();
  private version = 0;
  private show: Show = { result: '', diagram: 'none' };
  /** The latest work: older loops see that they are not it. */
  private job = 0;
  /** What the page tells meanwhile, where it shares memory. */
  private signs: SharedSigns | undefined;
  /** Alternatives of which something was drawn. */
  private readonly drawn = new Set<string>();

  /** @param pause lets messages that came meanwhile be heard */
  constructor(
    private readonly send: Send,
    private readonly pause: () => Promise<void>,
  ) {}

  take(request: WorkerRequest): void {
    if (request.kind === 'share') this.signs = new SharedSigns(request.memory);
    else if (request.kind === 'calculate') void this.calculate(request);
    else if (request.kind === 'show') this.redraw(request.show);
    else this.answer(request);
  }

  private async calculate({
    version,
    design,
    alternatives,
    selected,
    checksFirst = false,
    show,
  }: Extract<WorkerRequest, { kind: 'calculate' }>): Promise<void> {
    const job = ++this.job;
    const runs = new Map<string, AlternativeRun>();
    for (const id of alternatives) {
      const alternative = design.alternatives.find((one) => one.id === id);
      if (alternative) runs.set(id, new AlternativeRun(design, alternative));
    }
    this.showAs(show);
    try {
      const all: Job = { job, version, runs, selected, checksFirst };
      for (const [run, stage] of inOrder(all)) if (!(await this.work(run, stage, all))) return;
      this.send({ kind: 'done', version }, []);
    } catch (error) {
      if (error instanceof Overtaken) return;
      // It is told: a page that waits for an answer would wait for ever
      this.send({ kind: 'broken', version, reason: String(error) }, []);
      console.error(error);
    }
  }

  /** Works one alternative to a stage and tells what it came to. Returns false where newer work has begun meanwhile. */
  private async work(run: AlternativeRun, stage: StageName, all: Job): Promise<boolean> {
    const { job, version, runs, selected } = all;
    let part = partNames[stage];
    let told = performance.now() + silent - toldEvery;
    const progress: Progress = {
      stage: (name) => (part = name),
      step: (done) => {
        this.signs?.giveWay();
        if (this.signs?.isOvertaken(version)) throw new Overtaken();
        const now = performance.now();
        if (now - told < toldEvery) return;
        told = now;
        this.send({ kind: 'progress', version, alternative: run.id, part, done }, []);
      },
    };
    if (stage !== 'forces' && run.failedBefore(stage)) return true;
    // How near a large frame is to instability takes seconds, for which its model check does not wait
    if (stage === 'complete' && run.isLarge && run.id === selected) {
      run.lookOver(progress);
      this.tell(run, version, false, false);
      await this.pause();
      if (job !== this.job) return false;
    }
    const parts = run.towards(stage, progress, run.id === selected ? this.show.result : undefined);
    const follows = () => stage === 'forces' && goesAhead(run, all);
    while (!parts.next().done) {
      // The first sight of a frame does not wait for its forces, nor what is shown of it for all the others
      if (run.isShownFirst || (stage === 'forces' && !this.drawn.has(run.id)))
        this.tell(run, version, true, follows());
      await this.pause();
      if (job !== this.job) return false;
    }
    // What is asked meanwhile is asked of what is on the screen
    this.runs = runs;
    this.version = version;
    const late = stage === 'complete' && isShape(this.show.result);
    const withScene = stage === 'forces' || late || this.show.diagram === 'utilisation';
    this.tell(run, version, withScene, follows());
    await this.pause();
    return job === this.job;
  }

  private tell(run: AlternativeRun, version: number, withScene: boolean, checksFollow: boolean): void {
    const scene = withScene ? run.draw(this.show) : undefined;
    if (scene) this.drawn.add(run.id);
    this.send(
      {
        kind: 'summary',
        version,
        summary: run.summary(this.show.result),
        ...(run.isShownFirst ? { shownFirst: true } : {}),
        ...(checksFollow ? { checksFollow } : {}),
        ...(scene ? { scene } : {}),
      },
      buffersOf(scene),
    );
  }

  private showAs(show: Show): void {
    this.show = show;
    showUnits(show.units ?? 'metric');
  }

  private redraw(show: Show): void {
    const retold = show.result !== this.show.result || show.units !== this.show.units;
    this.showAs(show);
    for (const [alternative, run] of this.runs) {
      const scene = run.draw(show);
      this.send(
        { kind: 'scene', version: this.version, alternative, ...(scene ? { scene } : {}) },
        buffersOf(scene),
      );
      if (retold)
        this.send({ kind: 'summary', version: this.version, summary: run.summary(show.result) }, []);
    }
  }

  private answer({ id, alternative, question, ask }: Extract<WorkerRequest, { kind: 'ask' }>): void {
    const run = this.runs.get(alternative);
    this.send({ kind: 'answer', id, answer: run && answerTo(run, this.show, question, ask) }, []);
  }
}

/** Whether an alternative is checked before the others begin. */
function goesAhead(run: AlternativeRun, { selected, checksFirst }: Job): boolean {
  return checksFirst && run.id === selected && run.isLarge && !run.failedBefore('checks');
}

/**
 * What is worked out when: forces of all alternatives before checks of any, but those of a large frame that is on the stage, which would
 * wait too long.
 */
function* inOrder(all: Job): Generator<readonly [AlternativeRun, StageName]> {
  const ahead = new Set<AlternativeRun>();
  for (const stage of ['forces', 'checks', 'complete'] as const)
    for (const run of all.runs.values()) {
      if (stage !== 'checks' || !ahead.has(run)) yield [run, stage];
      if (stage !== 'forces' || !goesAhead(run, all)) continue;
      ahead.add(run);
      yield [run, 'checks'];
    }
}

function answerTo(run: AlternativeRun, show: Show, question: string, ask: unknown): unknown {
  switch (question) {
    case 'reading': {
      const { member, share } = ask as { member: string; share: number };
      return run.reading(show.result, member, share);
    }
    case 'trace': {
      const { figure, result } = ask as { figure: string; result?: string };
      return run.trace(figure, result);
    }
    case 'member':
      return run.memberSteps((ask as { member: string }).member);
    case 'matches':
      return run.matchesOf((ask as { rule: string }).rule);
    case 'cuts':
      return run.frame && cutList(run.frame);
    case 'miniatures':
      return run.miniatures();
    case 'sums':
      return run.sums();
    case 'proposal': {
      const { of, ids } = ask as { of: 'members' | 'nodes'; ids: readonly string[] };
      return run.proposal(of, ids);
    }
    case 'place': {
      const { member, share } = ask as { member: string; share: number };
      return run.place(member, share);
    }
    case 'table': {
      const { kind, ...question } = ask as { kind: string } & TableQuestion;
      return run.resultTable(kind, question);
    }
    case 'tags':
      return run.tagValues((ask as { of: 'members' | 'nodes' }).of);
    case 'selection': {
      const { of, condition } = ask as { of: 'members' | 'nodes'; condition: string };
      return run.selection(of, condition);
    }
    default:
      return run.underAlone((ask as { result: string }).result);
  }
}

/** The typed arrays of a scene move to the page. */
function buffersOf(scene: DrawnScene | undefined): ArrayBuffer[] {
  if (!scene) return [];
  const { drawing, points, members } = scene;
  return [drawing.strokes, drawing.corners, points, members.ends].map((array) => array.buffer as ArrayBuffer);
}
