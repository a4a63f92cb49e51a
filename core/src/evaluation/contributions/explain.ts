import { fail } from '../../base/problem.js';
import type { MemberCheck } from '../../checks/index.js';
import type { FigureSpec } from '../../document/types.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import { checksUnder, type EvaluatedAlternative } from '../alternative.js';
import { figureSourceOf } from '../figures/figure-table.js';
import { figureKindOf, judging, type FigureResult, type FigureSource } from '../figures/index.js';
import { conditionForces, type ForceShare } from './condition-forces.js';
import { byLoadCase, type CaseShares } from './load-cases.js';
import { sharesIn, type Shares } from './shares.js';
import { unitLoadsOf } from './unit-loads.js';

/**
 * The `hashira-contributions` document, SI. A displacement has shares of members and others; a force has shares of load cases; a
 * utilisation has the forces that its governing condition reads, each with its load cases.
 */
export interface Contributions extends Partial<Shares>, Partial<CaseShares> {
  readonly format: 'hashira-contributions';
  readonly version: 1;
  readonly alternative: string;
  readonly figure: string;
  readonly title: string;
  /** N, N·m, m, rad; of a drift or a utilisation a share of 1. */
  readonly value: number;
  readonly combination: string;
  /** Of a combination with several states the one that counts. */
  readonly situation?: string;
  readonly node?: string;
  readonly member?: string;
  /** m along the member. */
  readonly x?: number;
  readonly component?: string;
  /** Of a utilisation: the clause and the name of its governing condition. */
  readonly condition?: { readonly clause: string; readonly title: string };
  readonly forces?: readonly ForceShare[];
}

/**
 * Where a figure of an alternative comes from, under one combination or load case, or under the worst of those that judge it.
 *
 * @throws ProblemError `unknown-figure`, `unknown-combination`, `no-value`, `not-supported`, and the alternative's own problems
 */
export function explain(of: EvaluatedAlternative, figure: string, under?: string): Contributions {
  const spec = figureNamed(of.design.figures, figure);
  const source = figureSourceOf(of);
  if (!source || !of.namer)
    return fail('no-value', 'The alternative has no forces: its frame could not be analysed.', {});
  const { result, selection, checks } = figureUnder(of, source, spec, under);
  const head = {
    format: 'hashira-contributions' as const,
    version: 1 as const,
    alternative: of.alternative.id,
    figure: spec.id,
    title: spec.title,
    value: result.value,
    combination: combinationOf(selection),
    ...(selection.situation ? { situation: selection.situation.words } : {}),
    ...(result.node === undefined ? {} : { node: result.node }),
    ...(result.member === undefined ? {} : { member: result.member }),
    ...(result.x === undefined ? {} : { x: result.x }),
  };
  const { forces } = source;
  const { frame, model } = forces;
  const state = forces.states.get(selection.id)!;
  const pieces = (line: string) =>
    source.built.geometry.lines.get(line)!.members.map((member) => frame.memberIndex.get(member)!);
  const unit = unitLoadsOf(spec, result, frame, state, pieces);
  if (unit) {
    const moved = { model, frame: forces.frameOf(selection.id), state, factors: selection.factors };
    return { ...head, component: unit.component, ...sharesIn(moved, unit, of.namer) };
  }
  const valueIn = figureKindOf(spec).valueIn?.(source, spec, result);
  if (valueIn) return { ...head, ...byLoadCase(of, selection, valueIn) };
  if (spec.kind === 'utilisation') return { ...head, ...conditionForces(of, selection, result, checks) };
  return notFromLoads(spec);
}

/** Whether it can be said where a figure comes from. */
export const isExplained = (spec: FigureSpec): boolean =>
  figureKindOf(spec).valueIn !== undefined ||
  ['displacement', 'drift', 'deflection', 'utilisation'].includes(spec.kind);

const notFromLoads = (spec: FigureSpec): never =>
  fail(
    'not-supported',
    `The figure "${spec.title}" is neither a displacement, a force nor a utilisation; its formula says where it comes from.`,
    { figure: spec.id },
  );

function figureNamed(figures: readonly FigureSpec[], name: string): FigureSpec {
  return (
    figures.find(({ id }) => id === name) ??
    figures.find(({ title }) => title.toLowerCase() === name.trim().toLowerCase()) ??
    fail(
      'unknown-figure',
      `The design has no figure "${name}"; it has ${figures.map(({ id }) => id).join(', ') || 'none'}.`,
      { figure: name },
    )
  );
}

/** A figure read under one load case or combination, or the worst of those that judge it. */
function figureUnder(
  of: EvaluatedAlternative,
  source: FigureSource,
  spec: FigureSpec,
  under: string | undefined,
): {
  readonly result: FigureResult;
  readonly selection: ResultSelection;
  readonly checks: readonly MemberCheck[];
} {
  const { selections } = source.forces;
  const asked =
    under === undefined
      ? judging(spec, selections)
      : selections.filter((one) => one.id === under || combinationOf(one) === under);
  if (asked.length === 0 && under !== undefined)
    fail(
      'unknown-combination',
      `There is no combination or load case "${under}"; the design has ${[...new Set(selections.map(combinationOf))].join(', ')}.`,
      { combination: under },
    );
  // Checks are kept over all combinations: under one they are another reading
  const checks =
    under === undefined
      ? (source.checks ?? [])
      : [...new Set(asked.map(combinationOf))].flatMap((id) => checksUnder(of, id) ?? []);
  const result = figureKindOf(spec).compute({ ...source, checks }, spec, asked);
  if (!result)
    return fail(
      'no-value',
      `The figure "${spec.title}" has no value in this alternative: there is nothing to read it from.`,
      { figure: spec.id },
    );
  // Of a combination with several states that is meant in which the condition governs
  const governs =
    spec.kind === 'utilisation'
      ? checks.find(({ member, utilisation }) => member === result.member && utilisation === result.value)
          ?.governs
      : undefined;
  const selection =
    selections.find(
      (one) => combinationOf(one) === governs?.combination && one.situation?.words === governs.situation,
    ) ?? selections.find(({ id }) => id === result.result);
  return selection ? { result, selection, checks } : notFromLoads(spec);
}
