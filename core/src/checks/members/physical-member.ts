import type { Frame, MemberField } from '../../analysis/index.js';
import { sectionsBetween } from '../../sections/shapes/between.js';
import { resolveSections, type ResolvedSection } from '../../sections/sections.js';
import type { CodeChoice, Flange, FrameModel, Member, MemberDesign } from '../../model/types.js';
import { problem, type Problem } from '../../base/problem.js';
import { endsOf, heldPlaces, innerNodes, jointsOf, leastDistance, type Joints } from './member-ends.js';
import { checkSection, sectionWithShape, type CheckSection } from './section.js';

/** A member as the checks see it: one of the model, or those of a group in line. */
export interface PhysicalMember {
  /** Its id, or its group's name. */
  readonly id: string;
  readonly of: readonly string[];
  /** Numbers of its pieces in the frame, and where each begins, m. */
  readonly pieces: readonly { readonly member: number; readonly from: number }[];
  readonly length: number;
  /** Of a taper the section at its start. */
  readonly section: CheckSection;
  readonly tapered: boolean;
  /** The section at x, m; of a uniform member always the same. */
  sectionAt(x: number): CheckSection;
  readonly design: MemberDesign;
  /** Places where each flange is held sideways, 0 … length, m; the ends are among them. */
  readonly held: Readonly<Record<Flange, readonly number[]>>;
  /** Both flanges are held at the same places. */
  readonly flangesHeldAlike: boolean;
  /** Ends at which nothing holds a flange: neither a support nor another member nor a restraint. */
  readonly free: Readonly<Record<Flange, { readonly start: boolean; readonly end: boolean }>>;
  /** Ends that neither a support nor another member holds. */
  readonly freeEnds: { readonly start: boolean; readonly end: boolean };
  /** Ends that a support holds against every rotation, so that the section cannot warp there. */
  readonly builtIn: { readonly start: boolean; readonly end: boolean };
  /** Places between the ends where something else meets the member: a support, another member, a rigid group. m */
  readonly nodes: readonly number[];
  readonly code: CodeSettings;
}

/** The code's choices with their recommended values. */
export interface CodeSettings {
  readonly name: 'EN1993' | 'AISC360';
  readonly gammaM0: number;
  readonly gammaM1: number;
  readonly gammaM2: number;
  readonly eta: number;
  readonly interaction: 'A' | 'B';
  readonly lateralTorsional: 'rolled' | 'general';
  readonly imperfections: boolean;
  readonly analysis: 'direct' | 'effective-length';
}

/** Recommended values: EN 1993-1-1 6.1(1) NOTE 2B; EN 1993-1-5 5.1(2) leaves η to be chosen, 1.0 on the safe side. */
export function codeSettings(code: CodeChoice = {}): CodeSettings {
  return {
    name: 'EN1993',
    gammaM0: 1,
    gammaM1: 1,
    gammaM2: 1.25,
    eta: 1,
    interaction: 'B',
    lateralTorsional: 'rolled',
    imperfections: false,
    analysis: 'direct',
    ...code,
  };
}

/** A physical member whose section the checks do not cover. */
export interface UncoveredMember {
  readonly id: string;
  readonly of: readonly string[];
  readonly reason: string;
}

export interface PhysicalMembers {
  readonly members: readonly (PhysicalMember | UncoveredMember)[];
  /** Groups that are none: not in line. */
  readonly problems: readonly Problem[];
}

/** Physical members of a model in the order of their first pieces. */
export function physicalMembers(model: FrameModel, frame: Frame): PhysicalMembers {
  const sections = resolveSections(model);
  const code = codeSettings(model.code);
  const groups = new Map<string, number[]>();
  const order: number[][] = [];
  model.members.forEach(({ design }, m) => {
    const name = design?.group;
    const group = name === undefined ? undefined : groups.get(name);
    if (group) group.push(m);
    else {
      const members = [m];
      order.push(members);
      if (name !== undefined) groups.set(name, members);
    }
  });
  const problems: Problem[] = [];
  const within = { model, frame, sections, code, problems, joints: jointsOf(frame) };
  const members = order.map((numbers) => physicalMember(within, chain(model, frame, numbers, problems)));
  return { members, problems };
}

function report(problems: Problem[], model: FrameModel, member: number, message: string): void {
  const path = `/members/${member}/design/group`;
  problems.push(
    problem('invalid-model', `${message} (${path})`, { path, member: model.members[member]!.id }),
  );
}

