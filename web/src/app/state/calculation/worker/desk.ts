import {
  advance,
  drawingOf,
  failedBefore,
  isLarge,
  isShape,
  isShownFirst,
  notEvaluated,
  questions,
  stageNames,
  summaryOf,
  unitsOf,
  withWarnings,
  type DrawnScene,
  type EvaluatedAlternative,
  type Progress,
  type Questions,
  type StageName,
} from '@hashira/core';
import { showOf, type Show, type WorkerAnswer, type WorkerRequest } from '../protocol';
import { SharedSigns } from '../shared-signs';

/** Sends an answer; buffers in `transfer` move without a copy. */
export type Send = (answer: WorkerAnswer, transfer: ArrayBuffer[]) => void;

/** A state of the design that is worked out. */
interface Job {
  /** Its number among this desk's. */
  readonly job: number;
  readonly version: number;
  /** Its alternatives, as far as they are evaluated. */
  readonly evaluated: Map<string, EvaluatedAlternative>;
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
  private evaluated = new Map<string, EvaluatedAlternative>();
  private version = 0;
  private show: Show = { result: '', diagram: 'none' };
  /** The latest work: older loops see that they are not it. */
  private job = 0;
  /** What the page tells meanwhile, where it shares memory. */
  private signs: SharedSigns | undefined;
  /** Alternatives of which something was drawn. */
  private readonly drawn = new Set<string>();

  /**
   * @param pause lets messages that came meanwhile be heard
   * @param checksTakeLong whether an alternative's checks are worth being made before the others begin
   */
  constructor(
    private readonly send: Send,
    private readonly pause: () => Promise<void>,
    private readonly checksTakeLong = isLarge,
  ) {}

  take(request: WorkerRequest): void {
    if (request.kind === 'memory') this.signs = new SharedSigns(request.memory);
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
    const evaluated = new Map<string, EvaluatedAlternative>();
    for (const id of alternatives) {
      const alternative = design.alternatives.find((one) => one.id === id);
      if (alternative) evaluated.set(id, notEvaluated(design, alternative, unitsOf(show.units ?? 'metric')));
    }
    this.show = show;
    try {
      const all: Job = { job, version, evaluated, selected, checksFirst };
      for (const [id, stage] of this.inOrder(all)) if (!(await this.work(id, stage, all))) return;
      this.send({ kind: 'done', version }, []);
    } catch (error) {
      if (error instanceof Overtaken) return;
      // It is told: a page that waits for an answer would wait for ever
      this.send({ kind: 'broken', version, reason: String(error) }, []);
      console.error(error);
    }
  }

  /** Works one alternative to a stage and tells what it came to. Returns false where newer work has begun meanwhile. */
  private async work(id: string, stage: StageName, all: Job): Promise<boolean> {
    const { job, version, evaluated, selected } = all;
    let part = partNames[stage];
    let told = performance.now() + silent - toldEvery;
    const progress: Progress = {
      stage: (name) => (part = name),
      step: (done) => {
        this.signs?.waitForPage();
        if (this.signs?.isOvertaken(version)) throw new Overtaken();
        const now = performance.now();
        if (now - told < toldEvery) return;
        told = now;
        this.send({ kind: 'progress', version, alternative: id, part, done }, []);
      },
    };
    let now = evaluated.get(id)!;
    if (stage !== 'forces' && failedBefore(now, stage)) return true;
    // How near a large frame is to instability takes seconds, for which its model check does not wait
    if (stage === 'complete' && this.checksTakeLong(now) && id === selected) {
      now = withWarnings(now, progress);
      this.tell(now, version, false, false);
      await this.pause();
      if (job !== this.job) return false;
    }
    const shown = id === selected ? { shown: this.show.result } : {};
    const parts = advance(now, stage, { progress, ...shown });
    const follows = () => stage === 'forces' && this.goesAhead(now, all);
    for (let part = parts.next(); ; part = parts.next()) {
      now = part.value;
      if (part.done) break;
      // The first sight of a frame does not wait for its forces, nor what is shown of it for all the others
      if (isShownFirst(now) || (stage === 'forces' && !this.drawn.has(id)))
        this.tell(now, version, true, follows());
      await this.pause();
      if (job !== this.job) return false;
    }
    evaluated.set(id, now);
    // What is asked meanwhile is asked of what is on the screen
    this.evaluated = evaluated;
    this.version = version;
    const late = stage === 'complete' && isShape(this.show.result);
    const withScene = stage === 'forces' || late || this.show.diagram === 'utilisation';
    this.tell(now, version, withScene, follows());
    await this.pause();
    return job === this.job;
  }

