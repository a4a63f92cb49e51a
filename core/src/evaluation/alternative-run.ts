import { prepareEquations, vibrationModes, type Progress, type VibrationMode } from '../analysis/index.js';
import { checkedSteps, type CalculationStep, type MemberCheck, type MemberChecker } from '../checks/index.js';
import { drawAlternative, shownResults, type DrawingOptions, type DrawnScene } from '../drawing/index.js';
import {
  analysed,
  analysedInParts,
  checkerOf,
  nearestToInstability,
  stabilityInParts,
  verdictOf,
  wantsLengths,
  type Analysed,
  type StabilityOfAll,
} from './stages/index.js';
import { inOneGo } from '../base/drain.js';
import { attempt, ProblemError, unwrapped, type Problem } from '../base/problem.js';
import { buildFrame, type BuiltFrame } from '../build/build.js';
import { Namer } from '../geometry/names.js';
import { placeOn, type NamedPlace } from '../geometry/places.js';
import type { ParameterValues } from '../build/parameters.js';
import { remarksOf, type Remark } from './warnings/index.js';
import type { Alternative, Design } from '../document/types.js';
import { loadSums } from './warnings/differing-loads.js';
import { FigureTable } from './figures/figure-table.js';
import { memberSummaries } from './summaries/member-summaries.js';
import { mechanismRemarks } from './warnings/mechanisms.js';
import { overridesOf } from './summaries/overrides.js';
import { inWords } from './summaries/problem-words.js';
import { readingAt, type Reading } from './questions/reading.js';
import { parameterSummaries, parametersOf } from './summaries/parameter-summaries.js';
import { proposalFor, selectedBy, tagValues, type Proposal, type Selected } from './questions/selecting.js';
import { figureKindOf, type FigureSource } from './figures/index.js';
import { fillTable, tableKinds, type ResultTable, type TableQuestion } from './tables/index.js';
import { stepMiniatures, type StepMiniature } from './questions/step-previews.js';
import { ShapesOnDemand } from './questions/shapes.js';
import { slicesOf } from './summaries/slices.js';
import { caseSums, type CaseSum } from './questions/sums.js';
import { balanceOf, governing, nearness, summaryStatus } from './summary-parts.js';
import type { AlternativeSummary, FigureSummary } from './summary.js';

export type StageName = 'forces' | 'checks' | 'complete';

const order = ['nothing', 'forces', 'checks', 'complete'] as const;

/** Members up to which shapes are worked out as soon as there are forces. */
const quickShapes = 120;

/** Members times combinations whose forces of second order are all there almost as soon as one's. */
const soonDone = 500;

/** Members times combinations whose checks take long. */
const manyChecks = 2000;

/**
 * One alternative while it is worked out, stage by stage: forces first, then checks, then nearness to instability and modes. It keeps
 * its results; what leaves it is plain data.
 */
export class AlternativeRun {
  private problems: readonly Problem[] = [];
  private built: BuiltFrame | undefined;
  private namer: Namer | undefined;
  private parameters: ParameterValues | undefined;
  private forces: Analysed | undefined;
  /** The forces of the shown load case or combination, where those of the others take longer. */
  private shownForces: Analysed | undefined;
  private checker: MemberChecker | undefined;
  private checks: MemberCheck[] | undefined;
  private stability: StabilityOfAll | undefined;
  private readonly underOne = new Map<string, readonly MemberCheck[]>();
  private modes: VibrationMode[] | undefined;
  private shapes: ShapesOnDemand | undefined;
  private remarks: readonly Remark[] | undefined;
  private reached: (typeof order)[number] = 'nothing';
  private overrides: AlternativeSummary['overrides'] = {};
  private readonly table: FigureTable;

  constructor(
    private readonly design: Design,
    private readonly alternative: Alternative,
  ) {
    this.table = new FigureTable(design.figures);
  }

  get id(): string {
    return this.alternative.id;
  }