/** The pieces of a group from its start to its end; problems where they are not one line. */
function chain(model: FrameModel, frame: Frame, numbers: number[], problems: Problem[]): number[] {
  if (numbers.length === 1) return numbers;
  const of = (m: number): Member => model.members[m]!;
  const name = of(numbers[0]!).design!.group!;
  const ends = new Set(numbers.map((m) => frame.end[m]!));
  const firsts = numbers.filter((m) => !ends.has(frame.start[m]!));
  const byStart = new Map(numbers.map((m) => [frame.start[m]!, m]));
  const line: number[] = [];
  for (let m = firsts[0]; m !== undefined && !line.includes(m); m = byStart.get(frame.end[m]!)) line.push(m);
  if (firsts.length !== 1 || line.length !== numbers.length) {
    report(
      problems,
      model,
      numbers[0]!,
      `The members of group "${name}" do not follow one another, each starting where another ends; put them in one line or in groups of their own`,
    );
    return numbers;
  }
  const first = line[0]!;
  for (const m of line.slice(1)) {
    let turn = 0;
    for (let k = 0; k < 9; k++)
      turn = Math.max(turn, Math.abs(frame.axes[9 * m + k]! - frame.axes[9 * first + k]!));
    if (turn > 1e-3)
      report(
        problems,
        model,
        m,
        `Member "${of(m).id}" is not in line with "${of(first).id}" of group "${name}", or turned against it`,
      );
  }
  return line;
}

/** Stretches between lateral restraints that a member may have. */
const mostStretches = 1000;

/** What physical members are found in; problems are added to. */
interface Within {
  readonly model: FrameModel;
  readonly frame: Frame;
  readonly sections: ReadonlyMap<string, ResolvedSection>;
  readonly code: CodeSettings;
  readonly problems: Problem[];
  readonly joints: Joints;
}

function physicalMember(within: Within, line: readonly number[]): PhysicalMember | UncoveredMember {
  const { model, frame, sections, code, problems } = within;
  const first = model.members[line[0]!]!;
  const of = line.map((m) => model.members[m]!.id);
  const design = Object.assign({}, ...line.map((m) => model.members[m]!.design ?? {})) as MemberDesign;
  const id = design.group ?? first.id;
  const pieces: { member: number; from: number }[] = [];
  let length = 0;
  for (const member of line) {
    pieces.push({ member, from: length });
    length += frame.length[member]!;
  }
  const resolved = sections.get(first.section)!;
  const section = checkSection(resolved);
  if (typeof section === 'string') return { id, of, reason: section };
  const LLT = leastDistance(design.LLT);
  if (LLT > 0 && length / LLT > mostStretches)
    problems.push(
      problem(
        'invalid-model',
        `Member "${id}" is ${length.toPrecision(4)} m long and held every ${LLT.toPrecision(4)} m: more than ${mostStretches} stretches; give LLT 0 where it is held throughout (/members/${line[0]!}/design/LLT)`,
        { path: `/members/${line[0]!}/design/LLT`, member: first.id },
      ),
    );
  const ends = endsOf(within, pieces);
  const nodes = innerNodes(within, pieces);
  const held = heldPlaces(within, { pieces, length, design, nodes, ends });
  const common = {
    id,
    of,
    pieces,
    length,
    section,
    design,
    ...held,
    freeEnds: ends.free,
    builtIn: ends.builtIn,
    nodes,
    code,
  };
  const along = varyingSection(model, sections, pieces, frame);
  if (!along) return { ...common, tapered: false, sectionAt: () => section };
  // A taper is as thick as its thickest end: all pieces must have a strength at both ends
  for (const { member, from } of pieces)
    for (const share of [1e-9, 1 - 1e-9]) {
      const at = along(from + share * frame.length[member]!);
      if (typeof at === 'string') return { id, of, reason: at };
    }
  return { ...common, tapered: true, sectionAt: (x) => along(x) as CheckSection };
}

/** The section at x of a physical member whose pieces taper or have sections of their own; undefined where it is the same throughout. */
function varyingSection(
  model: FrameModel,
  sections: ReadonlyMap<string, ResolvedSection>,
  pieces: PhysicalMember['pieces'],
  frame: Frame,
): ((x: number) => CheckSection | string) | undefined {
  const own = pieces.map(({ member }) => model.members[member]!);
  const tapers = (m: Member) => m.endSection !== undefined && m.endSection !== m.section;
  if (own.every((m) => !tapers(m) && m.section === own[0]!.section)) return undefined;
  const along = own.map((m, k): ((x: number) => CheckSection | string) => {
    const start = sections.get(m.section)!;
    const end = tapers(m) ? sections.get(m.endSection!) : undefined;
    if (end && start.shape && end.shape) return taperedSections(start, end, frame.length[pieces[k]!.member]!);
    const plain = checkSection(start);
    return () => plain;
  });
  return (x) => {
    let k = pieces.length - 1;
    while (k > 0 && x < pieces[k]!.from) k--;
    return along[k]!(x - pieces[k]!.from);
  };
}

