import { emptyRecord } from '../base/own-value.js';
import {
  analyse,
  bucklingModes,
  isUnilateral,
  prepareEquations,
  prepareFrame,
  vibrationModes,
  type Frame,
  type FrameState,
  type Prepared,
  type Progress,
} from '../analysis/index.js';
import type { FrameModel } from '../model/types.js';
import { explainingDivergence } from '../evaluation/stages/index.js';
import { attempt, ProblemError, unwrapped, type Outcome } from '../base/problem.js';
import { assertFinite } from './finite.js';
import { TrainEnvelopes, type TrainEnvelope } from './train-envelopes.js';
import { memberStations, resultSelections, stateEquilibrium, type Station } from '../results/index.js';

/** One load case or combination that has a state, in a results file; SI, global axes unless the frame model says otherwise. */
export interface ResultEntry {
  order: 1 | 2;
  iterations: number;
  nodes: Record<string, { u: number[]; r: number[] }>;
  reactions: Record<string, { F: number[]; M: number[] }>;
  members: Record<string, Station[]>;
  slack: string[];
  equilibrium: { applied: number[]; reactions: number[]; residual: number };
  /** Least and greatest values while the trains that take part travel over their lines. */
  envelope?: TrainEnvelope;
}

type Shape = Record<string, { u: number[]; r: number[] }>;

/** The `hashira-results` document. */
export interface ResultsFile {
  format: 'hashira-results';
  version: 1;
  /** A load case of nothing but trains has an envelope alone. */
  results: Record<string, ResultEntry | Required<Pick<ResultEntry, 'envelope'>>>;
  /** By load case and combination: critical factors, lowest first, and the nodes' shape. */
  buckling?: Record<string, { factor: number; shape: Shape }[]>;
  /** Frequencies in Hz, effective masses in kg along X, Y and Z. */
  modes?: { frequency: number; shape: Shape; effectiveMass: number[] }[];
  notes: string[];
}

/** What is asked of an analysis. */
export interface SolveOptions {
  /** Equally spaced places along each member, at least 2; 11 when left out. */
  stations?: number;
  secondOrder?: boolean;
  /** Buckling factors wanted for each load case and combination. */
  buckling?: number;
  /** Natural modes wanted. */
  modes?: number;
  progress?: Progress;
}

/** Analyses a checked model and lays the results out as a `hashira-results` document. */
export function solveToFile(model: FrameModel, options: SolveOptions = {}): Outcome<ResultsFile> {
  return attempt(() => {
    const frame = prepareFrame(model);
    const selections = resultSelections(model);
    const file: ResultsFile = {
      format: 'hashira-results',
      version: 1,
      results: emptyRecord(),
      notes: [],
    };
    // Modes need no support, forces do
    const free = (options.modes ?? 0) > 0 && (model.supports ?? []).length === 0;
    if (free && selections.length > 0)
      file.notes.push(
        'The frame has no supports: its load cases are left out, its modes are those of a free body.',
      );
    else if (selections.length > 0 || options.modes === undefined) addStates(file, model, frame, options);
    if (options.modes !== undefined && options.modes > 0) {
      options.progress?.stage?.('Natural modes');
      file.modes = vibrationModes(prepareEquations(frame), options.modes, options.progress).map(
        ({ frequency, shape, effectiveMass }) => ({
          frequency,
          shape: shapeOf(frame, shape),
          effectiveMass: [...effectiveMass],
        }),
      );
    }
    assertFinite(file, () => '');
    return file;
  });
}

