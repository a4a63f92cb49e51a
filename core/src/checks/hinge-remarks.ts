import { classify } from './en1993/classes/classification.js';
import { plasticShear } from './en1993/resistance.js';
import type { Forces } from './check.js';
import type { PhysicalMember } from './members/physical-member.js';

/** What a plastic hinge presumes and a section does not have, in words: a class that turns, and a shear that leaves its moment. */
export function hingeRemarks(member: PhysicalMember, x: number, forces: Forces): string[] {
  const section = member.sectionAt(x);
  const cls = classify(section, forces);
  const shear = plasticShear(section, 'z', member.code);
  return [
    ...(cls > 2
      ? [`${section.name} is of class ${cls} at the hinge and cannot turn plastically (5.5.2)`]
      : []),
    ...(shear !== undefined && Math.abs(forces.Vz) > shear / 2
      ? [`the shear at the hinge is above half of Vpl,Rd and reduces its moment further (6.2.8)`]
      : []),
  ];
}