  private tell(
    known: EvaluatedAlternative,
    version: number,
    withScene: boolean,
    checksFollow: boolean,
  ): void {
    const now = this.forReader(known);
    const scene = withScene ? drawingOf(now, showOf(this.show, now.alternative.id)) : undefined;
    if (scene) this.drawn.add(now.alternative.id);
    this.send(
      {
        kind: 'summary',
        version,
        summary: summaryOf(now, this.show.result),
        ...(isShownFirst(now) ? { shownFirst: true } : {}),
        ...(checksFollow ? { checksFollow } : {}),
        ...(scene ? { scene } : {}),
      },
      buffersOf(scene),
    );
  }

  /** Whether an alternative is checked before the others begin. */
  private goesAhead(now: EvaluatedAlternative, { selected, checksFirst }: Job): boolean {
    return (
      checksFirst &&
      now.alternative.id === selected &&
      this.checksTakeLong(now) &&
      !failedBefore(now, 'checks')
    );
  }

  /**
   * What is worked out when: forces of all alternatives before checks of any, but those of a large frame that is on the stage, which would
   * wait too long.
   */
  private *inOrder(all: Job): Generator<readonly [alternative: string, stage: StageName]> {
    const ahead = new Set<string>();
    for (const stage of stageNames)
      for (const id of all.evaluated.keys()) {
        if (stage !== 'checks' || !ahead.has(id)) yield [id, stage];
        if (stage !== 'forces' || !this.goesAhead(all.evaluated.get(id)!, all)) continue;
        ahead.add(id);
        yield [id, 'checks'];
      }
  }

  /** In the units in which it is read now. */
  private forReader(known: EvaluatedAlternative): EvaluatedAlternative {
    return { ...known, units: unitsOf(this.show.units ?? 'metric') };
  }

  private redraw(show: Show): void {
    const retold = show.result !== this.show.result || show.units !== this.show.units;
    this.show = show;
    for (const [alternative, known] of this.evaluated) {
      const now = this.forReader(known);
      const scene = drawingOf(now, showOf(show, alternative));
      this.send(
        { kind: 'scene', version: this.version, alternative, ...(scene ? { scene } : {}) },
        buffersOf(scene),
      );
      if (retold)
        this.send({ kind: 'summary', version: this.version, summary: summaryOf(now, show.result) }, []);
    }
  }

  private answer({ id, alternative, question, ask }: Extract<WorkerRequest, { kind: 'ask' }>): void {
    const now = this.evaluated.get(alternative);
    this.send(
      { kind: 'answer', id, answer: now && answerTo(this.forReader(now), question, ask, this.show.result) },
      [],
    );
  }
}

function answerTo(of: EvaluatedAlternative, question: keyof Questions, ask: unknown, shown: string): unknown {
  const answer = questions[question] as (of: EvaluatedAlternative, ask: unknown, shown: string) => unknown;
  return answer(of, ask, shown);
}

/** The typed arrays of a scene move to the page. */
function buffersOf(scene: DrawnScene | undefined): ArrayBuffer[] {
  if (!scene) return [];
  const { drawing, points, members } = scene;
  return [drawing.strokes, drawing.corners, points, members.ends].map((array) => array.buffer as ArrayBuffer);
}
