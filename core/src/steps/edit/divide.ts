import { portal } from './examples.js';
import { fail } from '../../base/problem.js';
import { mostItems } from '../../language/evaluate.js';
import { joinCrossings } from '../../geometry/weld/crossings.js';
import { Draft } from '../../geometry/draft.js';
import { count, flag, optional, positionsAlong } from '../../fields/index.js';
import { runsOf, selectMembers, selectsMembers, type Run } from '../select.js';
import { edit } from '../step.js';
import { words } from '../words.js';

/** Nodes on members. */
export const divide = edit({
  kind: 'divide',
  title: 'Divide',
  about:
    'Nodes on members: in equal parts, at places along them, or where they cross. The pieces stay one physical member unless they are split.',
  roles: [],
  places: ['division', 'crossing'],
  group: 'shape',
  example: { before: [portal()], fields: { members: 'role == "rafter"', parts: 4 } },
  fields: {
    members: selectsMembers,
    parts: optional(count({ title: 'Parts', initial: 2, least: 1 })),
    at: optional(
      positionsAlong({ title: 'At', about: 'Shares of the length (0 to 1), or lengths from the start.' }),
    ),
    crossings: flag({ title: 'Where they cross' }),
    split: flag({ title: 'Split', about: 'The pieces become members of their own.' }),
  },
  run(before, values, context) {
    const { id } = context;
    const selected = selectMembers(before, values.members, context);
    const draft = new Draft(before, id);
    const runs = runsOf(before, selected);
    const ways = (['parts', 'at', 'crossings'] as const).filter((way) => values[way] ?? false);
    if (ways.length > 1)
      fail(
        'geometry',
        `Step "${id}" says in more than one way how to divide, by "${ways.join('" and by "')}"; keep one of them, or make two steps.`,
        { step: id, field: ways[1]! },
      );
    if (values.crossings)
      joinCrossings(
        draft,
        selected.map((member) => member.id),
      );
    else if (values.parts === undefined && values.at === undefined)
      fail('geometry', `Step "${id}" does not say how to divide; give "parts", "at" or "crossings".`, {
        step: id,
      });
    else for (const run of runs) divideRun(draft, before, run, values);
    if (values.split) for (const run of runs) split(draft, run.line);
    return draft.finish();
  },
  summary: ({ parts, at, crossings }) =>
    crossings === true
      ? 'where they cross'
      : parts !== undefined
        ? `in ${words(parts)} parts`
        : `at ${words(at)}`,
});

/** Divides a stretch of a physical member; distances are from the stretch's start. */
function divideRun(
  draft: Draft,
  before: { readonly members: ReadonlyMap<string, { readonly start: string }> },
  run: Run,
  {
    parts,
    at,
  }: {
    parts?: number | undefined;
    at?: readonly ({ fraction: number } | { distance: number })[] | undefined;
  },
): void {
  const stations = draft.stations(run.line);
  const first = before.members.get(run.pieces[0]!)!.start;
  const k = stations.findIndex(({ node }) => node === first);
  const from = stations[k]!.x;
  const length = stations[k + run.pieces.length]!.x - from;
  const places =
    parts !== undefined
      ? Array.from({ length: parts - 1 }, (_, i) => ((i + 1) * length) / parts)
      : distances(at!, length, draft.step, run.line);
  const name = run.line.replaceAll('.', '-');
  places.forEach((x, i) =>
    draft.nodeOn(run.line, from + x, () => ({
      id: `${draft.step}.division.${name}.${run.whole ? '' : `${run.pieces[0]!.split('.').at(-1)!}-`}${i + 1}`,
      tags: { step: draft.step, place: 'division', ...placeTagsOf(draft, run.pieces[0]!) },
    })),
  );
}

/** Bay, row, storey and side of a member, for the nodes on it. */
function placeTagsOf(draft: Draft, piece: string): Record<string, string | number> {
  const tags = (draft.members.get(piece) ?? draft.members.get(`${piece}.1`))?.tags ?? {};
  return Object.fromEntries(
    ['bay', 'row', 'storey', 'side'].flatMap((name) =>
      tags[name] === undefined ? [] : [[name, tags[name]]],
    ),
  );
}

/** Places as distances from the start of a stretch, m; all lie inside it. */
function distances(
  at: readonly ({ fraction: number } | { distance: number })[],
  length: number,
  step: string,
  line: string,
): number[] {
  if (at.length > mostItems)
    fail('too-many', `Step "${step}" divides at more than ${mostItems} places.`, { step, field: 'at' });
  return at.map((place) => {
    const x = 'fraction' in place ? place.fraction * length : place.distance;
    if (!(x > 1e-4 && x < length - 1e-4))
      fail(
        'geometry',
        `Step "${step}": ${x.toFixed(3)} m is not inside the member "${line}" of ${length.toFixed(3)} m; give a place between its ends.`,
        { step, field: 'at', member: line },
      );
    return x;
  });
}

/** Makes each piece of a line a physical member of its own. */
function split(draft: Draft, line: string): void {
  const pieces = draft.lines.get(line)?.members ?? [];
  if (pieces.length < 2) return;
  draft.lines.delete(line);
  for (const piece of pieces) draft.setPieces(piece, [piece]);
}
