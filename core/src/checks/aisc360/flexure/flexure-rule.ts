import type { StepLog } from '../../check.js';
import type { CheckSection } from '../../members/section.js';

/** What a nominal moment depends on besides the section. */
export interface BendingStretch {
  /** Between lateral restraints; 0 where held. m */
  readonly Lb: number;
  readonly Cb: number;
  /** The largest moment with its sign: which side is in compression. N·m */
  readonly moment: number;
}

export const bendingStretch = (Lb: number, Cb: number, moment: number): BendingStretch => ({
  Lb,
  Cb,
  moment,
});

/** A section of chapter F for one axis. */
export interface FlexureRule {
  readonly clause: string;
  readonly title: string;
  readonly axis: 'y' | 'z' | 'u' | 'v';
  /** Lateral-torsional buckling counts. */
  readonly lateral: boolean;
  applies(s: CheckSection): boolean;
  /** Nominal moment Mn, N·m. */
  strength(s: CheckSection, stretch: BendingStretch, log?: StepLog): number;
}