/** Shares of a taper are told apart to within its inverse. */
const roundShares = 2 ** 40;

function taperedSections(
  start: ResolvedSection,
  end: ResolvedSection,
  length: number,
): (x: number) => CheckSection | string {
  const sections = sectionsBetween(start.shape!, end.shape!);
  const made = new Map<number, CheckSection | string>();
  return (x) => {
    let section = made.get(x);
    if (section === undefined) {
      // Shares that differ by rounding are one section
      const share = Math.round((x / length) * roundShares) / roundShares;
      section = sectionWithShape(start, sections(share).shape);
      made.set(x, section);
    }
    return section;
  };
}

/** The functions along a physical member: those of its pieces one after the other, x from its start. */
export function joinedField(member: PhysicalMember, fieldOf: (member: number) => MemberField): MemberField {
  return joined(member.pieces, member.length, fieldOf);
}

/** The same for pieces by their numbers, which follow one another; `lengths` of all members of the frame, m. */
export function joinedFieldOf(
  numbers: readonly number[],
  lengths: ArrayLike<number>,
  fieldOf: (member: number) => MemberField,
): MemberField {
  let from = 0;
  const pieces = numbers.map((member) => {
    const piece = { member, from };
    from += lengths[member]!;
    return piece;
  });
  return joined(pieces, from, fieldOf);
}

function joined(
  pieces: PhysicalMember['pieces'],
  length: number,
  fieldOf: (member: number) => MemberField,
): MemberField {
  if (pieces.length === 1) return fieldOf(pieces[0]!.member);
  return new JoinedField(
    pieces.map(({ member, from }) => ({ from, field: fieldOf(member) })),
    length,
  );
}

/** Functions of pieces one after the other; displacements are put together when they are first asked for: most checks want forces only. */
class JoinedField implements MemberField {
  readonly breaks: Float64Array;
  readonly forceTerms: number;
  readonly forces: Float64Array;
  private moves: { readonly terms: number; readonly coefficients: Float64Array } | undefined;

  constructor(
    private readonly parts: readonly { readonly from: number; readonly field: MemberField }[],
    length: number,
  ) {
    let count = 0;
    let terms = 0;
    for (const { field } of parts) {
      count += field.breaks.length - 1;
      terms = Math.max(terms, field.forceTerms);
    }
    this.breaks = new Float64Array(count + 1);
    let s = 0;
    for (const { from, field } of parts)
      for (let k = 0; k + 1 < field.breaks.length; k++) this.breaks[s++] = from + field.breaks[k]!;
    this.breaks[count] = length;
    this.forceTerms = terms;
    this.forces = this.inOne(6, terms, ({ forces, forceTerms }) => ({
      terms: forceTerms,
      coefficients: forces,
    }));
  }

  get displacementTerms(): number {
    return this.displaced().terms;
  }

  get displacements(): Float64Array {
    return this.displaced().coefficients;
  }

  private displaced(): { readonly terms: number; readonly coefficients: Float64Array } {
    if (!this.moves) {
      const terms = Math.max(...this.parts.map(({ field }) => field.displacementTerms));
      const coefficients = this.inOne(4, terms, ({ displacements, displacementTerms }) => ({
        terms: displacementTerms,
        coefficients: displacements,
      }));
      this.moves = { terms, coefficients };
    }
    return this.moves;
  }

  /** The coefficients of `functions` functions a segment, each with `terms` of them. */
  private inOne(
    functions: number,
    terms: number,
    of: (field: MemberField) => { readonly terms: number; readonly coefficients: Float64Array },
  ): Float64Array {
    const all = new Float64Array(functions * terms * (this.breaks.length - 1));
    let first = 0;
    for (const { field } of this.parts) {
      const own = of(field);
      const count = functions * (field.breaks.length - 1);
      for (let f = 0; f < count; f++)
        for (let t = 0; t < own.terms; t++)
          all[(first + f) * terms + t] = own.coefficients[f * own.terms + t]!;
      first += count;
    }
    return all;
  }
}
