import type { MemberField } from '../../../analysis/index.js';
import type { MemberState } from '../../check.js';
import { diagram, type Diagram } from '../../members/diagram.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import type { SectionClass } from '../classes/classification.js';
import type { Span } from '../../members/lengths.js';
import type { LateralTorsional } from '../buckling/lateral-torsional.js';

/** All that the interaction factors of both annexes go by. */
export interface InteractionInput {
  readonly member: PhysicalMember;
  readonly state: MemberState;
  /** Of the whole member. */
  readonly field: MemberField;
  readonly cls: SectionClass;
  readonly NEd: number;
  readonly MyEd: number;
  readonly MzEd: number;
  /** Characteristic resistances: A·fy, Wy·fy, Wz·fy. */
  readonly NRk: number;
  readonly MyRk: number;
  readonly MzRk: number;
  readonly y: { readonly Ncr: number; readonly lambdaBar: number; readonly chi: number };
  readonly z: { readonly Ncr: number; readonly lambdaBar: number; readonly chi: number };
  /** The stretches that buckle about y and z. */
  readonly spans: { readonly y: Span; readonly z: Span };
  /** Undefined for members not susceptible to torsional deformations. */
  readonly lateral: LateralTorsional | undefined;
  readonly chiLT: number;
}

export interface InteractionFactors {
  readonly kyy: number;
  readonly kyz: number;
  readonly kzy: number;
  readonly kzz: number;
}

/** The diagrams that Cmy, Cmz and CmLT go by: of the stretches that buckle about y and z, and of that between lateral restraints. */
export function diagramsOf({
  member,
  field,
  spans,
  lateral,
}: InteractionInput): Record<'y' | 'z' | 'LT', Diagram> {
  const stretch = lateral?.diagram;
  const whole = stretch && !lateral.stretch.flange && stretch.to - stretch.from > 0.999 * member.length;
  const y = whole ? stretch : diagram(field, 'My', spans.y.from, spans.y.to);
  return { y, z: diagram(field, 'Mz', spans.z.from, spans.z.to), LT: stretch ?? y };
}
