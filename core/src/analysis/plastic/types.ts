import type { MemberField } from '../member-field.js';

/** A plastic hinge that formed (or closed again) as the loads grew. */
export interface PlasticEvent {
  /** Factor on the raised loads at which it happened; 0 while the constant ones were put on. */
  readonly factor: number;
  readonly kind: 'hinge' | 'closed';
  readonly member: string;
  /** m from the member's start. */
  readonly x: number;
  /** N·m, with the sign of My. */
  readonly moment: number;
  /** N, tension positive. */
  readonly axial: number;
}

/** Factors on the model's load cases: what is put on first and stays, and what grows then. */
export interface PlasticLoads {
  readonly constant: Float64Array;
  readonly raised: Float64Array;
}

/** The frame at one factor. */
export interface PlasticState {
  /** 6 a node of the model: displacements, global. */
  readonly displacements: Float64Array;
  /** Functions along a member of the model. */
  field(member: number): MemberField;
}

/** Elastic–plastic growth of loads up to collapse, or to the greatest factor. */
export interface PlasticGrowth {
  readonly events: readonly PlasticEvent[];
  readonly end: 'collapse' | 'most';
  /** Factor at which the frame becomes a mechanism, or carries no more; or the greatest one. */
  readonly factor: number;
  /** Node id → [ux, uy, uz, rx, ry, rz] of the mechanism; hinges inside members are nodes `member@x`. */
  readonly mechanism?: Readonly<Record<string, readonly number[]>>;
  /** The frame at a factor from 0 up to the end. */
  stateAt(factor: number): PlasticState;
}

/** How the plastic moments are taken. */
export interface PlasticOptions {
  /** `reduce` (6.2.9) or `ignore` the axial force. */
  readonly axial?: 'reduce' | 'ignore';
  /** Factor beyond which no collapse is sought; 1e12 where left out. */
  readonly most?: number;
  /** By which the plastic resistances are divided; 1 where left out. */
  readonly gammaM0?: number;
  /** Equilibrium on the displaced structure. */
  readonly secondOrder?: boolean;
}

/** What is told of a growth while it is worked out. */
export type GrowthParts = Generator<{ readonly factor: number; readonly events: number }, PlasticGrowth>;
