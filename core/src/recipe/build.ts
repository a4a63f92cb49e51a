import { checkModel } from '../model/check.js';
import { findNotFinite } from '../model/finite.js';
import type { FrameModel } from '../model/types.js';
import { attempt, problem, ProblemError, type Outcome, type Problem } from '../problem.js';
import { applyAlternative } from './alternatives.js';
import type { Scope } from './evaluate.js';
import { generate } from './generators/index.js';
import type { Geometry } from './geometry.js';
import { evaluateParameters, type ParameterValues } from './parameters.js';
import { applyRules } from './rules.js';
import type { Alternative, Design } from './types.js';

/** A frame model with what it came from. */
export interface BuiltFrame {
  readonly model: FrameModel;
  readonly geometry: Geometry;
  readonly parameters: ParameterValues;
  /** Rules that gave something to each member and node. */
  readonly givenBy: ReadonlyMap<string, readonly string[]>;
  readonly notes: readonly string[];
}

/** Nodes nearer than this are at the same place, m. */
const coincident = 1e-6;

/**
 * Builds one alternative's frame model: parameters, steps, rules, loads.
 *
 * @returns the frame, or every problem found on the way, each with its place in the design
 */
export function buildFrame(design: Design, alternative: Alternative): Outcome<BuiltFrame> {
  return attempt(() => {
    const own = applyAlternative(design, alternative);
    const parameters = evaluateParameters(own);
    const problems: Problem[] = [...parameters.problems];
    if (problems.length > 0) throw new ProblemError(problems);
    const geometry = generateAll(own, parameters.scope, problems);
    if (problems.length > 0) throw new ProblemError(problems);
    const rules = applyRules(own, geometry, parameters.scope, problems);
    for (const member of geometry.members) {
      if (!rules.section.has(member.id) && problems.length === 0)
        problems.push(
          problem(
            'no-section',
            `No rule gives the member "${member.id}" a section; add one that matches it.`,
            { member: member.id },
          ),
        );
      if (!rules.material.has(member.id) && problems.length === 0)
        problems.push(
          problem(
            'no-material',
            `No rule gives the member "${member.id}" a material; add one that matches it.`,
            { member: member.id },
          ),
        );
    }
    if (problems.length > 0) throw new ProblemError(problems);

    const sectionIds = new Map<string, { id: string; material: string; profile: string }>();
    const sectionOf = (member: string): string => {
      const profile = rules.section.get(member)!;
      const material = rules.material.get(member)!;
      const id = `${profile} ${material}`;
      sectionIds.set(id, { id, material, profile });
      return id;
    };
    const model: FrameModel = {
      format: 'hashira-frame',
      version: 1,
      title: `${design.title}: ${alternative.title}`,
      space: own.space,
      materials: [...new Set(rules.material.values())].map((id) => ({ id })),
      sections: [],
      nodes: geometry.nodes.map(({ id, x, y, z }) => ({ id, x, y, z })),
      members: geometry.members.map(({ id, start, end }) => {
        const hinges = rules.hinges.get(id);
        const checked = rules.design.get(id);
        return {
          id,
          start,
          end,
          section: sectionOf(id),
          ...(hinges ? { hinges } : {}),
          ...(checked ? { design: checked } : {}),
        };
      }),
      supports: [...rules.supports],
      loadCases: own.loadCases.map(({ id, nature, selfWeight }) => ({
        id,
        nature,
        selfWeight: selfWeight ?? 0,
        loads: [...(rules.loads.get(id) ?? [])],
      })),
      combinations: own.combinations.map(({ id, state, factors }) => ({ id, state, factors })),
    };
    model.sections = [...sectionIds.values()];
    const wrong = [...findNotFinite(model), ...checkModel(model)];
    if (wrong.length > 0) throw new ProblemError(wrong);
    return { model, geometry, parameters, givenBy: rules.givenBy, notes: rules.notes };
  });
}

/** Runs the steps in order; nodes of different steps that fall together are a problem. */
function generateAll(design: Design, scope: Scope, problems: Problem[]): Geometry {
  const parts: Geometry[] = [];
  for (const step of design.steps) {
    const outcome = attempt(() => generate(step, scope));
    if (outcome.ok) parts.push(outcome.value);
    else problems.push(...outcome.problems);
  }
  const geometry = {
    nodes: parts.flatMap((part) => part.nodes),
    members: parts.flatMap((part) => part.members),
    dimensions: parts.flatMap((part) => part.dimensions),
  };
  for (let i = 0; i < geometry.nodes.length; i++)
    for (let j = 0; j < i; j++) {
      const a = geometry.nodes[i]!;
      const b = geometry.nodes[j]!;
      if (Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) < coincident)
        problems.push(
          problem(
            'coincident',
            `The nodes "${b.id}" and "${a.id}" are at the same place; move one of their steps.`,
            { nodes: [b.id, a.id] },
          ),
        );
    }
  return geometry;
}
