import { findProfile, lookUpProfile } from '../sections/profiles.js';
import { shapeProblem } from '../sections/shapes/index.js';
import { sectionBox } from '../sections/outline/section-box.js';
import type { Section, Shape } from '../model/types.js';
import { fail } from '../base/problem.js';
import type { Design } from '../document/types.js';
import type { Taper } from '../geometry/geometry.js';

/** The sections of a model while it is built: each kind once, with a name that says what it is. */
export class SectionTable {
  readonly sections = new Map<string, Section>();
  private readonly own: ReadonlyMap<string, Section>;

  constructor(design: Pick<Design, 'sections'>) {
    this.own = new Map(design.sections.map((section) => [section.id, section]));
  }

  /** Material that an own section brings along. */
  materialOf(name: string): string | undefined {
    return this.own.get(name)?.material;
  }

  /** The section of a name in a material; its id in the model. */
  plain(name: string, material: string): string {
    const own = this.own.get(name);
    const id = own?.material === material ? own.id : `${name} ${material}`;
    if (!this.sections.has(id))
      this.sections.set(
        id,
        own ? { ...own, id, material } : { id, material, profile: findProfile(name).name },
      );
    return id;
  }

  /** The shape of a section; why it has none otherwise. */
  private shapeOf(
    name: string,
  ): { shape: Shape; fabrication?: NonNullable<Section['fabrication']> } | string {
    const own = this.own.get(name);
    if (own?.shape) return { shape: own.shape, ...(own.fabrication ? { fabrication: own.fabrication } : {}) };
    const profile = own?.profile ?? (own ? undefined : name);
    const entry = profile === undefined ? undefined : lookUpProfile(profile);
    return entry
      ? { shape: entry.shape, fabrication: entry.fabrication }
      : `the section "${name}" is given by properties only`;
  }

  /** Box of a section around its centroid, m; undefined for sections given by properties. */
  box(name: string): ReturnType<typeof sectionBox> | undefined {
    const found = this.shapeOf(name);
    return typeof found === 'string' ? undefined : sectionBox(found.shape);
  }

  /** Shape of a section, where it has one. */
  shape(name: string): Shape | undefined {
    const found = this.shapeOf(name);
    return typeof found === 'string' ? undefined : found.shape;
  }

  /** The section at a share of a taper. @throws ProblemError `geometry` where the section has no depth that can vary */
  tapered(name: string, material: string, taper: Taper, share: number, member: string): string {
    if (share === 0) return this.plain(name, material);
    const { target } = taper;
    if ('section' in target && share === 1) return this.plain(target.section, material);
    const found = this.shapeOf(name);
    const end = 'section' in target ? this.shapeOf(target.section) : undefined;
    const wrong = (reason: string): never =>
      fail(
        'geometry',
        `The member "${member}" cannot taper: ${reason}; give it a section with a depth, such as an I section.`,
        { member },
      );
    if (typeof found === 'string') return wrong(found);
    if (typeof end === 'string') return wrong(end);
    const shape = end ? interpolated(found.shape, end.shape, share) : deepened(found.shape, target, share);
    if (typeof shape === 'string') return wrong(shape);
    const problem = shapeProblem(shape);
    if (problem) return wrong(`at its end ${problem}`);
    const depth = 'h' in shape ? shape.h : 0;
    const id = `${name} ${material} × ${Number((depth * 1e3).toFixed(3))} mm${'section' in target ? ` to ${target.section}` : ''}`;
    const { fabrication } = found;
    if (!this.sections.has(id))
      this.sections.set(id, { id, material, shape, ...(fabrication ? { fabrication } : {}) });
    return id;
  }
}

/** A shape with another depth. */
function deepened(
  shape: Shape,
  target: { added: number } | { depth: number } | { section: string },
  share: number,
): Shape | string {
  if (!('h' in shape)) return `a ${shape.type} has no depth that can vary`;
  const h =
    'added' in target
      ? shape.h + share * target.added
      : 'depth' in target
        ? shape.h + share * (target.depth - shape.h)
        : shape.h;
  return { ...shape, h };
}

function interpolated(a: Shape, b: Shape, share: number): Shape | string {
  if (a.type !== b.type) return `it goes from ${a.type} to ${b.type}`;
  const out: Record<string, unknown> = { ...a };
  for (const [key, value] of Object.entries(a))
    if (typeof value === 'number')
      out[key] = value + share * (((b as unknown as Record<string, number>)[key] ?? value) - value);
  return out as unknown as Shape;
}
