/**
 * The frame model: plain nodes and members, the input of the analysis and the open interchange format.
 * SI base units throughout (m, N, N·m, kg, Pa, rad, K). Global axes are right-handed with Z up.
 * Member x runs start → end; My > 0 puts the −z side in tension; Vz = dMy/dx; N > 0 is tension.
 */
export interface FrameModel {
  format: 'hashira-frame';
  version: 1;
  title?: string;
  /** `plane`: only ux, uz and ry exist. `solid`: all six. */
  space: 'plane' | 'solid';
  materials: Material[];
  sections: Section[];
  nodes: FrameNode[];
  members: Member[];
  supports?: Support[];
  rigidGroups?: RigidGroup[];
  masses?: NodeMass[];
  loadCases?: LoadCase[];
  combinations?: Combination[];
  trains?: TrainLoad[];
  /** Load cases whose downward loads count as masses in modes, with a factor each. */
  massFrom?: Record<string, number>;
  code?: CodeChoice;
}

/** The design code of the checks and its national choices; absent: EN 1993-1-1 with recommended values. */
export interface CodeChoice {
  name?: CodeName;
  gammaM0?: number;
  gammaM1?: number;
  gammaM2?: number;
  /** EN 1993-1-5 5.1(2). */
  eta?: number;
  /** Interaction factors of EN 1993-1-1 Annex B (default) or A. */
  interaction?: 'A' | 'B';
  /** EN 1993-1-1 6.3.2.3 for I sections (`rolled`, default), or 6.3.2.2 for all (`general`). */
  lateralTorsional?: 'rolled' | 'general';
  /** Sway and bow imperfections of EN 1993-1-1 5.3.2 in every strength combination. */
  imperfections?: boolean;
  /** AISC 360 in second order: the direct analysis method of C2 (`direct`, default), or the effective length method of Appendix 7. */
  analysis?: 'direct' | 'effective-length';
}

export type CodeName = 'EN1993' | 'AISC360';

/** What the checks take for a member where it is not its own length and diagrams; lengths in m. */
export interface MemberDesign {
  /** Buckling lengths about y and z; 0: held throughout. */
  Lcy?: number;
  Lcz?: number;
  /** Torsional buckling length; absent: Lcz. */
  LT?: number;
  /** Between lateral restraints of the compression flange, one for both flanges or one each; 0: held throughout. */
  LLT?: number | FlangeLengths;
  /** `buckling-analysis`: Lcy and Lcz from the frame's critical load. */
  lengths?: 'given' | 'buckling-analysis';
  /** Nodes of the physical member that hold its flanges sideways; absent: its ends. */
  restraints?: (string | FlangeRestraint)[];
  C1?: number;
  C2?: number;
  Cmy?: number;
  Cmz?: number;
  CmLT?: number;
  sway?: boolean;
  /** Where the load acts above (+) or below (−) the shear centre. */
  zg?: number;
  connection?: 'centric' | 'oneLeg';
  bolts?: 1 | 2;
  /** Members of one name, in line, are checked as one. */
  group?: string;
  deflection?: { limit: number; from?: 'chord' | 'start' | 'end' };
  /** A brace of a system that holds this many members alike (rafters, chords): EN 1993-1-1 5.3.3 brings its forces. */
  restrains?: number;
}

/** A flange of a member: top is that on the side of local +z. */
export type Flange = 'top' | 'bottom';

/** Distances between lateral restraints of each flange, m. */
export type FlangeLengths = Record<Flange, number>;

/** A node that holds one flange sideways, or both. */
export interface FlangeRestraint {
  node: string;
  flange?: Flange | 'both';
}

/** A grade of the library (only `id`), or a material with all its constants. */
export interface Material {
  id: string;
  kind?: string;
  /** Young's modulus, Pa. */
  E?: number;
  /** Shear modulus, Pa. */
  G?: number;
  /** kg/m³. */
  density?: number;
  /** Thermal expansion, 1/K. */
  expansion?: number;
  /** Yield strength, Pa. */
  fy?: number;
  /** Ultimate strength, Pa. */
  fu?: number;
}

