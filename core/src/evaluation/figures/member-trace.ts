import type { CalculationStep, CheckItem, MemberCheck, PhysicalMember } from '../../checks/index.js';
import { combinationOf, forceAt, forceCandidates, type ForceName } from '../../results/index.js';
import type { FigureSource } from './figure.js';
import { forceSteps } from './force-steps.js';

/** Symbols of demands, as the codes write them, with the internal force that each is; V and M without an axis are of the condition's. */
const demandOf: ReadonlyMap<string, ForceName | 'V' | 'M'> = new Map([
  ['NEd', 'N'],
  ...(['Vy', 'Vz', 'My', 'Mz'] as const).map((name) => [`${name},Ed`, name] as const),
  ['TEd', 'T'],
  ['Pr', 'N'],
  ['Vr', 'V'],
  ['Mr', 'M'],
  ['Mrx', 'My'],
  ['Mry', 'Mz'],
  ['Tr', 'T'],
]);

/** Values nearer to one another than this share are the same. */
const same = 1e-6;

/**
 * The way to a physical member's utilisation: the condition that governs, the forces that enter it as they follow from the analysis, then
 * every condition, the worst first. Empty for an unknown member, or before it is checked.
 */
export function memberTrace(source: FigureSource, member: string): CalculationStep[] {
  const { checker } = source;
  const index = checker?.members.findIndex(({ id }) => id === member) ?? -1;
  if (!checker || index < 0) return [];
  const physical = checker.members[index]!;
  const check = checker.check(index, { steps: true });
  const { governs } = check;
  return [
    ...(governs ? headed(governing(governs), governs.steps ?? []) : []),
    ...(governs && 'pieces' in physical
      ? headed('Its forces from the analysis', demands(source, physical, governs))
      : []),
    ...headed('Every condition, the worst first', conditions(check)),
  ];
}

const headed = (heading: string, [first, ...rest]: readonly CalculationStep[]): CalculationStep[] =>
  first ? [{ ...first, heading }, ...rest] : [];

const governing = ({ title, combination, situation }: CheckItem): string =>
  `${title}, under ${[combination, situation].filter(Boolean).join(', ')}`;

function conditions({ items, reasons }: MemberCheck): CalculationStep[] {
  return [...items]
    .sort((a, b) => (b.utilisation ?? Infinity) - (a.utilisation ?? Infinity))
    .map(({ title, utilisation, combination, clause, axis, reason }) =>
      utilisation === undefined
        ? { symbol: title, value: 0, unit: 'not covered', from: reason ?? reasons.join(' '), clause }
        : {
            symbol: axis && !/ (about|along) /.test(title) ? `${title}, ${axis}` : title,
            value: utilisation,
            unit: '',
            from: `under ${combination}`,
            clause,
          },
    );
}

/** Each force of a condition's steps as it follows from the analysis. */
function demands(source: FigureSource, physical: PhysicalMember, governs: CheckItem): CalculationStep[] {
  const { selections, states } = source.forces;
  const selection = selections.find(
    (one) => combinationOf(one) === governs.combination && one.situation?.words === governs.situation,
  );
  const state = selection && states.get(selection.id);
  if (!state) return [];
  return (governs.steps ?? []).flatMap(({ symbol, value }) => {
    const named = demandOf.get(symbol);
    if (named === undefined || value === 0) return [];
    const name = named === 'V' || named === 'M' ? ofAxis(named, governs.axis) : named;
    const place = placeOfForce(physical, (m) => state.field(m), name, value, governs.x);
    return place ? forceSteps(source, selection.id, name, place) : [];
  });
}

/** Shear or moment of an axis of bending: about y go My and Vz. */
const ofAxis = (force: 'V' | 'M', axis: CheckItem['axis']): ForceName =>
  force === 'M' ? (axis === 'z' ? 'Mz' : 'My') : axis === 'y' ? 'Vy' : 'Vz';

/** Where along a member a force has that magnitude: at x, or at an extreme. */
function placeOfForce(
  { pieces }: PhysicalMember,
  fieldOf: (member: number) => Parameters<typeof forceCandidates>[0],
  name: ForceName,
  magnitude: number,
  x: number,
): { member: number; x: number; before: boolean } | undefined {
  let best: { member: number; x: number; before: boolean; apart: number } | undefined;
  for (const { member, from } of pieces)
    for (const one of forceCandidates(fieldOf(member), name)) {
      if (Math.abs(Math.abs(one.value) - Math.abs(magnitude)) > same * Math.abs(magnitude)) continue;
      const apart = Math.abs(from + one.x - x);
      if (best && apart >= best.apart) continue;
      const before = Math.abs(forceAt(fieldOf(member), name, one.x) - one.value) > same * Math.abs(one.value);
      best = { member, x: one.x, before, apart };
    }
  return best;
}
