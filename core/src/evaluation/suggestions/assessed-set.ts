import { ProblemError, type Problem } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';
import type { MemberCheck, MemberChecker } from '../../checks/index.js';
import type { FigureSpec } from '../../document/types.js';
import { combinationOf } from '../../results/index.js';
import {
  figureKindOf,
  judging,
  keepsLimit,
  limitOf,
  type FigureSource,
  type Needs,
} from '../figures/index.js';
import {
  analysed,
  checkerOf,
  stabilityOf,
  verdictOf,
  wantsLengths,
  type StabilityOfAll,
} from '../stages/index.js';
import { vibrationModes, prepareEquations } from '../../analysis/index.js';

/** What a set must keep beside what the design asks for. */
export interface Demands {
  /** Utilisation that no member may exceed. */
  readonly target: number;
  /** Physical members that were not covered before: they may stay so. */
  readonly uncovered: ReadonlySet<string>;
  readonly secondOrder: boolean;
}

/** Why a set does not pass. */
export interface Failing {
  /** Greatest of utilisation to target and figure to limit as far as it was looked at; Infinity where no forces are found. */
  readonly ratio: number;
  /** Physical members and figures beyond, those that were looked at. */
  readonly members: readonly string[];
  readonly over: readonly string[];
  /** Second order is asked for, or something is newly not covered: no ratio speaks of it. */
  readonly other?: 'second order' | 'not covered' | 'no forces';
  readonly problems?: readonly Problem[];
}

/** A set that passes, or why not. */
export type AssessedSet = { readonly passes: true } | ({ readonly passes: false } & Failing);

/** Utilisations and figures keep their limit up to what rounding leaves. */
const rounding = 1 + 1e-9;

/**
 * Looks whether a frame passes: first what failed in the frame before, and no further than to the first thing that fails unless all is
 * asked for.
 */
export class SetAssessor {
  /** What failed last, which the next set is asked first. */
  private readonly suspects: string[] = [];
  /** The combination under which it did. */
  private combination: string | undefined;

  constructor(
    private readonly demands: Demands,
    private readonly figures: readonly FigureSpec[],
  ) {}

  assess(built: BuiltFrame, wholly = false): AssessedSet {
    try {
      const first = wholly ? undefined : this.underSuspect(built);
      return first ?? this.judge(built, wholly);
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      const { problems } = error;
      const state = problems[0]?.where['result'];
      // A state of a combination has its name before what tells it from the others
      const of = ({ id }: { id: string }) => state === id || String(state).startsWith(`${id}, `);
      this.combination = built.model.combinations?.find(of)?.id ?? this.combination;
      return { passes: false, ratio: Infinity, members: [], over: [], other: 'no forces', problems };
    }
  }

  /** Fails under the combination that failed last; undefined where that alone does not say so. */
  private underSuspect(built: BuiltFrame): AssessedSet | undefined {
    const { combinations = [] } = built.model;
    const own = combinations.filter(({ id }) => id === this.combination);
    if (own.length === 0 || combinations.length < 3) return undefined;
    const result = this.judge({ ...built, model: { ...built.model, combinations: own } }, false, true);
    return result.passes ? undefined : result;
  }

