import { fail, unwrapped } from '../../base/problem.js';
import { buildFrame, type BuiltFrame } from '../../build/build.js';
import { applyAlternative } from '../../document/alternatives.js';
import type { Alternative, Design } from '../../document/types.js';
import type { FrameModel } from '../../model/types.js';
import { differencesInWords } from '../comparison/differs.js';
import { contentsOf } from './contents.js';
import { distance, framed, type Framed } from './framed.js';
import { matchFrames } from './match-frames.js';
import { matchRecords, renamed } from './match-records.js';
import { absent, changedSentences, gone, inOneLine } from './sentences.js';

/** A node or a physical member, as the frame has it that it is in. */
export type Part = ({ readonly node: string } | { readonly member: string }) & { readonly title: string };

/** What a node or a member has otherwise than before. */
export type Changed = Part & { readonly what: string; readonly before: string; readonly after: string };

/** The `hashira-changes` document; m. */
export interface FrameChanges {
  readonly format: 'hashira-changes';
  readonly version: 1;
  /** Of designs; empty for frame models. */
  readonly sentences: readonly string[];
  readonly added: readonly Part[];
  readonly removed: readonly Part[];
  readonly moved: readonly {
    readonly node: string;
    readonly title: string;
    readonly by: readonly [number, number, number];
  }[];
  readonly changed: readonly Changed[];
}

/** What can be compared with another of its kind. */
export type Comparable =
  | {
      readonly design: Design;
      readonly alternative: Alternative;
      /** Its frame, where it is built already. */
      readonly built?: BuiltFrame;
    }
  | { readonly model: FrameModel };

/**
 * What changed from one design to another, from one alternative to another, or from one frame model to another.
 *
 * @throws ProblemError `different-kinds` for a design beside a frame model, and what building the frames throws
 */
export function changesBetween(before: Comparable, after: Comparable): FrameChanges {
  if ('model' in before && 'model' in after)
    return {
      ...head,
      sentences: [],
      ...frameChanges(framed(before.model), framed(after.model), sameCases(before.model, after.model)),
    };
  if ('model' in before || 'model' in after)
    return fail(
      'different-kinds',
      'A design and a frame model cannot be compared; give two of one kind.',
      {},
    );
  const [a, b] = [before, after].map(({ design, alternative, built }) => {
    const frame = built ?? unwrapped(buildFrame(design, alternative));
    return framed(frame.model, frame);
  }) as [Framed, Framed];
  const cases = renamed(matchRecords(before.design.loadCases, after.design.loadCases));
  const changes = frameChanges(a, b, cases);
  return { ...head, sentences: sentencesOf(before, after, changes), ...changes };
}

/** What changed from one state of a design to another, in sentences. */
export const designChangesInWords = (before: Design, after: Design): string[] =>
  changedSentences(before, after).map(inOneLine);

/** The same without what was written in what came or went: "Step "Drawn member" added". */
export const designChangesInShort = (before: Design, after: Design): string[] =>
  changedSentences(before, after).map((sentence) => {
    const what = `${sentence.what[0]!.toUpperCase()}${sentence.what.slice(1)}`;
    if (sentence.before === absent) return `${what} added`;
    return sentence.after === gone ? `${what} removed` : inOneLine(sentence);
  });

const head = { format: 'hashira-changes', version: 1 } as const;

type OfDesign = Extract<Comparable, { readonly design: Design }>;
type PartChanges = Pick<FrameChanges, 'added' | 'removed' | 'moved' | 'changed'>;

function sentencesOf(before: OfDesign, after: OfDesign, changes: PartChanges): string[] {
  if (before.design === after.design)
    return betweenAlternatives(before.design, before.alternative, after.alternative);
  const said = changedSentences(before.design, after.design).map(inOneLine);
  const differs = Object.values(changes).some((list) => list.length > 0);
  return said.length > 0 || !differs
    ? said
    : ['Steps or rules stand in another order: later ones win over earlier ones.'];
}

/** Choices and own values, then what they come to in parameters, steps and rules. */
function betweenAlternatives(design: Design, before: Alternative, after: Alternative): string[] {
  const alone = (alternative: Alternative): Design => ({
    ...applyAlternative(design, alternative),
    choices: [],
    alternatives: [{ id: 'a', title: '', picks: {} }],
  });
  return [
    ...differencesInWords(design, after, before),
    ...changedSentences(alone(before), alone(after)).map(inOneLine),
  ];
}

/** Load cases of a model that are called otherwise but hold the same, to what they were called. */
const sameCases = (before: FrameModel, after: FrameModel): Map<string, string> =>
  renamed(matchRecords(before.loadCases ?? [], after.loadCases ?? []));

/** A move below this is rounding, m. */
const still = 1e-7;

function frameChanges(before: Framed, after: Framed, cases: ReadonlyMap<string, string>): PartChanges {
  const matched = matchFrames(before, after);
  const own = {
    before: contentsOf(before, (id) => id),
    after: contentsOf(after, (id) => cases.get(id) ?? id),
  };
  const [nodesAfter, linesAfter] = [new Set(matched.nodes.values()), new Set(matched.lines.values())];
  const nodePart = ({ id, title }: { readonly id: string; readonly title: string }) => ({ node: id, title });
  const linePart = ({ id, title }: { readonly id: string; readonly title: string }) => ({
    member: id,
    title,
  });
  const nodePairs = [...matched.nodes].map(([a, b]) => [before.nodes.get(a)!, after.nodes.get(b)!] as const);
  const linePairs = [...matched.lines].map(([a, b]) => [before.lines.get(a)!, after.lines.get(b)!] as const);
  return {
    added: [
      ...[...after.nodes.values()].filter(({ id }) => !nodesAfter.has(id)).map(nodePart),
      ...[...after.lines.values()].filter(({ id }) => !linesAfter.has(id)).map(linePart),
    ],
    removed: [
      ...[...before.nodes.values()].filter(({ id }) => !matched.nodes.has(id)).map(nodePart),
      ...[...before.lines.values()].filter(({ id }) => !matched.lines.has(id)).map(linePart),
    ],
    moved: nodePairs
      .filter(([a, b]) => distance(a.at, b.at) > still)
      .map(([a, b]) => ({
        ...nodePart(b),
        by: [b.at[0] - a.at[0], b.at[1] - a.at[1], b.at[2] - a.at[2]] as const,
      })),
    changed: [
      ...nodePairs.flatMap(([a, b]) => differing(nodePart(b), own.before.node(a.id), own.after.node(b.id))),
      ...linePairs.flatMap(([a, b]) => differing(linePart(b), own.before.line(a), own.after.line(b))),
    ],
  };
}

function differing(
  part: Part,
  before: ReadonlyMap<string, string>,
  after: ReadonlyMap<string, string>,
): Changed[] {
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((what) => {
    const [old, now] = [before.get(what) ?? 'none', after.get(what) ?? 'none'];
    return old === now ? [] : [{ ...part, what, before: old, after: now }];
  });
}
