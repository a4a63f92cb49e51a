import { attempt, fail, type Problem } from '../base/problem.js';
import { quantityOf } from '../language/evaluate.js';
import type { Names } from '../language/compile.js';
import { sentence, type Place } from '../language/tree.js';
import { emptyGeometry, type Geometry } from '../geometry/geometry.js';
import { lengthOfLine } from '../geometry/select.js';
import { between, distance, type Point } from '../geometry/vector.js';
import { kindOf } from '../steps/index.js';
import { readFields, type FieldContext } from '../fields/index.js';
import type { StepContext } from '../steps/step.js';
import type { Design, Step } from '../document/types.js';

/** What each step made, for miniatures and for showing one step in ink. */
export interface StepResult {
  readonly step: string;
  readonly before: Geometry;
  readonly after: Geometry;
}

/** Fields that every step has beside those of its kind; generators have an origin and a turn too. */
const common = new Set(['id', 'title', 'off', 'make', 'edit']);
const placing = new Set(['at', 'turn']);

/** Runs the steps that are on, in order; one that fails is left out, and what fails because of it is not told again. */
export function runSteps(
  design: Pick<Design, 'steps' | 'space'>,
  names: Names,
): { geometry: Geometry; problems: Problem[]; results: StepResult[] } {
  let geometry = emptyGeometry;
  const problems: Problem[] = [];
  const results: StepResult[] = [];
  for (const step of design.steps) {
    if (step.off) continue;
    const outcome = attempt(() => runStep(step, design.space, names, geometry));
    if (outcome.ok) {
      results.push({ step: step.id, before: geometry, after: outcome.value });
      geometry = outcome.value;
    } else if (problems.length === 0) problems.push(...outcome.problems);
    else problems.push(...outcome.problems.filter(({ code }) => !followsFromOthers.has(code)));
  }
  return { geometry, problems, results };
}

/** Problems that a step has only because one before it failed. */
const followsFromOthers = new Set(['nothing-selected', 'unknown-name']);

function runStep(step: Step, space: Design['space'], names: Names, before: Geometry): Geometry {
  const kind = kindOf(step);
  const place = { what: `step "${step.id}"`, where: { step: step.id } };
  if (!kind)
    return fail(
      'invalid-design',
      `Step "${step.id}" is of the kind "${step.make ?? step.edit ?? ''}", which is not known; choose another kind.`,
      place.where,
    );
  if (kind.solidOnly && space === 'plane')
    fail(
      'geometry',
      `Step "${step.id}" (${kind.title.toLowerCase()}) needs depth: make the design solid, or use another step.`,
      place.where,
    );
  const context: FieldContext = { ...names, space, placeNamed: (name) => placeNamed(before, name, names) };
  const generates = kind.verb === 'make';
  const written = Object.fromEntries(
    Object.entries(step).filter(([key]) => !common.has(key) && !(generates && placing.has(key))),
  );
  const values = readFields(kind.fields, written, context, place);
  const { at, turn } = generates ? placingOf(step, names, place) : { at: origin, turn: 0 };
  const stepContext: StepContext = { id: step.id, space, names: context, at, turn, written };
  const after = kind.run(before, values, stepContext);
  if (space === 'plane')
    for (const { id, at: p } of after.nodes.values())
      if (p[1] !== 0) {
        if (Math.abs(p[1]) > 1e-9)
          fail(
            'geometry',
            `Step "${step.id}" leaves the plane: the node "${id}" is at y = ${p[1].toFixed(3)} m; a plane design lies in X–Z. Make the design solid for that.`,
            { ...place.where, node: id },
          );
        (after.nodes as Map<string, { id: string; at: Point; tags: object }>).set(id, {
          ...after.nodes.get(id)!,
          at: [p[0], 0, p[2]],
        });
      }
  return after;
}

const origin: Point = [0, 0, 0];

/** Where a generator puts what it makes, m, and how far it is turned about Z, rad. @throws ProblemError for what cannot be evaluated */
export function placingOf(
  step: Pick<Step, 'at' | 'turn'>,
  names: Names,
  { what, where }: Place,
): { readonly at: Point; readonly turn: number } {
  const turn =
    step.turn === undefined
      ? 0
      : quantityOf(step.turn, names, 'angle', { what: `${what}, turn`, where: { ...where, field: 'turn' } });
  if (!step.at) return { at: origin, turn };
  if (!Array.isArray(step.at) || step.at.length < 2 || step.at.length > 3)
    fail(
      'invalid-design',
      `${sentence(what)}, origin: give two numbers (x, z) or three (x, y, z), such as "4 m, 0 m".`,
      { ...where, field: 'at' },
    );
  const values = step.at.map((item, k): number =>
    quantityOf(item, names, 'length', {
      what: `${what}, origin ${k + 1}`,
      where: { ...where, field: `at/${k}` },
    }),
  );
  return {
    at: values.length === 2 ? [values[0]!, 0, values[1]!] : [values[0]!, values[1]!, values[2]!],
    turn,
  };
}

/** A node, or "member@share": a place on a physical member. What is wrong with the name otherwise. */
function placeNamed(geometry: Geometry, name: string, names: Names): { at: Point; node?: string } | string {
  const [member, share] = name.split('@');
  if (share === undefined) {
    let id = name;
    for (let hops = 0; geometry.aliases.has(id) && hops < 100; hops++) id = geometry.aliases.get(id)!;
    const node = geometry.nodes.get(id);
    return node
      ? { at: node.at, node: node.id }
      : `there is no node "${name}" before this step; name one that a step above makes.`;
  }
  const line = geometry.lines.get(member!) ?? geometry.lines.get(geometry.members.get(member!)?.line ?? '');
  if (!line) return `there is no member "${member!}" before this step; name one that a step above makes.`;
  const length = lengthOfLine(geometry, line.members);
  const place = { what: `place "${name}"`, where: {} };
  const along = attempt(() => quantityOf(share, names, 'number', place));
  const x = along.ok ? along.value * length : quantityOf(share, names, 'length', place);
  if (x < -1e-9 || x > length + 1e-9)
    return `"${name}" lies beyond the ends of the member; give a share from 0 to 1.`;
  let rest = x;
  for (const id of line.members) {
    const piece = geometry.members.get(id)!;
    const [a, b] = [geometry.nodes.get(piece.start)!.at, geometry.nodes.get(piece.end)!.at];
    const own = distance(a, b);
    if (rest <= own + 1e-9) return { at: between(a, b, rest / own) };
    rest -= own;
  }
  return { at: geometry.nodes.get(geometry.members.get(line.members.at(-1)!)!.end)!.at };
}
