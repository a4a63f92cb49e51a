import { analyse, prepareFrame, type Frame } from '../../analysis/index.js';
import { attempt, fail, unwrapped } from '../../base/problem.js';
import {
  freedoms,
  type FrameModel,
  type Load,
  type LoadCase,
  type Member,
  type Support,
} from '../../model/types.js';
import { combinationOf, type ExpandedModel } from '../../results/index.js';
import type { EvaluatedAlternative } from '../alternative.js';
import { memberNamed, titleOf } from '../member-sheet/named-member.js';
import type { Analysed } from '../stages/index.js';

/** A load on the benched member, m from its start. */
export type BenchLoad =
  | {
      readonly case: string;
      readonly kind: 'point';
      readonly x: number;
      readonly load: Extract<Load, { kind: 'point' }>;
    }
  | {
      readonly case: string;
      readonly kind: 'distributed';
      readonly from: number;
      readonly to: number;
      readonly load: Extract<Load, { kind: 'distributed' }>;
    }
  | { readonly case: string; readonly kind: 'other'; readonly load: Load };

/** A piece of the member: from where to where, m from the member's start. */
export interface BenchPiece {
  readonly from: number;
  readonly to: number;
  readonly member: Member;
}

/** What the rest of the frame is to a node that it shares with the member. */
export interface BenchNode {
  readonly id: string;
  readonly title: string;
  /** m from the member's start. */
  readonly x: number;
  /** What a support gives there in the frame. */
  readonly support?: Support;
}

/** The rest of the frame at the nodes that it shares: 6 freedoms a node in the order of the bench's nodes, matrices row by row; SI. */
export type CondensedRest =
  | {
      readonly kind: 'stiffness';
      readonly stiffness: readonly number[];
      /** By load case: what the rest and the loads at its nodes press on the nodes while these stand still. */
      readonly forces: Readonly<Record<string, readonly number[]>>;
      /** By load case: displacements that are given at the nodes. */
      readonly given: Readonly<Record<string, readonly number[]>>;
    }
  /** Where a rigid floor ties the nodes to one another they cannot be moved one by one. */
  | {
      readonly kind: 'flexibility';
      readonly flexibility: readonly number[];
      /** By load case: how the nodes move without the member. */
      readonly moves: Readonly<Record<string, readonly number[]>>;
    };

/**
 * A member taken out of its frame, plain data: the rest of the frame is condensed to the nodes that it shares with the member, as a
 * stiffness with all couplings and the forces that each load case puts on them (first order, all members acting).
 */
export interface Bench {
  readonly alternative: string;
  readonly member: string;
  readonly title: string;
  readonly length: number;
  readonly space: FrameModel['space'];
  /** Where the member begins, and its axes: x, y, z as rows. */
  readonly origin: readonly [number, number, number];
  readonly axes: readonly number[];
  readonly pieces: readonly BenchPiece[];
  readonly nodes: readonly BenchNode[];
  readonly loads: readonly BenchLoad[];
  /** Self weight of each load case, as the frame model has it. */
  readonly selfWeight: Readonly<Record<string, number>>;
  readonly rest: CondensedRest;
  readonly combinations: readonly {
    readonly id: string;
    readonly state: 'strength' | 'service';
    readonly factors: Readonly<Record<string, number>>;
  }[];
  readonly sections: FrameModel['sections'];
  readonly materials: FrameModel['materials'];
  readonly code: NonNullable<FrameModel['code']>;
  readonly notes: readonly string[];
}

/**
 * Takes a member out of its frame.
 *
 * @throws ProblemError `unknown-member`, `no-bench` where what is left cannot be condensed to the member's nodes
 */