  /** Runs up to a stage. Returns false where it failed: the summary says why. */
  advance(stage: StageName, progress?: Progress): boolean {
    return inOneGo(this.towards(stage, progress));
  }

  /**
   * The same in parts, between which others may be heard; the first ends when the frame is built and can be drawn.
   *
   * @param progress its `step` throws to stop a part; the run is of no use after that
   * @param shown load case or combination whose forces can be drawn before those of the others are known
   */
  *towards(stage: StageName, progress?: Progress, shown?: string): Generator<undefined, boolean> {
    while (this.problems.length === 0 && order.indexOf(this.reached) < order.indexOf(stage)) {
      const next = order[order.indexOf(this.reached) + 1] as StageName;
      try {
        yield* this.work(next, progress, shown);
        this.reached = next;
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error;
        this.problems = this.worded(error.problems);
        if (error.problems.some(({ code }) => code === 'diverged')) yield* this.workPastCritical(progress);
      }
    }
    return this.problems.length === 0;
  }

  /** Past the critical load: the forces of first order, and how the frame buckles. */
  private *workPastCritical(progress: Progress | undefined): Generator<undefined> {
    const settings = { cases: true, ...(progress ? { progress } : {}) };
    const outcome = attempt(() => analysed(this.built!.model, settings));
    // Why the frame has no forces of second order is said; without those of first order there is nothing more to show
    if (!outcome.ok) return;
    this.forces = outcome.value;
    this.shownForces = undefined;
    this.stability = yield* stabilityInParts(outcome.value, progress);
  }

  private worded(problems: readonly Problem[]): readonly Problem[] {
    const { built, namer } = this;
    return built && namer ? problems.map((one) => inWords(one, built.geometry, namer)) : problems;
  }

  /** Whether it failed at a stage before this one, so that there is nothing new to tell. */
  failedBefore(stage: StageName): boolean {
    return this.problems.length > 0 && order.indexOf(this.reached) + 1 < order.indexOf(stage);
  }

  /** Whether the forces of what is shown are there, and those of the others so far away that it is worth drawing them. */
  get isShownFirst(): boolean {
    return this.shownForces !== undefined && this.weight > soonDone;
  }

  /** Whether its checks take long enough to be noticed. */
  get isLarge(): boolean {
    return this.weight > manyChecks;
  }

  /** Members times combinations. */
  private get weight(): number {
    const { built } = this;
    return built ? built.model.members.length * built.combinations.length : 0;
  }

  private *work(
    stage: StageName,
    progress: Progress | undefined,
    shown: string | undefined,
  ): Generator<undefined> {
    if (stage === 'forces') {
      yield* this.workForces(progress, shown);
      return;
    }
    const forces = this.forces!;
    if (stage === 'checks') {
      // Lengths from the frame must be known before the checks
      if (wantsLengths(forces)) this.stability = yield* stabilityInParts(forces, progress);
      this.checker = checkerOf(forces, this.stability?.lengths);
      this.checks = this.checker.checkAll(progress ? { progress } : {});
      return;
    }
    this.stability ??= yield* stabilityInParts(forces, progress);
    const wanted = Math.max(
      0,
      ...this.design.figures
        .filter((spec) => figureKindOf(spec).needs === 'modes')
        .map(({ number = 1 }) => number),
    );
    if (wanted > 0) this.modes = vibrationModes(prepareEquations(forces.frame), wanted + 6, progress);
  }

  private *workForces(progress: Progress | undefined, shown: string | undefined): Generator<undefined> {
    const outcome = buildFrame(this.design, this.alternative);
    // Parameters are shown although the frame cannot be built
    if (!outcome.ok) this.parameters = parametersOf(this.design, this.alternative);
    this.built = unwrapped(outcome);
    this.namer = new Namer(this.built.geometry);
    this.parameters = this.built.parameters;
    this.overrides = overridesOf(this.built);
    yield;
    const parts = analysedInParts(this.built.model, {
      secondOrder: this.design.analysis.order === 2,
      cases: true,
      ...(progress ? { progress } : {}),
      ...(shown === undefined ? {} : { before: shown }),
    });
    for (;;) {
      const { done, value } = parts.next();
      if (done) {
        this.forces = value;
        this.shownForces = undefined;
        return;
      }
      this.shownForces = value;
      yield;
    }
  }

