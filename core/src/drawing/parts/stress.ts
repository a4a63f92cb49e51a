import { yieldStrengthOf } from '../../checks/index.js';
import { elasticStress, forceAt, pointOn } from '../../results/index.js';
import type { FrameState } from '../../analysis/index.js';
import { add, between, type Point } from '../../geometry/vector.js';
import type { LegendLine, ShownContext } from '../shown/shown.js';
import { significant } from '../../units/significant.js';

const parts = 24;
/** Values that are told, at the most; of them those over the yield strength or not below half of the greatest. */
const mostTexts = 40;

interface Peak {
  readonly m: number;
  readonly x: number;
  readonly stress: number;
  readonly share: number;
  readonly id: string;
}

/**
 * Stress as a band along members whose width and depth of one hue follow |σ|/fy, beyond the yield strength in vermilion and hatched.
 * Of several states it is the greatest at each place.
 */
export function drawStress(
  context: ShownContext,
  states: readonly { id: string; state: FrameState }[],
): LegendLine[] {
  const { pen, frame, namer, shown, units } = context;
  const peaks: Peak[] = [];
  let unknown = 0;
  for (let m = 0; m < frame.memberIds.length; m++) {
    if (!shown(m)) continue;
    const fy = yieldStrengthOf(frame.sections[m]!);
    const L = frame.length[m]!;
    const stations = Array.from({ length: parts + 1 }, (_, i) =>
      stressAt(context, states, m, (i / parts) * L),
    );
    if (fy === undefined || stations.includes(undefined)) {
      unknown++;
      continue;
    }
    const known = stations.map((station) => station!);
    for (let i = 0; i < parts; i++) {
      const share = Math.max(known[i]!.stress, known[i + 1]!.stress) / fy;
      band(pen, pointOn(frame, m, (i / parts) * L), pointOn(frame, m, ((i + 1) / parts) * L), share);
    }
    const worst = known.reduce((best, one, i) => (one.stress > known[best]!.stress ? i : best), 0);
    peaks.push({ m, x: (worst / parts) * L, ...known[worst]!, share: known[worst]!.stress / fy });
  }
  peaks.sort((a, b) => b.share - a.share);
  const told = peaks.filter(({ share }) => share > 1 || share >= 0.5 * peaks[0]!.share).slice(0, mostTexts);
  told.forEach(({ m, x, stress, share, id }, rank) => {
    const at = pointOn(frame, m, x);
    pen.text({
      key: `stress ${frame.memberIds[m]!}`,
      text: units.withUnit(stress, 'stress'),
      at,
      from: add(at, [0, 0, -1]),
      beyond: 14,
      tone: share > 1 ? 'vermilion' : 'ink',
      layer: 'diagram',
      priority: 9 - rank / mostTexts + (share > 1 ? 10 : 0),
      title: `σ = ${units.exact(stress, 'stress')}, ${significant(share, 4)} of fy, at x = ${units.inSentence(x, 'length', 4)}, ${namer.member(frame.memberIds[m]!)}, ${id}`,
    });
  });
  const [first] = peaks;
  return [
    { text: 'σ at the extreme fibres, from N and M' },
    ...(first
      ? [
          {
            text: `greatest ${units.withUnit(first.stress, 'stress')}, ${significant(first.share)} fy`,
            title: namer.member(frame.memberIds[first.m]!),
          },
        ]
      : []),
    ...(unknown > 0
      ? [
          {
            text: `${unknown} ${unknown === 1 ? 'member has' : 'members have'} no stress: no modulus or fy`,
          },
        ]
      : []),
  ];
}

/** The greatest stress of all states at a place of a member; undefined where its section gives no modulus. */
function stressAt(
  { frame }: ShownContext,
  states: readonly { id: string; state: FrameState }[],
  m: number,
  x: number,
): { stress: number; id: string } | undefined {
  const taper = frame.tapers.get(m);
  const { properties, shape } = frame.sections[m]!;
  const here = taper ? taper.at(x / frame.length[m]!) : properties;
  let worst: { stress: number; id: string } | undefined;
  for (const { id, state } of states) {
    const field = state.field(m);
    const stress = elasticStress(
      here,
      taper ? undefined : shape,
      forceAt(field, 'N', x),
      forceAt(field, 'My', x),
      forceAt(field, 'Mz', x),
    );
    if (stress === undefined) return undefined;
    if (!worst || stress > worst.stress) worst = { stress, id };
  }
  return worst;
}

function band(pen: ShownContext['pen'], a: Point, b: Point, share: number): void {
  const over = share > 1;
  pen.on('diagram').line(a, b, {
    colour: over ? 'vermilion' : 'indigo',
    width: 3 + 11 * Math.min(1, share),
    alpha: over ? 0.75 : 0.08 + 0.7 * share,
  });
  if (over)
    pen.on('hinges').aligned(between(a, b, 0.5), b, [-3, -7], [3, 7], { colour: 'sheet', width: 1.4 });
}