export function benchOf(of: EvaluatedAlternative, name: string): Bench {
  const { evaluation, namer, alternative } = of;
  const checker = evaluation?.checker;
  if (!checker || !namer) return fail('nothing-to-check', 'The members are not checked yet.', {});
  const { forces } = evaluation;
  const { model, frame } = forces;
  const member = checker.members[memberNamed(checker, name, namer)]!;
  const numbers = member.of.map((id) => frame.memberIndex.get(id)!);
  const pieces = piecesOf(model, frame, numbers);
  const length = pieces[pieces.length - 1]!.to;
  const nodes = sharedNodes(model, frame, numbers, pieces).map(({ id, x, support }) => ({
    id,
    x,
    title: namer.node(id),
    ...(support ? { support } : {}),
  }));
  const shared = new Set(nodes.map(({ id }) => id));
  const isTied = (model.rigidGroups ?? []).some((group) => group.nodes.some((node) => shared.has(node)));
  const rest = restOf(model, new Set(member.of), shared, !isTied);
  const first = numbers[0]!;
  const from = 3 * frame.start[first]!;
  return {
    alternative: alternative.id,
    member: member.id,
    title: titleOf(member, namer),
    length,
    space: model.space,
    origin: [0, 1, 2].map(
      (k) => frame.xyz[from + k]! + frame.arms[6 * first + k]!,
    ) as unknown as Bench['origin'],
    axes: [...frame.axes.subarray(9 * first, 9 * first + 9)],
    pieces,
    nodes,
    loads: loadsOn(model, pieces),
    selfWeight: Object.fromEntries((model.loadCases ?? []).map(({ id, selfWeight = 0 }) => [id, selfWeight])),
    rest: isTied ? loosened(rest, nodes) : condense(rest, nodes, model.loadCases ?? []),
    combinations: combinationsOf(forces),
    sections: model.sections,
    materials: model.materials,
    code: model.code ?? {},
    notes: [
      ...(forces.order === 2
        ? ['On the bench forces are of first order; those of the frame are of second.']
        : []),
      ...(model.members.some(({ action }) => action === 'tension-only' || action === 'compression-only')
        ? ['On the bench every member of the rest acts, those of one sign too.']
        : []),
    ],
  };
}

function combinationsOf({ selections, model }: Analysed): Bench['combinations'] {
  const cases = model.loadCases ?? [];
  return selections
    .filter((one) => one.kind === 'combination' && one.id === combinationOf(one))
    .map(({ id, state, factors }) => ({
      id,
      state: state!,
      factors: Object.fromEntries(
        cases.flatMap((one, c) => (factors[c] === 0 ? [] : [[one.id, factors[c]!] as const])),
      ),
    }));
}

function piecesOf(model: FrameModel, frame: Frame, numbers: readonly number[]): BenchPiece[] {
  let from = 0;
  return numbers.map((m) => {
    const to = from + frame.length[m]!;
    const piece = { from, to, member: model.members[m]! };
    from = to;
    return piece;
  });
}

/** Nodes of the member at which something else stands or meets it, its ends always. */
function sharedNodes(
  model: FrameModel,
  frame: Frame,
  numbers: readonly number[],
  pieces: readonly BenchPiece[],
): { id: string; x: number; support?: Support }[] {
  const own = new Set(numbers);
  const meets = new Set<string>();
  model.members.forEach(({ start, end }, m) => {
    if (!own.has(m)) meets.add(start).add(end);
  });
  for (const { nodes } of model.rigidGroups ?? []) for (const node of nodes) meets.add(node);
  const supports = new Map((model.supports ?? []).map((one) => [one.node, one]));
  const all = [
    { id: frame.nodeIds[frame.start[numbers[0]!]!]!, x: 0 },
    ...pieces.map(({ to, member }) => ({ id: member.end, x: to })),
  ];
  return all
    .filter(({ id }, k) => k === 0 || k === all.length - 1 || meets.has(id) || supports.has(id))
    .map((one) => {
      const support = supports.get(one.id);
      return { ...one, ...(support ? { support } : {}) };
    });
}