  private get source(): FigureSource | undefined {
    const { built, forces, checker, checks, stability, modes } = this;
    if (!built || !forces) return undefined;
    return {
      built,
      forces,
      ...(checker ? { checker } : {}),
      ...(checks ? { checks } : {}),
      ...(stability ? { stability: stability.stability } : {}),
      ...(modes ? { modes } : {}),
    };
  }

  /** What is known now. `shown` is the load case or combination whose balance is told. */
  summary(shown: string): AlternativeSummary {
    const { built, forces, checks, namer } = this;
    const failed = this.problems.length > 0;
    if (this.reached === 'complete' || failed) this.lookOver();
    const verdict =
      forces && this.checks
        ? verdictOf(forces, this.checks, this.stability?.stability ?? new Map())
        : undefined;
    const figures = failed ? [] : this.table.summaries(this.source, this.namer);
    return {
      id: this.alternative.id,
      stage: failed ? 'failed' : this.reached === 'nothing' ? 'frame' : this.reached,
      problems: this.problems,
      built: built !== undefined,
      results: this.results(),
      figures,
      status: summaryStatus(verdict?.status, figures, { failed, complete: this.reached === 'complete' }),
      over: verdict?.over.length ?? 0,
      notCovered: verdict?.notCovered.length ?? 0,
      members: checks && forces && namer ? memberSummaries(checks, forces, namer) : [],
      memberCount: this.checks?.length ?? 0,
      ...nearness(this.stability),
      ...(verdict?.alphaCrMember === undefined ? {} : { alphaCrMember: verdict.alphaCrMember }),
      secondOrderNeeded: verdict?.secondOrderNeeded ?? false,
      order: forces?.order ?? this.design.analysis.order,
      code: this.design.code.name ?? 'EN1993',
      notes: [
        ...(built?.notes ?? []),
        ...((forces ?? this.shownForces)?.notes ?? []).map((message) => ({
          code: 'analysis',
          message,
          where: {},
        })),
      ],
      ...(forces ? { loads: loadSums(forces) } : {}),
      ...(this.remarks ? { remarks: this.remarks } : {}),
      parameters: parameterSummaries(this.parameters),
      ...balanceOf(this.forces ?? this.shownForces, shown),
      slices: built && this.design.space === 'solid' ? slicesOf(built.geometry) : [],
      governing: governing(this.checks, figures),
      overrides: this.overrides,
      matches: Object.fromEntries([...(built?.matches ?? [])].map(([id, parts]) => [id, parts.length])),
    };
  }

  /** The model check alone; without being asked it comes last, or where nothing more comes. */
  lookOver(progress?: Progress): void {
    const { built, namer } = this;
    if (built && namer)
      this.remarks ??= [
        ...mechanismRemarks(this.problems, built, namer),
        ...remarksOf(built, namer, progress),
      ];
  }

  private results(): AlternativeSummary['results'] {
    const { built, stability, modes } = this;
    if (!built) return [];
    const known = stability?.stability;
    const nearest = known && nearestToInstability(known)?.id;
    return shownResults({
      built,
      ...(known ? { stability: known } : {}),
      ...(nearest === undefined ? {} : { nearest }),
      ...(modes ? { modes } : {}),
    });
  }

  /** The shortest condition that selects just these members or nodes, and what they are in words. */
  proposal(of: 'members' | 'nodes', ids: readonly string[]): Proposal | undefined {
    return this.built && this.namer && proposalFor(this.built, this.namer, of, ids);
  }

  /** The place of a member that was meant by a share of one of its pieces, by a name that steps can use. */
  place(member: string, share: number): NamedPlace | undefined {
    const { built, namer } = this;
    return built && namer && placeOn(built.geometry, namer, member, share);
  }

