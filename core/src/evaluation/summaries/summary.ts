import type { Problem } from '../../base/problem.js';
import type { Note } from '../../geometry/geometry.js';
import type { Warning } from '../warnings/index.js';
import type { ShownResult } from '../../drawing/index.js';
import type { QuantityName } from '../../units/quantities.js';
import type { VerdictStatus } from '../stages/index.js';
import type { LoadSums } from '../warnings/differing-loads.js';

/** A figure as the screens show it; plain data. */
export interface FigureSummary {
  readonly id: string;
  readonly title: string;
  readonly quantity: QuantityName;
  readonly signed: boolean;
  /** SI; absent while it is not known yet, or where there is nothing to read it from. */
  readonly value?: number;
  /** It also reads as a share of a storey's height (the value is that share) or of a member's length, m. */
  readonly readsAs?: { readonly of: 'h' } | { readonly of: 'L'; readonly length: number };
  /** It is still being worked out. */
  readonly pending?: boolean;
  /** Where and under which loads, in words; or why there is no value. */
  readonly place: string;
  /** Its specification is wrong: `place` says why. */
  readonly wrong?: boolean;
  readonly combination?: string;
  readonly limit?: number;
  readonly limitIs: 'most' | 'least';
  readonly status: 'pass' | 'fail' | 'none';
}

/** A physical member's check as the screens list it. */
export interface MemberSummary {
  readonly member: string;
  /** Its pieces. */
  readonly of: readonly string[];
  readonly title: string;
  readonly section: string;
  readonly status: 'pass' | 'fail' | 'not covered';
  readonly utilisation?: number;
  /** The condition that governs, or why it is not covered, in words. */
  readonly because: string;
}

/** A parameter's value and range, SI. */
export interface ParameterSummary {
  readonly value?: number;
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
}

/**
 * What the checks come to; where they pass, whether a figure is beyond its limit; `pending` until that is known, `failed` where it
 * never will be.
 */
export type SummaryStatus = VerdictStatus | 'beyond limits' | 'pending' | 'failed';

/** What is known of an alternative at a stage of its calculation; plain data without closures. */
export interface AlternativeSummary {
  readonly id: string;
  /** How far it has come: 'failed' where nothing more comes. */
  readonly stage: 'failed' | 'frame' | 'forces' | 'checks' | 'complete';
  readonly problems: readonly Problem[];
  /** The frame could be built: there is something to draw. */
  readonly built: boolean;
  /** What can be shown on the stage. */
  readonly results: readonly ShownResult[];
  readonly figures: readonly FigureSummary[];
  readonly status: SummaryStatus;
  readonly over: number;
  readonly notCovered: number;
  /** The worst members first; at the most a hundred. */
  readonly members: readonly MemberSummary[];
  readonly memberCount: number;
  readonly alphaCr?: number;
  readonly alphaCrOf?: string;
  /** Least factor at which members buckle between nodes that stay. */
  readonly alphaCrMember?: number;
  readonly secondOrderNeeded: boolean;
  readonly order: 1 | 2;
  readonly code: string;
  readonly notes: readonly Note[];
  /** Sums of the load cases, once there are forces. */
  readonly loads?: LoadSums;
  /** What the model check found; absent while it has not looked yet. */
  readonly warnings?: readonly Warning[];
  readonly parameters: Readonly<Record<string, ParameterSummary>>;
  /** Forces of the loads and reactions about the origin, global, of the shown result. */
  readonly balance?: {
    readonly result: string;
    readonly applied: readonly number[];
    readonly reactions: readonly number[];
    readonly residual: number;
  };
  /** Values by which a solid frame can be sliced, by tag. */
  readonly slices: readonly { readonly tag: string; readonly values: readonly (string | number)[] }[];
  /** Ids of the combinations that govern a member or a figure. */
  readonly governing: readonly string[];
  /** Rules that later ones override, by rule id: by which, and on how many members or nodes. */
  readonly overrides: Readonly<Record<string, readonly { readonly by: string; readonly parts: number }[]>>;
  /** How many parts each rule matches, by rule id. */
  readonly matches: Readonly<Record<string, number>>;
}
