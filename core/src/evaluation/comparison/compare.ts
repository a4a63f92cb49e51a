import { prepareEquations, vibrationModes, type Progress } from '../../analysis/index.js';
import { attempt, type Problem } from '../../base/problem.js';
import { pickedOption } from '../../document/alternatives.js';
import type { Alternative, Design } from '../../document/types.js';
import { evaluateAlternative, type EvaluatedAlternative } from '../alternative.js';
import { sectionGroups } from '../section-groups/groups.js';
import { summaryOf } from '../summaries/summary-of.js';
import type { AlternativeSummary, SummaryStatus } from '../summaries/summary.js';
import { differencesInWords } from './differs.js';
import { comparedFigures, ranked, type ComparedFigure, type RankedFigure } from './figures.js';
import { foundationsOf, type Foundation } from './foundations.js';
import { evaluatedFree } from './free-frame.js';
import { pairShapes } from './pair-shapes.js';
import { placedModes, type PlacedShapes } from './placed-shapes.js';

/** A mode and the one of the reference that is most like it. */
export interface PairedMode {
  /** From 1; rigid motions are not counted. */
  readonly mode: number;
  /** Hz. */
  readonly frequency: number;
  /** Null where none of the reference is like it. */
  readonly pair: {
    readonly mode: number;
    /** Modal assurance criterion, 0 to 1. */
    readonly mac: number;
    /** Frequency over the reference's. */
    readonly ratio: number;
  } | null;
}

/** An alternative beside the reference; SI. */
export interface ComparedAlternative {
  readonly id: string;
  readonly title: string;
  readonly status: SummaryStatus;
  readonly alphaCr?: number;
  /** Why it could not be worked out; the rest compares without it. */
  readonly problems: readonly Problem[];
  /** In what it differs from the reference, in words. */
  readonly differs: readonly string[];
  /** The option that it picks, by choice. */
  readonly choices: Readonly<Record<string, string>>;
  /** Its own values of parameters, as they are written. */
  readonly own: Readonly<Record<string, string>>;
  /** By group that gives members their section. */
  readonly sections: Readonly<Record<string, string>>;
  readonly figures: Readonly<Record<string, ComparedFigure>>;
  readonly foundations: readonly Foundation[];
  /** Where modes were asked for. */
  readonly modes?: readonly PairedMode[];
  readonly notes: readonly string[];
}

/** The `hashira-comparison` document. */
export interface Comparison {
  readonly format: 'hashira-comparison';
  readonly version: 1;
  readonly title: string;
  readonly reference: string;
  /** The reference first. */
  readonly alternatives: readonly ComparedAlternative[];
  /** Figures by how much they differ among the alternatives that could be worked out. */
  readonly rank: readonly RankedFigure[];
}

export interface CompareOptions {
  /** Those to compare; all where left out. */
  readonly alternatives?: readonly Alternative[];
  /** The design's own where left out. */
  readonly reference?: Alternative;
  /** Elastic modes of each. */
  readonly modes?: number;
  /** Progress of one alternative. */
  readonly progressOf?: (alternative: Alternative) => Progress | undefined;
}

/** Modes of the reference beyond those asked for, to be paired with. */
const moreModes = 6;

/** Compares alternatives of a design with its reference. */
export function compare(design: Design, options: CompareOptions = {}): Comparison {
  const reference = options.reference ?? design.alternatives.find(({ id }) => id === design.reference)!;
  const asked = options.alternatives ?? design.alternatives;
  const all = [reference, ...new Set(asked.filter(({ id }) => id !== reference.id))];
  const evaluated = all.map((alternative) => {
    const progress = options.progressOf?.(alternative);
    return evaluatedFree(evaluateAlternative(design, alternative, 'complete', progress ? { progress } : {}));
  });
  return compareEvaluated(evaluated, options.modes);
}