  /** A table of results, as `tables/` lists them; undefined while there are no forces. */
  resultTable(kind: string, question: TableQuestion): ResultTable | undefined {
    const { forces, namer } = this;
    const found = tableKinds.find((one) => one.kind === kind);
    return forces && namer && found && fillTable(found, { forces, namer }, question);
  }

  /** The members or nodes that a condition selects, or why it selects none. */
  selection(of: 'members' | 'nodes', condition: string): Selected {
    return this.built ? selectedBy(this.built, of, condition) : { ids: [] };
  }

  /** What its members or nodes have in each tag that conditions can ask for. */
  tagValues(of: 'members' | 'nodes'): Readonly<Record<string, readonly (string | number)[]>> {
    return this.built ? tagValues(this.built, of) : {};
  }

  /** The drawing of what is known; undefined where not even the frame could be built. */
  draw(options: DrawingOptions): DrawnScene | undefined {
    const { built, forces, checks } = this;
    if (!built) return undefined;
    // Numbers go before shapes that take long: those of large frames wait until all is known
    const shapes =
      forces &&
      (forces.frame.memberIds.length <= quickShapes || this.reached === 'complete') &&
      (this.shapes ??= new ShapesOnDemand(forces, () => ({
        buckling: this.stability?.modes,
        modes: this.modes,
      })));
    const shape = this.problems.find(({ code }) => code === 'mechanism')?.where['shape'] as
      Record<string, number[]> | undefined;
    const drawn = forces ?? this.shownForces;
    const outcome = attempt(() =>
      drawAlternative(
        {
          built,
          ...(this.namer ? { namer: this.namer } : {}),
          ...(drawn ? { forces: drawn } : {}),
          ...(checks ? { checks, checksUnder: (id: string) => this.checksUnder(id) } : {}),
          ...(shapes ? { shapes } : {}),
          ...(shape ? { mechanism: shape } : {}),
        },
        { ...options, order: this.design.analysis.order },
      ),
    );
    return outcome.ok ? outcome.value : undefined;
  }

  /** The checks under one strength combination alone, worked out when they are first asked for. */
  private checksUnder(id: string): readonly MemberCheck[] | undefined {
    const isOne = this.forces?.selections.some((one) => one.id === id && one.state === 'strength');
    if (!isOne || !this.checker) return undefined;
    let known = this.underOne.get(id);
    if (!known) this.underOne.set(id, (known = this.checker.checkAll({ under: id })));
    return known;
  }

  /** Values at a place of a member (a share of its piece) under a load case or combination. */
  reading(result: string, member: string, share: number): Reading | undefined {
    return this.forces && this.namer && readingAt(this.forces, this.namer, result, member, share);
  }

  /** The frame that was built, for lists of what it is made of. */
  get frame(): BuiltFrame | undefined {
    return this.built;
  }

  /** A small picture of what each step did. */
  miniatures(): StepMiniature[] {
    return stepMiniatures(this.design, this.alternative);
  }

  /** What each load case comes to: the sums of its loads. */
  sums(): CaseSum[] {
    return this.forces ? caseSums(this.forces) : [];
  }

  /** The way to a figure, line by line; of the shown load case or combination only where `result` is given. */
  trace(figure: string, result?: string): { figure: FigureSummary; steps: CalculationStep[] } | undefined {
    const { source, namer } = this;
    return source && namer && this.table.trace(figure, result, source, namer);
  }

  /** A figure's value under one load case or combination alone. */
  underAlone(result: string): FigureSummary[] {
    return this.source && this.namer ? this.table.underAlone(result, this.source, this.namer) : [];
  }

  /** Every condition of a physical member, the worst first, and the steps of the worst. */
  memberSteps(member: string): CalculationStep[] {
    return this.checker ? checkedSteps(this.checker, member) : [];
  }

  /** What a part matched: ids of the members and nodes of a rule. */
  matchesOf(rule: string): readonly string[] {
    return this.built?.matches.get(rule) ?? [];
  }
}
