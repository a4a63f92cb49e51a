/** A plastic hinge that formed (or closed again) as the loads grew. */
export interface PlasticEvent {
  /** Factor on the loads at which it happened. */
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

/** Elastic-plastic growth of loads up to collapse. */
export interface PlasticCollapse {
  readonly events: readonly PlasticEvent[];
  /** Factor at which the frame becomes a mechanism. */
  readonly collapseFactor: number;
  /** Node id → [ux, uy, uz, rx, ry, rz] of the mechanism; hinges inside members are nodes `member@x`. */
  readonly mechanism: Readonly<Record<string, readonly number[]>>;
}

/** How the plastic moments are taken. */
export interface PlasticOptions {
  /** `reduce` (6.2.9) or `ignore` the axial force. */
  readonly axial?: 'reduce' | 'ignore';
  /** Factor beyond which no collapse is sought; 1e12 where left out. */
  readonly most?: number;
}
