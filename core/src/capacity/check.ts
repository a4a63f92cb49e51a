import type { MemberField } from '../analysis/index.js';
import type { ResolvedSection } from '../library/sections.js';

/** One line of a calculation that a person can follow with a pocket calculator. */
export interface CalculationStep {
  /** Symbol as the standard writes it. */
  readonly symbol: string;
  /** SI. */
  readonly value: number;
  readonly unit: string;
  /** Formula in symbols, or where the value was taken from. */
  readonly from: string;
  readonly clause?: string;
}

/** Takes the steps of a check while it is worked out; left out when only the result counts. */
export type StepLog = (symbol: string, value: number, unit: string, from: string, clause?: string) => void;

/** One condition of a code at its worst combination and place. */
export interface CheckItem {
  /** Clause that states the condition, with its equation. */
  readonly clause: string;
  readonly title: string;
  readonly axis?: 'y' | 'z';
  readonly combination: string;
  /** m from the member's start. */
  readonly x: number;
  readonly status: 'pass' | 'fail';
  /** N or N·m; for an interaction formula its left side. */
  readonly demand: number;
  readonly capacity: number;
  readonly utilisation: number;
  readonly steps?: readonly CalculationStep[];
}

/** Partial factors, EN 1993-1-1 6.1(1) with the recommended values. */
export interface PartialFactors {
  readonly gammaM0: number;
  readonly gammaM1: number;
}

/** What a check sees of one member. */
export interface CheckContext {
  readonly member: string;
  readonly length: number;
  readonly section: ResolvedSection;
  /** Yield strength for the section's thickest part, Pa. */
  readonly fy: number;
  readonly factors: PartialFactors;
  /** Functions along the member in every strength combination. */
  readonly combinations: readonly { readonly id: string; readonly field: MemberField }[];
}

/** A check: its items at their worst, or the reason why it does not cover the section. */
export type Check = (
  context: CheckContext,
  withSteps: boolean,
) => CheckItem[] | { readonly notCovered: string };

/** The result for one member: the worst item governs. */
export interface MemberCheck {
  readonly member: string;
  readonly status: 'pass' | 'fail' | 'not covered';
  /** Absent where nothing is covered. */
  readonly utilisation?: number;
  readonly governs?: CheckItem;
  readonly items: readonly CheckItem[];
  /** Reasons of what is not covered. */
  readonly reasons: readonly string[];
}

/** A log that writes into `steps`. */
export function logInto(steps: CalculationStep[]): StepLog {
  return (symbol, value, unit, from, clause) =>
    void steps.push({ symbol, value, unit, from, ...(clause === undefined ? {} : { clause }) });
}

/** Builds an item; status follows from the utilisation. */
export function checkItem(item: Omit<CheckItem, 'status' | 'utilisation'>): CheckItem {
  const utilisation = item.demand / item.capacity;
  return { ...item, utilisation, status: utilisation <= 1 ? 'pass' : 'fail' };
}
