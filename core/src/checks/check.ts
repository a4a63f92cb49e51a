import type { MemberField } from '../analysis/index.js';
import type { CheckSection } from './members/section.js';
import type { PhysicalMember } from './members/physical-member.js';

/** One line of a calculation that a person can follow with a pocket calculator. */
export interface CalculationStep {
  /** A group of lines begins here. */
  readonly heading?: string;
  /** Symbol as the standard writes it. */
  readonly symbol: string;
  /** SI. */
  readonly value: number;
  readonly unit: string;
  /** Formula in symbols, or where the value was taken from. */
  readonly from: string;
  readonly clause?: string;
}

/** Takes the steps of a check while it is worked out; absent when only the result counts (call it as `log?.(…)`). */
export type StepLog = (symbol: string, value: number, unit: string, from: string, clause?: string) => void;

export type Axis = 'y' | 'z' | 'u' | 'v' | 'T' | 'TF';
export type CheckStatus = 'pass' | 'fail' | 'not covered';

/** One condition of a code at its worst combination and place. */
export interface CheckItem {
  /** Clause that states the condition, with its equation. */
  readonly clause: string;
  readonly title: string;
  readonly axis?: Axis;
  readonly combination: string;
  /** Of a combination with several states the one that counts: where trains stand, towards which side a frame leans. */
  readonly situation?: string;
  /** m from the physical member's start. */
  readonly x: number;
  readonly status: CheckStatus;
  /** N, N·m or m; for an interaction formula its left side. Absent where not covered. */
  readonly demand?: number;
  readonly capacity?: number;
  readonly utilisation?: number;
  /** Why it is not covered. */
  readonly reason?: string;
  readonly steps?: readonly CalculationStep[];
}

/** An item that is covered. */
export type CoveredItem = CheckItem & {
  readonly demand: number;
  readonly capacity: number;
  readonly utilisation: number;
};

export const isCovered = (item: CheckItem): item is CoveredItem => item.utilisation !== undefined;

/** Forces at a place of a member; N > 0 is tension, signs of the frame model. N, N·m. */
export interface Forces {
  readonly N: number;
  readonly Vy: number;
  readonly Vz: number;
  readonly T: number;
  readonly My: number;
  readonly Mz: number;
  /** Class of the section under them, once known; kept here because many conditions ask for it. */
  cls?: 1 | 2 | 3 | 4;
}

/** What a check finds: a demand against a capacity, or why it cannot say; undefined where there is nothing to check. */
export type Verdict =
  | {
      readonly demand: number;
      readonly capacity: number;
      readonly x?: number;
      /** Where the equation depends on the forces. */
      readonly clause?: string;
    }
  | { readonly reason: string }
  | undefined;

interface CheckHead {
  readonly clause: string;
  readonly title: string;
  readonly axis?: Axis;
  /** Whether the check is for such a section: `false` says nothing, a text is reported as not covered. */
  covers(member: PhysicalMember): boolean | string;
}

/** A condition at a place of the member, on the section there. */
export interface SectionCheck extends CheckHead {
  readonly scope: 'section';
  /**
   * The one force whose magnitude decides where the resistance is the same everywhere (uniform member, plastic in compression):
   * then only the places where it is greatest are looked at. Of N the sign that the check is for.
   */
  readonly by?: Extreme;
  /** The resistance does not go by the class: `by` holds for every uniform member. */
  readonly steady?: boolean;
  /** An upper bound of the utilisation anywhere on a uniform member: combinations that cannot be the worst are left out. */
  atMost?(member: PhysicalMember, state: MemberState): number;
  /** Whether such forces, the greatest of the member, can bring anything at all; absent: always. */
  concerns?(member: PhysicalMember, reach: Reach): boolean;
  evaluate(section: CheckSection, forces: Forces, member: PhysicalMember, log?: StepLog): Verdict;
}

/** Greatest tension, compression, and magnitudes of the other forces. */
export type Extreme = 'tension' | 'compression' | 'Vy' | 'Vz' | 'T' | 'My' | 'Mz';
export type Reach = Readonly<Record<Extreme, number>>;

/** A condition on a whole physical member under one combination. */
export interface MemberCheckRule extends CheckHead {
  readonly scope: 'member';
  /** The one force that decides, as of a section check; lengths from the buckling analysis vary with the combination. */
  readonly by?: Extreme;
  /** A quick upper bound of the utilisation: combinations that cannot be the worst are left out. */
  atMost?(member: PhysicalMember, state: MemberState): number;
  evaluate(member: PhysicalMember, state: MemberState, log?: StepLog): Verdict;
}

export type Check = SectionCheck | MemberCheckRule;

/** The checks of a design code, and what the runner needs to know of it. */
export interface CodeRules {
  readonly checks: readonly Check[];
  /** Whether a section's resistances are the same whatever stresses act: then the greatest force decides. */
  sameResistance(section: CheckSection): boolean;
  /** Where the code has classes: that of a section under the forces of a place. Resistances jump where it changes. */
  placeClass?(section: CheckSection, forces: Forces): number;
  /** Class of the cross-section that an item went by, where the code has classes. */
  classAt?(member: PhysicalMember, item: CheckItem, state: MemberState): number;
}

/** A greatest magnitude along a member: where, and the force with its sign. */
export interface ExtremeForce {
  readonly value: number;
  readonly x: number;
  readonly signed: number;
}

/** Buckling lengths about y and z, m, and the critical factor that they come from. */
export interface BucklingLengths {
  readonly y?: number;
  readonly z?: number;
  readonly factor: number;
}

/** A physical member's forces in one combination, with what many checks need of them. */
export interface MemberState {
  /** The combination. */
  readonly id: string;
  /** Which of its states, where it has several. */
  readonly situation?: string;
  readonly field: MemberField;
  /** The part of the member that it is of, m from the start; mostly the whole. */
  readonly from: number;
  readonly to: number;
  /** Greatest magnitudes, where, and with their sign; of N each sign by itself, 0 where there is none. */
  readonly extremes: Readonly<Record<Extreme, ExtremeForce>>;
  readonly compression: ExtremeForce;
  readonly My: ExtremeForce;
  readonly Mz: ExtremeForce;
  /** What checks worked out for the state, by the function that did. */
  readonly memo: Map<unknown, unknown>;
  /** Buckling lengths from the frame's buckling analysis, where asked for; about z only where the frame can buckle so. */
  readonly buckling?: BucklingLengths;
}

/** The result for one physical member: the worst item governs. */
export interface MemberCheck {
  /** Its id, or its group's name. */
  readonly member: string;
  /** Ids of the members that it is made of. */
  readonly of: readonly string[];
  readonly status: CheckStatus;
  /** 0 where nothing acts in any combination; absent where nothing is covered. */
  readonly utilisation?: number;
  readonly governs?: CoveredItem;
  /** Class of the cross-section under the governing forces (EN 1993-1-1 5.5). */
  readonly class?: number;
  readonly items: readonly CheckItem[];
  /** Reasons of what is not covered. */
  readonly reasons: readonly string[];
}

/** A log that writes into `steps`. */
export function logInto(steps: CalculationStep[]): StepLog {
  return (symbol, value, unit, from, clause) =>
    void steps.push({ symbol, value, unit, from, ...(clause === undefined ? {} : { clause }) });
}
