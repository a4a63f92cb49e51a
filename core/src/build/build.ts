import { checkModel } from '../model/check.js';
import { findOutOfRange } from '../model/magnitudes.js';
import { memberAxes } from '../model/axes.js';
import type { Flange, FlangeRestraint, FrameModel, Member, Vector } from '../model/types.js';
import { attempt, problem, ProblemError, type Outcome, type Problem } from '../base/problem.js';
import type { Axis } from './axes.js';
import { SectionTable } from './sections.js';
import { allCombinations } from '../combinations/index.js';
import type { Names } from '../language/compile.js';
import type { Geometry, GeometryMember, Note } from '../geometry/geometry.js';
import { namerOf } from './namer.js';
import { minus } from '../geometry/vector.js';
import { resolveAlternative, stopAt } from './resolve.js';
import type { ParameterValues } from './parameters.js';
import { runSteps } from './run-steps.js';
import type { Assignment } from '../rules/assignment.js';
import { applyRules, type RuleMatches } from '../rules/index.js';
import { loadNotes } from './load-notes.js';
import type { Alternative, Design, DesignCombination } from '../document/types.js';
import { metric } from '../units/units.js';

/** A frame model with what it came from. */
export interface BuiltFrame {
  readonly model: FrameModel;
  /** The design as the alternative sees it. */
  readonly design: Design;
  readonly geometry: Geometry;
  readonly parameters: ParameterValues;
  readonly axes: readonly Axis[];
  /** What the rules gave, and which rule gave what. */
  readonly assignment: Assignment;
  /** Members and nodes that each rule matches. */
  readonly matches: RuleMatches;
  readonly combinations: readonly DesignCombination[];
  /** Names for expressions that read tags, such as conditions of figures. */
  readonly names: Names;
  /** Welds, rules that match nothing or are overridden, area loads. */
  readonly notes: readonly Note[];
}

/**
 * Builds one alternative's frame model: parameters, steps, rules, loads, combinations.
 *
 * @param units in which problems and notes tell quantities
 * @returns the frame, or every problem found on the way, each with its place in the design
 */
export function buildFrame(design: Design, alternative: Alternative, units = metric): Outcome<BuiltFrame> {
  return attempt(() => {
    const { design: own, parameters, axes, names } = resolveAlternative(design, alternative, units);
    const { geometry, problems: wrongSteps } = runSteps(own, names);
    stopAt(wrongSteps);
    const problems: Problem[] = [];
    const { assignment, matches } = applyRules(own, geometry, names, problems);
    const combinations = attempt(() => allCombinations(own));
    if (!combinations.ok) problems.push(...combinations.problems);
    if (problems.length === 0 && geometry.members.size === 0)
      problems.push(problem('geometry', 'The recipe makes no member; add a step, or switch one on.', {}));
    if (problems.length === 0) problems.push(...withoutSection(own, geometry, assignment));
    stopAt(problems);
    const made = combinations.ok ? combinations.value : [];
    const model = modelOf(own, alternative, geometry, assignment, made);
    stopAt([...findOutOfRange(model), ...checkModel(model)]);
    const notes = [...geometry.notes, ...assignment.notes, ...loadNotes(own, model)];
    return {
      model,
      design: own,
      geometry,
      parameters,
      axes,
      assignment,
      matches,
      combinations: made,
      names,
      notes,
    };
  });
}

/** Members that no rule gives a section or a material; a few of many are named. */
function withoutSection(design: Design, geometry: Geometry, { section, material }: Assignment): Problem[] {
  const own = new Map(design.sections.map((one) => [one.id, one.material]));
  const problems: Problem[] = [];
  const ask = (what: 'section' | 'material', missing: string[]) => {
    if (missing.length === 0) return;
    const others = missing.length > 1 ? ` and ${missing.length - 1} more` : '';
    problems.push(
      problem(
        `no-${what}`,
        `No rule gives the ${namerOf({ geometry, design }).member(missing[0]!)}${others} a ${what}; add one that matches.`,
        {
          member: missing[0]!,
          count: missing.length,
        },
      ),
    );
  };
  const ids = [...geometry.members.keys()];
  ask(
    'section',
    ids.filter((id) => !section.has(id)),
  );
  ask(
    'material',
    ids.filter((id) => section.has(id) && !material.has(id) && !own.has(section.get(id)!)),
  );
  return problems;
}

