import type { RaisedLoads } from './loads.js';
import type { FailurePicture } from './picture.js';

/** Something that happens while loads are raised. */
export interface FailureEvent {
  /** Factor λ on what is raised. */
  readonly factor: number;
  readonly kind: 'condition' | 'slack' | 'taut' | 'instability' | 'hinge' | 'closed' | 'collapse';
  readonly member?: string;
  readonly title?: string;
  /** m from the start of the physical member. */
  readonly x?: number;
  readonly clause?: string;
  readonly axis?: string;
  /** A condition of a whole member, met while hinges form. */
  readonly of?: 'member';
  /** Of a hinge, N·m and N: moment and axial force when it formed. */
  readonly moment?: number;
  readonly axial?: number;
  readonly text: string;
}

export interface FollowedPlace {
  readonly node: string;
  readonly title: string;
  readonly component: string;
}

/** The `hashira-failure` document: what happens while some loads are raised and others stay. */
export interface FailureFile extends RaisedLoads {
  readonly format: 'hashira-failure';
  readonly version: 1;
  readonly alternative: string;
  readonly path: 'elastic' | 'plastic';
  readonly order: 1 | 2;
  readonly status?: 'stopped';
  /** In rising order of their factors. */
  readonly events: readonly FailureEvent[];
  /** Factor of the first event but for members that go slack or taut. */
  readonly first?: number;
  readonly last: {
    readonly factor: number;
    readonly kind?: FailureEvent['kind'];
    readonly code?: 'no-failure';
    readonly reason?: string;
  };
  /** Displacement of the followed node, m or rad. */
  readonly curve: readonly { readonly factor: number; readonly displacement: number }[];
  readonly followed?: FollowedPlace;
  /** Members of one sign that do not act when the path begins. */
  readonly slack: readonly { readonly member: string; readonly title: string }[];
  readonly verdict: string;
  readonly notes: readonly string[];
  /** Where it was asked for. */
  readonly picture?: FailurePicture;
}

/** How a path is followed. */
export interface FailureOptions {
  readonly raise: string;
  readonly constant?: string;
  readonly path?: 'elastic' | 'plastic';
  /** Absent: the design's. */
  readonly order?: 1 | 2;
  /** Greatest factor; 20 where left out. */
  readonly most?: number;
  /** A node by id or title with a component: `frame.point.2.ux`. */
  readonly follow?: string;
  /** With how the frame moves along the curve, for drawing. */
  readonly picture?: boolean;
}

/** What is known while a path is followed. */
export interface FailureProgress {
  /** 0 … 1. */
  readonly done: number;
  /** What can be told if it is stopped now. */
  soFar(): FailureFile;
}
