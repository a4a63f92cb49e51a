import { analyse, prepareFrame, type Frame, type FrameState } from '../../analysis/index.js';
import { unwrapped } from '../../base/problem.js';
import type { Namer } from '../../geometry/names.js';
import { freedoms, type FrameModel, type Load, type Member } from '../../model/types.js';
import { titleOf } from '../member-sheet/named-member.js';
import type { UnitLoads } from './unit-loads.js';
import { imposedWork, strainParts, strainWork, type StrainParts } from './virtual-work.js';

/** A physical member's share in a displacement. */
export interface MemberShare extends StrainParts {
  readonly member: string;
  /** Its pieces. */
  readonly of: readonly string[];
  readonly title: string;
  readonly sum: number;
}

/** What else moves the frame: springs that give way, settlements, strains without force. */
export interface OtherShare {
  readonly kind: 'support-spring' | 'hinge-spring' | 'settlement' | 'temperature' | 'pretension';
  /** The node, or the member with the end. */
  readonly where: string;
  readonly sum: number;
}

/** Shares of which the sum is a displacement, the greatest first. */
export interface Shares {
  readonly members: readonly MemberShare[];
  readonly others: readonly OtherShare[];
  readonly sum: number;
}

/** A state that moves, with the factors of its load cases. */
export interface Moved {
  readonly model: FrameModel;
  readonly frame: Frame;
  readonly state: FrameState;
  /** By load case, in the model's order. */
  readonly factors: ArrayLike<number>;
}

/** A moved state beside the unit loads on the frame with the members that act in it. */
interface Work extends Moved {
  readonly namer: Namer;
  readonly virtual: { readonly frame: Frame; readonly state: FrameState };
}

/** Shares of members, springs, settlements and imposed strains in what unit loads measure, by virtual work. */
export function sharesIn(moved: Moved, { loads, factor }: UnitLoads, namer: Namer): Shares {
  const work: Work = { ...moved, namer, virtual: underUnitLoads(moved, loads) };
  const { members, imposed } = memberShares(work);
  const scaled = <T extends { readonly sum: number }>(list: readonly T[]): T[] =>
    list
      .map((one) => ({ ...one, sum: factor * one.sum }))
      .filter(({ sum }) => sum !== 0)
      .sort((a, b) => Math.abs(b.sum) - Math.abs(a.sum));
  const strained = members.map((one): MemberShare => {
    const of = Object.fromEntries(strainParts.map((part) => [part, factor * one[part]]));
    return { ...one, ...(of as unknown as StrainParts) };
  });
  const shares = {
    members: scaled(strained),
    others: scaled([...imposed, ...hingeShares(work), ...supportShares(work)]),
  };
  return {
    ...shares,
    sum: [...shares.members, ...shares.others].reduce((total, { sum }) => total + sum, 0),
  };
}

/** The frame under unit loads: slack members are out of it, bars that act carry both tension and compression. */
function underUnitLoads({ model, state }: Moved, loads: readonly Load[]): Work['virtual'] {
  const members = model.members.flatMap(({ action, ...member }, m): Member[] => {
    if (state.slack[m] === 1) return [];
    return action === undefined || action === 'frame' ? [member] : [{ ...member, action: 'axial' }];
  });
  const frame = prepareFrame({
    ...model,
    members,
    loadCases: [{ id: 'unit', loads: [...loads] }],
    combinations: [],
    trains: [],
  });
  const alone = [{ id: 'unit', kind: 'case' as const, factors: Float64Array.of(1) }];
  return { frame, state: unwrapped(analyse(frame, alone)).states.get('unit')! };
}

interface Strained {
  readonly of: string[];
  readonly elastic: Record<keyof StrainParts, number>;
  temperature: number;
  pretension: number;
}

const unstrained = (): Strained => ({
  of: [],
  elastic: { axial: 0, bendingY: 0, bendingZ: 0, shearY: 0, shearZ: 0, torsion: 0 },
  temperature: 0,
  pretension: 0,
});