/** The frame without the member: what is its own is left out; its shared nodes are held, or stand as they do in the frame. */
function restOf(
  model: ExpandedModel,
  pieces: ReadonlySet<string>,
  shared: ReadonlySet<string>,
  holds: boolean,
): FrameModel {
  const members = model.members
    .filter(({ id }) => !pieces.has(id))
    .map(({ action, ...rest }): Member =>
      action === undefined || action === 'frame'
        ? { ...rest, ...(action ? { action } : {}) }
        : { ...rest, action: 'axial' },
    );
  const used = new Set([...shared, ...members.flatMap(({ start, end }) => [start, end])]);
  for (const { nodes } of model.rigidGroups ?? []) for (const node of nodes) used.add(node);
  const held = Object.fromEntries(freedoms.map((name) => [name, 'fixed'])) as Omit<Support, 'node'>;
  const keeps = (load: Load): boolean => {
    if ('member' in load) return !pieces.has(load.member);
    return used.has(load.node) && !(holds && load.kind === 'settlement' && shared.has(load.node));
  };
  const standing = (model.supports ?? []).filter(({ node }) => used.has(node));
  return {
    ...model,
    nodes: model.nodes.filter(({ id }) => used.has(id)),
    members,
    supports: holds
      ? [
          ...standing.filter(({ node }) => !shared.has(node)),
          ...[...shared].map((node): Support => ({ node, ...planeOnly(held, model.space) })),
        ]
      : standing,
    masses: [],
    loadCases: (model.loadCases ?? []).map((one) => ({ ...one, loads: (one.loads ?? []).filter(keeps) })),
    combinations: [],
    trains: [],
  };
}

/** How the shared nodes of the rest move under its loads, and under a unit force at each. */
function loosened(rest: FrameModel, nodes: readonly BenchNode[]): CondensedRest {
  const own = rest.loadCases ?? [];
  const pushed = nodes.flatMap(({ id }, n) =>
    freedoms.flatMap((_, k) => {
      if (rest.space === 'plane' && ![0, 2, 4].includes(k)) return [];
      const unit = (from: number) =>
        [0, 1, 2].map((i) => (k === from + i ? 1 : 0)) as [number, number, number];
      const load: Load = { kind: 'node', node: id, F: unit(0), M: unit(3) };
      return [{ freedom: 6 * n + k, loadCase: { id: `push ${6 * n + k}`, loads: [load] } }];
    }),
  );
  const states = caseStates({ ...rest, loadCases: [...own, ...pushed.map(({ loadCase }) => loadCase)] });
  const movesOf = (id: string) => states(id, nodes, 'displacements');
  const count = 6 * nodes.length;
  const flexibility = new Array<number>(count * count).fill(0);
  for (const { loadCase, freedom } of pushed)
    movesOf(loadCase.id).forEach((value, row) => (flexibility[row * count + freedom] = value));
  return {
    kind: 'flexibility',
    flexibility,
    moves: Object.fromEntries(own.map(({ id }) => [id, movesOf(id)])),
  };
}

/** Reads a frame's nodes in each of its load cases by itself. @throws ProblemError `no-bench` where it does not stand */
function caseStates(model: FrameModel) {
  const frame = prepareFrame(model);
  const cases = model.loadCases!;
  const selections = cases.map(({ id }, c) => {
    const factors = new Float64Array(cases.length);
    factors[c] = 1;
    return { id, kind: 'case' as const, factors };
  });
  const outcome = attempt(() => unwrapped(analyse(frame, selections)));
  if (!outcome.ok)
    return fail(
      'no-bench',
      'This member cannot be taken out: without it the rest of the frame does not stand. Look at its sheet instead.',
      { reason: outcome.problems[0]!.message },
    );
  const { states } = outcome.value;
  return (id: string, nodes: readonly BenchNode[], what: 'displacements' | 'reactions'): number[] =>
    nodes.flatMap((node) => {
      const n = frame.nodeIndex.get(node.id)!;
      return [...states.get(id)![what].subarray(6 * n, 6 * n + 6)];
    });
}