/** Compares alternatives that are evaluated, the reference first. */
export function compareEvaluated(all: readonly EvaluatedAlternative[], modes = 0): Comparison {
  const [reference] = all as readonly [EvaluatedAlternative];
  const rows = all.map((of) => ({ of, summary: summaryOf(of, '') }));
  const paired = modes > 0 ? pairedWith(reference, modes) : undefined;
  return {
    format: 'hashira-comparison',
    version: 1,
    title: reference.design.title,
    reference: reference.alternative.id,
    alternatives: rows.map(({ of, summary }) => ({
      ...withModes(comparedWith(reference, rows[0]!.summary, of, summary), paired?.(of)),
    })),
    rank: ranked(rows.filter(({ summary }) => summary.problems.length === 0).map(({ summary }) => summary)),
  };
}

function comparedWith(
  reference: EvaluatedAlternative,
  base: AlternativeSummary,
  of: EvaluatedAlternative,
  summary: AlternativeSummary,
): ComparedAlternative {
  const { design, alternative, built, namer, evaluation, problems } = of;
  const isReference = of === reference;
  const figures = comparedFigures(summary, base);
  return {
    id: alternative.id,
    title: alternative.title,
    status: summary.status,
    ...(summary.alphaCr === undefined ? {} : { alphaCr: summary.alphaCr }),
    problems,
    differs: isReference ? [] : differencesInWords(design, alternative, reference.alternative),
    choices: Object.fromEntries(
      design.choices.map(({ id }) => [id, pickedOption(design.choices, alternative, id) ?? '']),
    ),
    own: { ...alternative.parameters },
    sections: built ? Object.fromEntries(sectionGroups(built).map(({ id, section }) => [id, section])) : {},
    figures: isReference
      ? Object.fromEntries(Object.entries(figures).map(([id, one]) => [id, { ...one, better: null }]))
      : figures,
    foundations: evaluation && namer && problems.length === 0 ? foundationsOf(evaluation.forces, namer) : [],
    notes: summary.notes.map(({ message }) => message),
  };
}

const withModes = (
  one: ComparedAlternative,
  paired: Pick<ComparedAlternative, 'modes' | 'notes'> | undefined,
): ComparedAlternative => (paired ? { ...one, ...paired, notes: [...one.notes, ...paired.notes] } : one);

/** The modes of an alternative, each with the one of the reference that is most like it. */
function pairedWith(
  reference: EvaluatedAlternative,
  count: number,
): (of: EvaluatedAlternative) => Pick<ComparedAlternative, 'modes' | 'notes'> {
  const base = modesOf(reference, count + moreModes);
  return (of) => {
    const own = of === reference ? base : modesOf(of, count);
    if (!own) return { modes: [], notes: ['It has no modes: its frame could not be built, or has no mass.'] };
    const first = { ...own, shapes: own.shapes.slice(0, count) };
    if (!base) return { modes: unpaired(first), notes: ['The reference has no modes to be paired with.'] };
    const modes = pairShapes(first, base).map(({ mode, value, pair }): PairedMode => {
      const { turned: _, ...told } = pair ?? { turned: false };
      return { mode, frequency: value, pair: pair ? (told as PairedMode['pair']) : null };
    });
    const places = new Set(base.places);
    return {
      modes,
      notes: own.places.some((place) => places.has(place))
        ? []
        : ['It has no member in common with the reference: its modes are not paired.'],
    };
  };
}

const unpaired = ({ shapes }: PlacedShapes): PairedMode[] =>
  shapes.map(({ value }, i) => ({ mode: i + 1, frequency: value, pair: null }));

/** At most so many elastic modes of an alternative; undefined where its frame has none. */
function modesOf({ evaluation }: EvaluatedAlternative, count: number): PlacedShapes | undefined {
  if (!evaluation) return undefined;
  const { forces, modes: known = [] } = evaluation;
  const elastic = (modes: typeof known) => modes.filter(({ frequency }) => frequency > 0);
  if (elastic(known).length >= count) return placedModes(forces, elastic(known).slice(0, count));
  const outcome = attempt(() => {
    const prepared = prepareEquations(forces.frame);
    const found = vibrationModes(prepared, count);
    const rigid = found.length - elastic(found).length;
    return elastic(rigid === 0 ? found : vibrationModes(prepared, count + rigid)).slice(0, count);
  });
  return outcome.ok && outcome.value.length > 0 ? placedModes(forces, outcome.value) : undefined;
}