/** Flanges whose inner faces slope: by `slope` (0.14 for 14 %), `tf` measured `tfAt` from the tip (absent: half-way). */
interface TaperedFlanges {
  slope?: number;
  tfAt?: number;
  /** Radius at the flanges' toes. */
  r2?: number;
}

/** Doubly symmetric I, dimensions in m; `r` is the root radius. */
export interface IShape extends TaperedFlanges {
  type: 'i';
  h: number;
  b: number;
  tw: number;
  tf: number;
  r?: number;
}

/** I with two flanges of their own. */
export interface UnequalIShape {
  type: 'i';
  h: number;
  bTop: number;
  tfTop: number;
  bBottom: number;
  tfBottom: number;
  tw: number;
  r?: number;
}

/** A section's outline by its dimensions, m. Web or longer leg along z, flanges or shorter leg along y. */
export type Shape =
  | IShape
  | UnequalIShape
  | ({ type: 'channel'; h: number; b: number; tw: number; tf: number; r?: number } & TaperedFlanges)
  | { type: 'tee'; h: number; b: number; tw: number; tf: number; r?: number }
  /** Legs from the corner of least y and z along +y (b) and +z (h); `r2` is the radius at the toes. */
  | { type: 'angle'; h: number; b: number; t: number; r?: number; r2?: number }
  /** Outer and inner corner radii; absent: 1.5 t and t. */
  | { type: 'rectangular-hollow'; h: number; b: number; t: number; ro?: number; ri?: number }
  | { type: 'circular-hollow'; d: number; t: number }
  | { type: 'rectangle'; h: number; b: number }
  | { type: 'round'; d: number }
  /** Four plates welded: two flanges b × tf, two webs tw thick between them, their outer faces `c` inside the flanges' tips. */
  | { type: 'plate-box'; h: number; b: number; tw: number; tf: number; c?: number }
  /** An I with plates bp × tp welded on its flanges. */
  | {
      type: 'plated-i';
      h: number;
      b: number;
      tw: number;
      tf: number;
      r?: number;
      bp: number;
      tp: number;
      plates?: 'both' | 'top' | 'bottom';
    }
  /** Two channels with their backs or their toes towards each other, `gap` apart; toes that touch are welded together. */
  | ({
      type: 'double-channel';
      h: number;
      b: number;
      tw: number;
      tf: number;
      r?: number;
      gap: number;
      facing: 'backs' | 'toes';
    } & TaperedFlanges)
  /** Any solid by the corners of its boundary, each y, z and a rounding radius; holes inside it. */
  | { type: 'outline'; points: OutlinePoint[]; holes?: OutlinePoint[][] };

/** A corner of an outline: y, z, and the radius that rounds it, m. */
export type OutlinePoint = [y: number, z: number] | [y: number, z: number, radius: number];

/** Section properties in SI: m², m³, m⁴, m⁶. y is the strong axis of an I; the web lies along z. */
export interface SectionProperties {
  A: number;
  /** Second moments; absent on sections that only bars use. */
  Iy?: number;
  Iz?: number;
  /** Product of inertia ∫ y·z dA; absent: 0. */
  Iyz?: number;
  /** Torsion constant, m⁴. */
  J?: number;
  /** Shear areas that go with Vy and Vz; absent: no shear deformation. */
  Avy?: number;
  Avz?: number;
  /** Warping constant, m⁶. */
  Iw?: number;
  Wely?: number;
  Welz?: number;
  Wply?: number;
  Wplz?: number;
  /** Outer height along z and width along y, m. */
  h?: number;
  b?: number;
}

/** A section: exactly one of `profile`, `shape`, `properties`. */
export interface Section {
  id: string;
  material: string;
  profile?: string;
  shape?: Shape;
  properties?: SectionProperties;
  shearDeformation?: boolean;
  /** How it was made, for the checks; absent: by the profile's standard, of a shape by its radii. */
  fabrication?: Fabrication;
}

export type Fabrication = 'rolled' | 'welded' | 'hot-finished' | 'cold-formed';

export interface FrameNode {
  id: string;
  x: number;
  y?: number;
  z: number;
}