/** Elastic and imposed strains of each physical member times the virtual forces. */
function memberShares(work: Work): { readonly members: MemberShare[]; readonly imposed: OtherShare[] } {
  const { model, frame, state, virtual, namer } = work;
  const known = new Map<string, Strained>();
  model.members.forEach(({ id, design }, m) => {
    const own = virtual.frame.memberIndex.get(id);
    if (own === undefined) return;
    const key = design?.group ?? id;
    const one = known.get(key) ?? unstrained();
    known.set(key, one);
    one.of.push(id);
    const field = virtual.state.field(own);
    const elastic = strainWork(frame, m, state.field(m), field);
    for (const part of strainParts) one.elastic[part] += elastic[part];
    const strain = state.loads.fields[m]?.strain;
    if (!strain?.some((value) => value !== 0)) return;
    const pulled = pretensionStrain(work, id, m);
    const isBar = frame.axialOnly[m] === 1;
    one.pretension += imposedWork([pulled, 0, 0], field, isBar);
    one.temperature += imposedWork([strain[0] - pulled, strain[1], strain[2]], field, isBar);
  });
  const named = [...known].map(([member, one]) => ({
    member,
    title: titleOf({ id: member, of: one.of }, namer),
    ...one,
  }));
  return {
    members: named.map(({ member, of, title, elastic }) => {
      const sum = strainParts.reduce((total, part) => total + elastic[part], 0);
      return { member, of, title, ...elastic, sum };
    }),
    imposed: named.flatMap(({ title, temperature, pretension }): OtherShare[] => [
      { kind: 'temperature', where: title, sum: temperature },
      { kind: 'pretension', where: title, sum: pretension },
    ]),
  };
}

/** Strain that pretension gives a member: −F/EA. */
function pretensionStrain({ model, frame, factors }: Moved, id: string, m: number): number {
  let force = 0;
  (model.loadCases ?? []).forEach(({ loads = [] }, c) => {
    for (const load of loads)
      if (load.kind === 'pretension' && load.member === id) force += (factors[c] ?? 0) * load.force;
  });
  return force === 0 ? 0 : -force / frame.rigidity[6 * m]!;
}

/** What springs at the hinges of members give: M̄·M/k. */
function hingeShares({ model, frame, state, virtual, namer }: Work): OtherShare[] {
  return model.members.flatMap(({ id }, m): OtherShare[] => {
    const own = virtual.frame.memberIndex.get(id);
    if (own === undefined || frame.axialOnly[m] === 1) return [];
    return [0, 6].map((end): OtherShare => {
      let sum = 0;
      for (let k = end; k < end + 6; k++) {
        const stiffness = frame.hinges[12 * m + k]!;
        if (stiffness > 0 && Number.isFinite(stiffness))
          sum += (state.memberForces[12 * m + k]! * virtual.state.memberForces[12 * own + k]!) / stiffness;
      }
      const where = `${namer.member(id)}, at its ${end === 0 ? 'start' : 'end'}`;
      return { kind: 'hinge-spring', where, sum };
    });
  });
}

/** What supports give that move: −R̄ times how they move. */
function supportShares({ frame, state, virtual, namer }: Work): OtherShare[] {
  return frame.nodeIds.flatMap((id, n): OtherShare[] => {
    const own = virtual.frame.nodeIndex.get(id);
    const held = frame.restraint.subarray(6 * n, 6 * n + 6);
    if (own === undefined || !held.some((value) => value > 0)) return [];
    let sum = 0;
    freedoms.forEach((_, k) => {
      sum -= virtual.state.reactions[6 * own + k]! * state.displacements[6 * n + k]!;
    });
    const isSpring = held.some((value) => value > 0 && Number.isFinite(value));
    return [{ kind: isSpring ? 'support-spring' : 'settlement', where: namer.node(id), sum }];
  });
}
