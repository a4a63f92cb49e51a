import {
  drawingOf,
  evaluateAlternative,
  forceExtremes,
  forceQuantity,
  metric,
  type Design,
  type EvaluatedAlternative,
  type ForceName,
} from '@hashira/core';

/** What is smaller than this share of the greatest value of the frame is told of no member. */
const least = 1e-3;

/** Alternatives by design and id as far as their forces, so that sizes and diagrams share them. */
const known = new Map<string, EvaluatedAlternative>();

function withForces(design: Design, id: string): EvaluatedAlternative {
  const key = `${design.title}/${id}`;
  let one = known.get(key);
  if (!one) {
    const alternative = design.alternatives.find((each) => each.id === id)!;
    known.set(key, (one = evaluateAlternative(design, alternative, 'forces')));
  }
  return one;
}

/**
 * What the stage has to tell of a force: the greatest value of each member that stands in ink, as it is written, with either sign where
 * both are as great. Pieces of a line are one member, and so is an arch.
 */
export function governingValues(design: Design, id: string, force: ForceName): string[][] {
  const one = withForces(design, id);
  const { built, evaluation } = one;
  const { geometry, combinations } = built!;
  const { frame, states } = evaluation!.forces;
  const result = combinations[0]?.id ?? design.loadCases[0]!.id;
  const state = states.get(result)!;
  const slice =
    design.space === 'solid'
      ? drawingOf(one, { result, diagram: force, slice: 'governing' })!.slice
      : undefined;
  const greatest = new Map<string, number[]>();
  let most = 0;
  frame.memberIds.forEach((member, m) => {
    const { line, tags } = geometry.members.get(member)!;
    const { min, max } = forceExtremes(state.field(m), force);
    most = Math.max(most, Math.abs(min.value), Math.abs(max.value));
    if (slice && tags[slice.tag] !== slice.value) return;
    const whole = tags['role'] === 'arch' ? String(tags['step']) : line;
    greatest.set(whole, [...(greatest.get(whole) ?? []), min.value, max.value]);
  });
  return [...greatest.values()].flatMap((values) => {
    const size = Math.max(...values.map(Math.abs));
    if (size <= least * most) return [];
    const told = values.filter((value) => Math.abs(value) > size * (1 - 1e-9));
    return [[...new Set(told.map((value) => metric.withUnit(value, forceQuantity(force))))]];
  });
}