function modelOf(
  design: Design,
  alternative: Alternative,
  geometry: Geometry,
  assignment: Assignment,
  combinations: readonly DesignCombination[],
): FrameModel {
  const table = new SectionTable(design);
  const members = [...geometry.members.values()].map((member) =>
    modelMember(member, geometry, assignment, table),
  );
  const materials = [...new Set([...table.sections.values()].map((section) => section.material))];
  const ownMaterials = new Map(design.materials.map((material) => [material.id, material]));
  const kept = nodesThatStay(geometry, assignment);
  const only = <T extends { node: string }>(items: Iterable<T>): T[] =>
    [...items].filter(({ node }) => kept.has(node));
  return {
    format: 'hashira-frame',
    version: 1,
    title: `${design.title}: ${alternative.title}`,
    space: design.space,
    materials: materials.map((id) => ownMaterials.get(id) ?? { id }),
    sections: [...table.sections.values()],
    nodes: [...geometry.nodes.values()]
      .filter(({ id }) => kept.has(id))
      .map(({ id, at: [x, y, z] }) => ({ id, x, y, z })),
    members,
    supports: only(assignment.supports.values()),
    ...(geometry.floors.length > 0
      ? {
          rigidGroups: geometry.floors.map(({ id, nodes, kind, normal }) => ({
            id,
            nodes: [...nodes],
            kind,
            ...(kind === 'plane' ? { normal: [...normal] as Vector } : {}),
          })),
        }
      : {}),
    ...(assignment.masses.size > 0
      ? { masses: [...assignment.masses].map(([node, m]) => ({ node, m })) }
      : {}),
    loadCases: design.loadCases.map(({ id, category, selfWeight }) => ({
      id,
      category,
      selfWeight: selfWeight ?? 0,
      loads: [...(assignment.loads.get(id) ?? [])],
    })),
    combinations: combinations.map(({ id, title, state, factors }) => ({
      id,
      ...(title ? { title } : {}),
      state,
      factors,
    })),
    ...(assignment.trains.length > 0 ? { trains: [...assignment.trains] } : {}),
    ...(design.analysis.massFrom ? { massFrom: design.analysis.massFrom } : {}),
    code: { ...design.code, ...(design.analysis.imperfections ? { imperfections: true } : {}) },
  };
}

/** Nodes with members, and those that a rigid group, a mass or a load needs. */
function nodesThatStay(geometry: Geometry, assignment: Assignment): Set<string> {
  const kept = new Set<string>();
  for (const { start, end } of geometry.members.values()) kept.add(start).add(end);
  for (const { nodes } of geometry.floors) for (const node of nodes) kept.add(node);
  for (const node of assignment.masses.keys()) kept.add(node);
  for (const loads of assignment.loads.values())
    for (const load of loads) if (load.kind === 'node') kept.add(load.node);
  return kept;
}

function modelMember(
  member: GeometryMember,
  geometry: Geometry,
  assignment: Assignment,
  table: SectionTable,
): Member {
  const { id, start, end, taper } = member;
  const name = assignment.section.get(id)!;
  const material = assignment.material.get(id) ?? table.materialOf(name)!;
  const at = (fraction: number) =>
    taper ? table.tapered(name, material, taper, fraction, id) : table.plain(name, material);
  const section = at(taper?.fractions[0] ?? 0);
  const endSection = taper ? at(taper.fractions[1]) : section;
  const made: { -readonly [K in keyof Member]: Member[K] } = { id, start, end, section };
  if (endSection !== section) made.endSection = endSection;
  const { roll, offsets } = setting(member, geometry, assignment.roll.get(id) ?? 0, name, table);
  if (roll !== 0) made.roll = roll;
  const action = assignment.action.get(id);
  if (action && action !== 'frame') made.action = action;
  const hinges = assignment.hinges.get(id);
  if (hinges) made.hinges = hinges;
  if (offsets) made.offsets = offsets;
  const design = designOf(member, geometry, assignment);
  if (design) made.design = design;
  return made;
}