/** Internal force that a hinge releases. */
export type Release = 'N' | 'Vy' | 'Vz' | 'T' | 'My' | 'Mz';
/** `free`, or a spring in N/m or N·m/rad. */
export type HingeSpring = 'free' | number;
export type Hinges = Partial<Record<Release, HingeSpring>>;

export interface Member {
  id: string;
  start: string;
  end: string;
  section: string;
  /** Linear taper from `section` to this one. */
  endSection?: string;
  /** Turns local y and z about +x, rad, right-handed. */
  roll?: number;
  /** `frame`: all internal forces. The others carry N only, the last two of one sign. */
  action?: MemberAction;
  hinges?: { start?: Hinges; end?: Hinges };
  /** Rigid arms node → member end, global, m. */
  offsets?: { start?: Vector; end?: Vector };
  design?: MemberDesign;
}

export type MemberAction = 'frame' | 'axial' | 'tension-only' | 'compression-only';

/** Nodes that move as one: in a plane (two translations in it and the rotation about its normal) or as a whole. */
export interface RigidGroup {
  id: string;
  nodes: string[];
  kind: 'plane' | 'body';
  /** Of the plane, global. */
  normal?: Vector;
}

/** Extra mass for modes, kg. */
export interface NodeMass {
  node: string;
  m: number;
}

export type Vector = [number, number, number];
export type Freedom = 'ux' | 'uy' | 'uz' | 'rx' | 'ry' | 'rz';
export const freedoms: readonly Freedom[] = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'];

/** What is not named is free; `fixed`, or a spring in N/m or N·m/rad. */
export type Support = {
  node: string;
  /** Axes of an inclined support: x first, y made square to it. */
  axes?: { x: Vector; y: Vector };
} & Partial<Record<Freedom, 'fixed' | number>>;

export type LoadCategory =
  | 'permanent'
  | 'imposed'
  | 'snow'
  | 'wind'
  | 'temperature'
  | 'crane'
  | 'prestress'
  | 'accidental'
  | 'seismic';

export interface LoadCase {
  id: string;
  category?: LoadCategory;
  /** Factor on the members' own weight along −Z. */
  selfWeight?: number;
  loads?: Load[];
}

export interface NodeLoad {
  kind: 'node';
  node: string;
  /** N, global. */
  F?: Vector;
  /** N·m, global, right-handed. */
  M?: Vector;
}

export interface DistributedLoad {
  kind: 'distributed';
  member: string;
  axes?: 'global' | 'local';
  direction: 'x' | 'y' | 'z';
  /** N/m at `from` and at `to`. */
  q: [number, number];
  /** Fractions of the member's length. */
  from?: number;
  to?: number;
  /** `projected`: per metre of the projection square to the load. */
  per?: 'length' | 'projected';
}

export interface PointLoad {
  kind: 'point';
  member: string;
  /** Fraction of the member's length. */
  at: number;
  axes?: 'global' | 'local';
  F?: Vector;
  M?: Vector;
}

export interface TemperatureLoad {
  kind: 'temperature';
  member: string;
  /** K, at the centroid. */
  uniform?: number;
  /** K/m, positive where the temperature rises along the local axis. */
  gradientY?: number;
  gradientZ?: number;
}

export interface PretensionLoad {
  kind: 'pretension';
  member: string;
  /** N, the force locked in if both ends were held. */
  force: number;
}

export type SettlementLoad = { kind: 'settlement'; node: string } & Partial<Record<Freedom, number>>;

export type MemberLoad = DistributedLoad | PointLoad | TemperatureLoad | PretensionLoad;
export type Load = NodeLoad | MemberLoad | SettlementLoad;

export interface Combination {
  id: string;
  title?: string;
  state: 'strength' | 'service';
  factors: Record<string, number>;
}

/** Forces that travel along a line of members over its whole length, both ends included, the first ahead. */
export interface TrainLoad {
  id: string;
  /** Load case that their envelope belongs to. */
  case: string;
  /** The line, in its order. */
  members: string[];
  /** N, from the first to the last. */
  forces: number[];
  /** Between neighbours, m; one fewer than forces. */
  gaps: number[];
  /** In which the forces act, global. */
  direction: Vector;
}

/** Standard gravity, m/s². */
export const gravity = 9.80665;
