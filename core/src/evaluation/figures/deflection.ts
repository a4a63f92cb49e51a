import { joinedFieldOf, largestDeflection } from '../../checks/index.js';
import { membersOf, worse, type FigureKind, type FigureResult, type FigureSource } from './figure.js';

/** Pieces of the physical members that a figure is about, with their lengths, m. */
function linesOf(
  source: FigureSource,
  spec: Parameters<typeof membersOf>[1],
): { id: string; pieces: number[]; length: number }[] {
  const { geometry } = source.built;
  const { frame } = source.forces;
  const chosen = new Set(membersOf(source, spec).map((m) => frame.memberIds[m]!));
  const lines = new Set([...chosen].map((id) => geometry.members.get(id)!.line));
  return [...lines].map((id) => {
    const pieces = geometry.lines.get(id)!.members.map((member) => frame.memberIndex.get(member)!);
    return { id, pieces, length: pieces.reduce((sum, m) => sum + frame.length[m]!, 0) };
  });
}

/** Largest deflection of physical members from their chords, m. */
export const deflection: FigureKind = {
  kind: 'deflection',
  title: 'Deflection',
  needs: 'forces',
  signed: false,
  limitIs: 'most',
  judgedBy: 'service',
  of: 'members',
  components: ['chord', 'start', 'end'],
  readsAs: 'L',
  quantity: () => 'deflection',
  compute(source, spec, selections) {
    let worst: FigureResult | undefined;
    const from = (spec.component ?? 'chord') as 'chord';
    for (const { id, pieces, length } of linesOf(source, spec))
      for (const selection of selections) {
        const state = source.forces.states.get(selection.id)!;
        const { x, value } = largestDeflection(
          joinedFieldOf(pieces, source.forces.frame.length, (m) => state.field(m)),
          length,
          from,
        );
        worst = worse(worst, { value, result: selection.id, member: id, x, length });
      }
    return worst;
  },
  trace(source, spec, { member, result, value, x }) {
    const line = linesOf(source, spec).find(({ id }) => id === member);
    if (!line || result === undefined) return [];
    return [
      { symbol: 'L', value: line.length, unit: 'm', from: 'length of the physical member' },
      { symbol: 'x', value: x ?? 0, unit: 'm', from: 'place of the largest deflection, from the start' },
      {
        symbol: 'w',
        value,
        unit: 'm',
        from: `distance from the ${spec.component ?? 'chord'} under ${result}, by the exact functions along the member`,
      },
    ];
  },
};
