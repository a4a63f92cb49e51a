import { prepareFrame } from '../../analysis/index.js';
import { unwrapped } from '../../base/problem.js';
import { buildFrame, type BuiltFrame } from '../../build/build.js';
import type { Alternative, Design, Parameter, Rule } from '../../document/types.js';
import type { Section } from '../../model/types.js';
import { vary } from '../stages/vary.js';
import type { SectionGroup } from './groups.js';

/** A section for each group, by the group's id. */
export type SectionSet = ReadonlyMap<string, string>;

/**
 * A built frame with other sections in some groups. Where a group's sections move nothing but the members that have them, the model is
 * varied; where they do (tapers, members that are set out), it is built anew.
 */
export class ChangedSections {
  /** Groups of which a change is one of the sections only. */
  private readonly plain = new Map<string, boolean>();

  constructor(
    readonly built: BuiltFrame,
    private readonly groups: readonly SectionGroup[],
  ) {}

  /** The frame with a set of sections. */
  with(set: SectionSet): BuiltFrame {
    const changed = this.groups.filter(({ id, section }) => (set.get(id) ?? section) !== section);
    return changed.every((group) => this.isPlain(group, set.get(group.id)!))
      ? this.varied(set, changed)
      : this.rebuilt(set);
  }

  /** Whether a group's sections can be exchanged in the model; found by building one exchange both ways. */
  private isPlain(group: SectionGroup, section: string): boolean {
    let known = this.plain.get(group.id);
    if (known === undefined) {
      const one = new Map([[group.id, section]]);
      const essence = ({ model }: BuiltFrame) => {
        const { members, nodes, supports, loadCases, rigidGroups, masses } = model;
        return JSON.stringify([members.map(sorted), nodes, supports, loadCases, rigidGroups, masses]);
      };
      known = essence(this.varied(one, [group])) === essence(this.rebuilt(one));
      this.plain.set(group.id, known);
    }
    return known;
  }

  private varied(set: SectionSet, changed: readonly SectionGroup[]): BuiltFrame {
    const { model } = this.built;
    const materials = new Map(model.sections.map(({ id, material }) => [id, material]));
    const made = new Map<string, Section>();
    const sectionIn = (profile: string, material: string): Section => {
      const id = `${profile} ${material}`;
      const known = made.get(id) ?? model.sections.find((one) => one.id === id) ?? { id, material, profile };
      made.set(id, known);
      return known;
    };
    const standing = new Map(model.members.map(({ id, section }) => [id, section]));
    const sections = new Map(
      changed.flatMap(({ id, pieces }) =>
        pieces.map(
          (piece) => [piece, sectionIn(set.get(id)!, materials.get(standing.get(piece)!)!)] as const,
        ),
      ),
    );
    return { ...this.built, model: vary(model, sections) };
  }

  private rebuilt(set: SectionSet): BuiltFrame {
    const { design } = this.built;
    const given = withSections(design, this.groups, set);
    const alone: Alternative = { ...design.alternatives[0]!, picks: {}, parameters: {} };
    return unwrapped(buildFrame({ ...given, choices: [] }, alone));
  }
}

const sorted = (value: object): object =>
  Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));

/** A design of which the groups have other sections; choices and own values still come after. */
export function withSections(design: Design, groups: readonly SectionGroup[], set: SectionSet): Design {
  const of = (kind: SectionGroup['kind']) =>
    new Map(groups.flatMap(({ id, kind: own }) => (own === kind && set.has(id) ? [[id, set.get(id)!]] : [])));
  const [parameters, rules] = [of('parameter'), of('rule')];
  return {
    ...design,
    parameters: design.parameters.map((one): Parameter =>
      parameters.has(one.name) ? { ...one, value: parameters.get(one.name)! } : one,
    ),
    rules: design.rules.map((one): Rule =>
      rules.has(one.id) ? { ...one, section: rules.get(one.id)! } : one,
    ),
  };
}

/** Mass of some members of a frame, kg. */
export function massOfMembers({ model }: Pick<BuiltFrame, 'model'>, ids?: readonly string[]): number {
  const frame = prepareFrame(model);
  const numbers = ids ? ids.map((id) => frame.memberIndex.get(id)!) : frame.memberIds.map((_, m) => m);
  return numbers.reduce((sum, m) => sum + frame.massPerLength[m]! * frame.length[m]!, 0);
}