function addStates(file: ResultsFile, model: FrameModel, frame: Frame, options: SolveOptions): void {
  const selections = resultSelections(model);
  options.progress?.stage?.('Forces and displacements');
  const combinations = selections.filter(({ kind }) => kind === 'combination');
  const outcome = attempt(() =>
    explainingDivergence(
      frame,
      combinations.length > 0 ? combinations : selections,
    )(() => unwrapped(analyse(frame, selections, options))),
  );
  if (!outcome.ok) throw new ProblemError(outcome.problems);
  const { prepared, states, notes } = outcome.value;
  file.notes.push(...notes);
  const stations = options.stations ?? 11;
  const trains = trainsOf(model, prepared, stations, options);
  if (trains && (options.secondOrder || isUnilateral(frame)))
    file.notes.push(
      'What trains bring is of first order, with all members acting; it is added to the results of the other loads.',
    );
  for (const { id, kind, factors } of selections) {
    const state = states.get(id);
    if (!state) continue;
    const alone = kind === 'case' && isUnloaded(model, id) && trains?.of(factors, undefined);
    if (alone) {
      file.results[id] = { envelope: alone };
      continue;
    }
    const envelope = trains?.of(factors, state);
    file.results[id] = {
      ...entryOf(model, frame, state, factors, stations),
      ...(envelope ? { envelope } : {}),
    };
  }
  if (options.buckling === undefined || options.buckling === 0) return;
  // Buckling goes by the first-order forces
  const first = options.secondOrder
    ? analyse(frame, selections, { ...options, secondOrder: false })
    : outcome;
  if (!first.ok) throw new ProblemError(first.problems);
  file.buckling = emptyRecord();
  for (const { id } of selections) {
    const state = first.value.states.get(id);
    if (!state) continue;
    options.progress?.stage?.(`Buckling of ${id}`);
    file.buckling[id] = bucklingModes(prepared, state, options.buckling, { progress: options.progress }).map(
      ({ factor, shape }) => ({ factor, shape: shapeOf(frame, shape) }),
    );
  }
}

function trainsOf(
  model: FrameModel,
  prepared: Prepared,
  stations: number,
  { progress }: SolveOptions,
): TrainEnvelopes | undefined {
  if ((model.trains ?? []).length === 0) return undefined;
  progress?.stage?.('Envelopes of trains');
  return new TrainEnvelopes(model, prepared, stations, progress);
}

/** A load case in which nothing but trains can act. */
function isUnloaded(model: FrameModel, id: string): boolean {
  const loadCase = model.loadCases?.find((one) => one.id === id);
  return (loadCase?.loads ?? []).length === 0 && !loadCase?.selfWeight;
}

function shapeOf(frame: Frame, shape: Float64Array): Shape {
  return Object.fromEntries(
    frame.nodeIds.map((node, n) => [
      node,
      { u: [...shape.subarray(6 * n, 6 * n + 3)], r: [...shape.subarray(6 * n + 3, 6 * n + 6)] },
    ]),
  );
}

function entryOf(
  model: FrameModel,
  frame: ReturnType<typeof prepareFrame>,
  state: FrameState,
  factors: Float64Array,
  stations: number,
): ResultEntry {
  const three = (values: Float64Array, at: number) => [...values.subarray(at, at + 3)];
  const balance = stateEquilibrium(frame, state, factors);
  return {
    order: state.order,
    iterations: state.iterations,
    nodes: Object.fromEntries(
      frame.nodeIds.map((node, n) => [
        node,
        { u: three(state.displacements, 6 * n), r: three(state.displacements, 6 * n + 3) },
      ]),
    ),
    reactions: Object.fromEntries(
      (model.supports ?? []).map(({ node }) => {
        const at = 6 * frame.nodeIndex.get(node)!;
        return [node, { F: three(state.reactions, at), M: three(state.reactions, at + 3) }];
      }),
    ),
    members: Object.fromEntries(
      frame.memberIds.map((member, m) => [member, memberStations(frame, state.field(m), m, stations)]),
    ),
    slack: frame.memberIds.filter((_, m) => state.slack[m] === 1),
    equilibrium: {
      applied: [...balance.applied],
      reactions: [...balance.reactions],
      residual: balance.residual,
    },
  };
}
