import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import type { Geometry, Taper } from '../../geometry/geometry.js';
import { runsOf, type Run } from '../select.js';
import type { GeometryMember } from '../../geometry/geometry.js';

/** What varies from an end of a physical member over a length of it, linearly to nothing. */
export interface EndTaper {
  /** start, end, or the place of the node at the end. */
  readonly end: string;
  /** Over which it varies, m; absent: the whole member. */
  readonly length: number | undefined;
  readonly target: Taper['target'];
  readonly flush: Taper['flush'];
  /** In words: haunch or taper. */
  readonly what: string;
}

/** Puts a taper at the ends that are meant of every selected stretch of physical member. */
export function taperAtEnds(
  before: Geometry,
  selected: readonly GeometryMember[],
  taper: EndTaper,
  step: string,
): Geometry {
  const draft = new Draft(before, step);
  let count = 0;
  for (const run of runsOf(before, selected))
    for (const end of ['start', 'end'] as const)
      if (meant(before, run, end, taper.end)) {
        taperRun(draft, before, run, end, taper);
        count++;
      }
  if (count === 0)
    fail(
      'nothing-selected',
      `Step "${step}": no selected member ends at a node of place "${taper.end}"; give start, end, or the place of a node at an end.`,
      { step, field: 'end' },
    );
  return draft.finish();
}

function meant(before: Geometry, run: Run, end: 'start' | 'end', wanted: string): boolean {
  if (wanted === 'start' || wanted === 'end') return wanted === end;
  const piece = before.members.get(end === 'start' ? run.pieces[0]! : run.pieces.at(-1)!)!;
  return before.nodes.get(piece[end])!.tags['place'] === wanted;
}

function taperRun(
  draft: Draft,
  before: Geometry,
  run: Run,
  end: 'start' | 'end',
  { length, target, flush, what }: EndTaper,
): void {
  const { step } = draft;
  const first = before.members.get(run.pieces[0]!)!.start;
  const last = before.members.get(run.pieces.at(-1)!)!.end;
  const whole = stretch(draft, run.line, first, last);
  const reach = length ?? whole.to - whole.from;
  if (reach > whole.to - whole.from + 1e-6)
    fail(
      'geometry',
      `Step "${step}": the ${what} of ${reach.toFixed(3)} m is longer than its member of ${(whole.to - whole.from).toFixed(3)} m; shorten it.`,
      { step, field: 'length', member: run.line },
    );
  const border = end === 'start' ? whole.from + reach : whole.to - reach;
  if (reach < whole.to - whole.from - 1e-4)
    draft.nodeOn(run.line, border, () => ({
      id: `${step}.${what}.${run.line.replaceAll('.', '-')}.${end}`,
      tags: { step, place: what },
    }));
  const stations = draft.stations(run.line);
  draft.lines.get(run.line)!.members.forEach((id, k) => {
    const [a, b] = [stations[k]!.x, stations[k + 1]!.x];
    if (a < whole.from - 1e-6 || b > whole.to + 1e-6) return;
    const fraction = (x: number) => 1 - (end === 'start' ? x - whole.from : whole.to - x) / reach;
    const fractions = [fraction(a), fraction(b)] as const;
    if (Math.max(...fractions) < 1e-6) return;
    const piece = draft.members.get(id)!;
    if (piece.taper)
      fail(
        'geometry',
        `Step "${step}": the ${what} meets another on the member "${run.line}"; shorten one of them.`,
        { step, field: 'length', member: run.line },
      );
    draft.members.set(id, {
      ...piece,
      taper: { target, fractions: [clean(fractions[0]), clean(fractions[1])], flush },
    });
  });
}

const clean = (fraction: number): number =>
  Math.abs(fraction) < 1e-9 ? 0 : Math.abs(fraction - 1) < 1e-9 ? 1 : fraction;

/** Distances along a line of two of its nodes. */
function stretch(draft: Draft, line: string, first: string, last: string): { from: number; to: number } {
  const stations = draft.stations(line);
  return {
    from: stations.find(({ node }) => node === first)!.x,
    to: stations.find(({ node }) => node === last)!.x,
  };
}