  /** @param inPart looks at forces and members only: what it does not find may still be there */
  private judge(built: BuiltFrame, wholly: boolean, inPart = false): AssessedSet {
    const forces = analysed(built.model, { secondOrder: this.demands.secondOrder, brief: true });
    const found = new Finding(wholly);
    const limited = this.figures.filter(({ limit }) => limit !== undefined);
    const read = (source: FigureSource, ...needs: Needs[]) => {
      for (const spec of limited)
        if (needs.includes(figureKindOf(spec).needs))
          this.combination = found.figure(spec, source) ?? this.combination;
    };
    if (!inPart || forces.selections.some(({ state }) => state === 'service'))
      read({ built, forces }, 'geometry', 'forces');
    if (found.ended()) return found.result();
    if (inPart && !forces.selections.some(({ state }) => state === 'strength')) return found.result();
    let stability: StabilityOfAll | undefined;
    const near = () => (stability ??= stabilityOf(forces));
    const checker = checkerOf(forces, wantsLengths(forces) ? near().lengths : undefined);
    const checks = this.checked(checker, found);
    if (found.ended() || inPart) return found.result();
    read({ built, forces, checker, checks }, 'checks');
    if (found.ended()) return found.result();
    const modes = Math.max(
      0,
      ...limited.map((spec) => (figureKindOf(spec).needs === 'modes' ? (spec.number ?? 1) : 0)),
    );
    if (
      this.demands.secondOrder &&
      modes === 0 &&
      !limited.some((spec) => figureKindOf(spec).needs === 'stability')
    )
      return found.result();
    const later: FigureSource = {
      built,
      forces,
      checker,
      checks,
      stability: near().stability,
      ...(modes > 0 ? { modes: vibrationModes(prepareEquations(forces.frame), modes) } : {}),
    };
    read(later, 'stability', 'modes');
    if (verdictOf(forces, checks, near().stability).secondOrderNeeded) found.otherwise('second order');
    return found.result();
  }

  /** Checks the members, suspects first; fewer than all where one fails and no more is asked. */
  private checked(checker: MemberChecker, found: Finding): MemberCheck[] {
    const { target, uncovered } = this.demands;
    const order = [...checker.members.keys()];
    const rank = (index: number) => this.suspects.indexOf(checker.members[index]!.id) + 1 || Infinity;
    order.sort((a, b) => rank(a) - rank(b) || a - b);
    const checks: MemberCheck[] = [];
    for (const index of order) {
      const check = checker.check(index);
      checks[index] = check;
      const { member, utilisation = 0, reasons } = check;
      found.member(member, utilisation / target);
      if (reasons.length > 0 && !uncovered.has(member)) found.otherwise('not covered', member);
      if (!found.ended()) continue;
      this.suspect(member);
      this.combination = check.governs?.combination ?? this.combination;
      break;
    }
    return checks;
  }

  private suspect(member: string): void {
    const { suspects } = this;
    const at = suspects.indexOf(member);
    if (at >= 0) suspects.splice(at, 1);
    suspects.unshift(member);
    suspects.length = Math.min(suspects.length, 8);
  }
}

/** What was found of one set so far. */
class Finding {
  private ratio = 0;
  private readonly members: string[] = [];
  private readonly over: string[] = [];
  private other: Failing['other'];

  constructor(private readonly wholly: boolean) {}

  /** Nothing more need be looked at. */
  ended(): boolean {
    return !this.wholly && (this.members.length > 0 || this.over.length > 0 || this.other !== undefined);
  }

  member(id: string, ratio: number): void {
    this.ratio = Math.max(this.ratio, ratio);
    if (ratio > rounding) this.members.push(id);
  }

  otherwise(reason: NonNullable<Failing['other']>, member?: string): void {
    this.other ??= reason;
    if (member !== undefined && !this.members.includes(member)) this.members.push(member);
  }

  /** The combination under which a figure is beyond its limit. */
  figure(spec: FigureSpec, source: FigureSource): string | undefined {
    const kind = figureKindOf(spec);
    const result = kind.compute(source, spec, judging(spec, source.forces.selections));
    const limit = limitOf(source, spec);
    if (!result || limit === undefined) return undefined;
    const value = Math.abs(result.value);
    this.ratio = Math.max(this.ratio, kind.limitIs === 'most' ? value / limit : limit / value);
    if (keepsLimit(spec, result.value, limit)) return undefined;
    this.over.push(spec.id);
    const { selections } = source.forces;
    const selection = selections.find(({ id }) => id === result.result);
    return selection && combinationOf(selection);
  }

  result(): AssessedSet {
    const { ratio, members, over, other } = this;
    if (members.length === 0 && over.length === 0 && other === undefined) return { passes: true };
    return { passes: false, ratio, members, over, ...(other === undefined ? {} : { other }) };
  }
}