/** What the checks take for a member: what rules say, its physical member, the nodes that hold it. */
function designOf(member: GeometryMember, geometry: Geometry, assignment: Assignment): Member['design'] {
  const line = geometry.lines.get(member.line)!;
  const group = assignment.groups.get(line.id) ?? (line.members.length > 1 ? line.id : undefined);
  const given = assignment.design.get(member.id);
  const holding = assignment.restraints.get(member.id);
  const restraints = holding ? restraintsOf(line.members, geometry, holding) : [];
  if (!given && group === undefined && restraints.length === 0) return undefined;
  return {
    ...given,
    ...(group === undefined ? {} : { group }),
    ...(restraints.length > 0 ? { restraints } : {}),
  };
}

/** Nodes of a physical member that hold its flange. */
function restraintsOf(
  pieces: readonly string[],
  geometry: Geometry,
  { top, bottom }: Partial<Record<Flange, ReadonlySet<string>>>,
): (string | FlangeRestraint)[] {
  const nodes = new Set(
    pieces.flatMap((id) => [geometry.members.get(id)!.start, geometry.members.get(id)!.end]),
  );
  return [...nodes].flatMap((node): (string | FlangeRestraint)[] => {
    const [above, below] = [top?.has(node) ?? false, bottom?.has(node) ?? false];
    if (above && below) return [node];
    return above || below ? [{ node, flange: above ? 'top' : 'bottom' }] : [];
  });
}

/** A member's roll, and the arms by which its axis stands off the line it is set out on. */
function setting(
  { start, end, setOut, id }: GeometryMember,
  geometry: Geometry,
  rolled: number,
  section: string,
  table: SectionTable,
): { roll: number; offsets?: NonNullable<Member['offsets']> } {
  if (!setOut) return { roll: rolled };
  const box = table.box(section);
  if (!box)
    throw new ProblemError([
      problem(
        'geometry',
        `The member "${id}" cannot be set out: its section "${section}" has no outline; give it one by dimensions or from the library.`,
        { member: id },
      ),
    ]);
  const roll = rolled + setOut.turn;
  const [d0, d1, d2] = minus(geometry.nodes.get(end)!.at, geometry.nodes.get(start)!.at);
  const axes = new Float64Array(9);
  memberAxes([d0, d1, d2], roll, axes, 0);
  const [right, left] = setOut.mirrored ? [-box.left, -box.right] : [box.right, box.left];
  const y = setOut.across === 1 ? right : setOut.across === -1 ? left : (right + left) / 2;
  const z = setOut.up === 1 ? box.top : setOut.up === -1 ? box.bottom : (box.top + box.bottom) / 2;
  const arm = [0, 1, 2].map((k) => -(y * axes[3 + k]! + z * axes[6 + k]!)) as Vector;
  const mirrorRoll = setOut.mirrored ? mirroredRoll(table.shape(section)) : 0;
  return {
    roll: roll + mirrorRoll,
    ...(Math.hypot(...arm) < 1e-9 ? {} : { offsets: { start: arm, end: [...arm] } }),
  };
}

/** Turn that makes a section its own mirror image left to right: channels by 180°, equal angles by 90°. */
function mirroredRoll(shape: ReturnType<SectionTable['shape']>): number {
  if (shape?.type === 'channel') return Math.PI;
  return shape?.type === 'angle' && shape.h === shape.b ? Math.PI / 2 : 0;
}
