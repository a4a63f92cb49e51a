import type { ResolvedSection } from '../../sections/sections.js';
import { sectionDetails, type SectionDetails } from '../../sections/details.js';
import { strengthAt } from '../../sections/materials.js';
import type { Fabrication, Shape } from '../../model/types.js';

/** Kinds of section that the codes tell apart. */
export type SectionKind =
  | 'i'
  | 'unequal-i'
  | 'channel'
  | 'tee'
  | 'angle'
  | 'box'
  | 'tube'
  | 'rectangle'
  | 'round';

type Dimensions = Pick<CheckSection, 'h' | 'b' | 'tw' | 'tf' | 'r'>;

/** A steel section as the checks see it, SI. */
export class CheckSection {
  readonly name: string;
  readonly material: string;
  readonly strengthSource: string;
  readonly fabrication: Fabrication;
  readonly E: number;
  readonly G: number;
  readonly fy: number;
  readonly fu: number;
  /** √(235 MPa/fy). */
  readonly epsilon: number;
  /** Dimensions that several kinds share; 0 where the kind has none. A box's `tw` is that of one web. */
  readonly h: number;
  readonly b: number;
  readonly tw: number;
  readonly tf: number;
  readonly r: number;
  private details: SectionDetails | undefined;

  constructor(
    readonly kind: SectionKind,
    readonly shape: Shape,
    { title, material, fabrication }: ResolvedSection,
    { fy, fu }: { readonly fy: number; readonly fu: number },
  ) {
    const { h, b, tw, tf, r } = dimensionsOf(shape);
    this.name = title;
    this.material = material.id;
    this.strengthSource = material.source;
    this.fabrication = fabrication;
    this.E = material.E;
    this.G = material.G;
    this.fy = fy;
    this.fu = fu;
    this.epsilon = Math.sqrt(235e6 / fy);
    this.h = h;
    this.b = b;
    this.tw = tw;
    this.tf = tf;
    this.r = r;
  }

  /** Worked out when it is first asked for: along tapers some places are asked for their depth only. */
  get p(): SectionDetails {
    return (this.details ??= sectionDetails(this.shape));
  }

  /** The same section, its details about other axes. */
  withDetails(details: SectionDetails): CheckSection {
    return Object.assign(Object.create(CheckSection.prototype) as CheckSection, this, { details });
  }
}

const known = new WeakMap<ResolvedSection, CheckSection | string>();

/** What the checks need of a section, or the reason why they cannot be made; memoised. */
export function checkSection(section: ResolvedSection): CheckSection | string {
  let found = known.get(section);
  if (found === undefined) known.set(section, (found = prepare(section, section.shape)));
  return found;
}

/** The section part of the way along a taper: the same material with another shape. */
export function sectionWithShape(section: ResolvedSection, shape: Shape): CheckSection | string {
  return prepare(section, shape);
}

/** Yield strength of a section at the thickness of its thickest part, Pa; undefined where its material gives none. */
export function yieldStrengthOf({ material, shape }: ResolvedSection): number | undefined {
  const { tw, tf } = shape ? dimensionsOf(shape) : { tw: 0, tf: 0 };
  return strengthAt(material, Math.max(tw, tf), shape !== undefined && kindOf(shape) === 'tube')?.fy;
}

function prepare(section: ResolvedSection, shape: Shape | undefined): CheckSection | string {
  const { material } = section;
  if (material.kind !== 'steel')
    return `Material "${material.id}" is ${material.kind}; the checks are for steel members.`;
  if (!shape)
    return `Section "${section.id}" is given by its properties; the checks need its profile or shape.`;
  const kind = kindOf(shape);
  if (!kind)
    return `Section "${section.title}" is of a built-up or free shape (${shape.type}), which the code’s formulas do not cover.`;
  const { tw, tf } = dimensionsOf(shape);
  const thickness = Math.max(tw, tf);
  const strength = strengthAt(material, thickness, kind === 'tube');
  if (!strength)
    return material.strength.length === 0
      ? `Material "${material.id}" gives no yield strength fy.`
      : `Material "${material.id}" gives no yield strength for parts ${(thickness * 1e3).toFixed(0)} mm thick.`;
  return new CheckSection(kind, shape, section, strength);
}

function kindOf(shape: Shape): SectionKind | undefined {
  switch (shape.type) {
    case 'i':
      return 'bTop' in shape ? 'unequal-i' : 'i';
    case 'channel':
    case 'tee':
    case 'angle':
    case 'rectangle':
    case 'round':
      return shape.type;
    case 'rectangular-hollow':
    case 'plate-box':
      return 'box';
    case 'circular-hollow':
      return 'tube';
    default:
      return undefined;
  }
}

function dimensionsOf(shape: Shape): Dimensions {
  switch (shape.type) {
    case 'i':
      if ('bTop' in shape) {
        const { h, bTop, bBottom, tfTop, tfBottom, tw, r = 0 } = shape;
        return { h, b: Math.max(bTop, bBottom), tw, tf: Math.max(tfTop, tfBottom), r };
      }
      return { h: shape.h, b: shape.b, tw: shape.tw, tf: shape.tf, r: shape.r ?? 0 };
    case 'channel':
    case 'tee':
      return { h: shape.h, b: shape.b, tw: shape.tw, tf: shape.tf, r: shape.r ?? 0 };
    case 'angle':
      return { h: shape.h, b: shape.b, tw: shape.t, tf: shape.t, r: shape.r ?? 0 };
    case 'rectangular-hollow':
      return { h: shape.h, b: shape.b, tw: shape.t, tf: shape.t, r: 0 };
    case 'plate-box':
      return { h: shape.h, b: shape.b, tw: shape.tw, tf: shape.tf, r: 0 };
    case 'circular-hollow':
      return { h: shape.d, b: shape.d, tw: shape.t, tf: shape.t, r: 0 };
    case 'rectangle':
      return { h: shape.h, b: shape.b, tw: Math.min(shape.h, shape.b), tf: 0, r: 0 };
    case 'round':
      return { h: shape.d, b: shape.d, tw: shape.d, tf: 0, r: 0 };
    default:
      return { h: 0, b: 0, tw: 0, tf: 0, r: 0 };
  }
}