function planeOnly(held: Omit<Support, 'node'>, space: FrameModel['space']): Omit<Support, 'node'> {
  if (space === 'solid') return held;
  const { ux, uz, ry } = held as Record<string, 'fixed'>;
  return { ux, uz, ry };
}

/** Stiffness and forces of the rest at the nodes that it shares, by holding them and moving each by one. */
function condense(rest: FrameModel, nodes: readonly BenchNode[], cases: readonly LoadCase[]): CondensedRest {
  const count = 6 * nodes.length;
  const given = Object.fromEntries(cases.map((loadCase) => [loadCase.id, givenAt(loadCase, nodes)]));
  const stiffness = new Array<number>(count * count).fill(0);
  if (rest.members.length === 0)
    return {
      kind: 'stiffness',
      stiffness,
      forces: Object.fromEntries(cases.map((one) => [one.id, nodalAt(one, nodes)])),
      given,
    };
  const moved = unitMoves(nodes, rest.space);
  const states = caseStates({
    ...rest,
    loadCases: [...(rest.loadCases ?? []), ...moved.map(({ loadCase }) => loadCase)],
  });
  const reactionsOf = (id: string) => states(id, nodes, 'reactions');
  for (const { loadCase, freedom } of moved)
    reactionsOf(loadCase.id).forEach((value, row) => (stiffness[row * count + freedom] = value));
  return {
    kind: 'stiffness',
    stiffness,
    // What holds the nodes is the opposite of what presses on them
    forces: Object.fromEntries(cases.map(({ id }) => [id, reactionsOf(id).map((value) => -value)])),
    given,
  };
}

/** A load case for each freedom of the nodes, in which it is moved by one. */
export function unitMoves(
  nodes: readonly Pick<BenchNode, 'id'>[],
  space: FrameModel['space'],
): { readonly freedom: number; readonly loadCase: LoadCase }[] {
  return nodes.flatMap(({ id }, n) =>
    freedoms.flatMap((name, k) =>
      space === 'plane' && !['ux', 'uz', 'ry'].includes(name)
        ? []
        : [
            {
              freedom: 6 * n + k,
              loadCase: {
                id: `move ${6 * n + k}`,
                loads: [{ kind: 'settlement', node: id, [name]: 1 }],
              },
            },
          ],
    ),
  );
}

/** Node loads of a case at the shared nodes. */
function nodalAt({ loads = [] }: LoadCase, nodes: readonly Pick<BenchNode, 'id'>[]): number[] {
  return nodes.flatMap(({ id }) => {
    const sum = [0, 0, 0, 0, 0, 0];
    for (const load of loads)
      if (load.kind === 'node' && load.node === id)
        [...(load.F ?? [0, 0, 0]), ...(load.M ?? [0, 0, 0])].forEach((value, k) => (sum[k]! += value));
    return sum;
  });
}

/** Displacements that a case gives at the shared nodes. */
function givenAt({ loads = [] }: LoadCase, nodes: readonly Pick<BenchNode, 'id'>[]): number[] {
  return nodes.flatMap(({ id }) => {
    const found = loads.find((load) => load.kind === 'settlement' && load.node === id);
    return freedoms.map((name) => (found as unknown as Record<string, number> | undefined)?.[name] ?? 0);
  });
}

/** Loads on the member itself, m from its start. */
function loadsOn({ loadCases = [] }: FrameModel, pieces: readonly BenchPiece[]): BenchLoad[] {
  return loadCases.flatMap(({ id, loads = [] }) =>
    loads.flatMap((load): BenchLoad[] => {
      if (!('member' in load)) return [];
      const piece = pieces.find(({ member }) => member.id === load.member);
      if (!piece) return [];
      const at = (fraction: number) => piece.from + fraction * (piece.to - piece.from);
      if (load.kind === 'point') return [{ case: id, kind: 'point', x: at(load.at), load }];
      if (load.kind === 'distributed')
        return [{ case: id, kind: 'distributed', from: at(load.from ?? 0), to: at(load.to ?? 1), load }];
      return [{ case: id, kind: 'other', load }];
    }),
  );
}
