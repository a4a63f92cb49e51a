import { fail } from '../../base/problem.js';
import type { FrameModel } from '../../model/types.js';
import { strengthAt } from '../../sections/materials.js';
import { prepareFrame, type Frame } from '../frame/frame.js';
import type { Hinge, Place } from './hinged-model.js';
import { kinks, reducedMoment } from './reduced-moment.js';
import type { PlasticOptions } from './types.js';

/** Forces of a member at one place: N and My, and their growth by the factor. */
export interface Growth {
  N: number;
  M: number;
  dN: number;
  dM: number;
}

/** A plane frame whose members yield in bending: plastic resistances, and where hinges may form. */
export class PlasticFrame {
  readonly frame: Frame;
  readonly reduce: boolean;
  readonly Mpl: Float64Array;
  readonly Npl: Float64Array;

  /** @throws ProblemError `not-supported` in space and for tapers, `invalid-model` without fy or Wply */
  constructor(
    readonly model: FrameModel,
    { axial, gammaM0 = 1 }: PlasticOptions,
  ) {
    this.reduce = axial !== 'ignore';
    this.frame = prepareFrame(model);
    if (model.space !== 'plane')
      fail('not-supported', 'Plastic collapse is found for plane frames; set "space" to "plane" (/space).', {
        path: '/space',
      });
    for (const m of this.frame.tapers.keys())
      fail(
        'not-supported',
        `Plastic collapse needs members of one section; divide the tapered member "${this.frame.memberIds[m]!}" into uniform ones (/members/${m}/endSection).`,
        { path: `/members/${m}/endSection` },
      );
    this.Mpl = new Float64Array(model.members.length);
    this.Npl = new Float64Array(model.members.length);
    this.frame.sections.forEach(({ id, properties, material, shape }, m) => {
      if (this.frame.axialOnly[m]) {
        this.Mpl[m] = Infinity;
        this.Npl[m] = Infinity;
        return;
      }
      const thickness =
        shape && 'tf' in shape ? Math.max(shape.tf, shape.tw) : shape && 't' in shape ? shape.t : 0;
      const fy = strengthAt(material, thickness)?.fy;
      if (fy === undefined || properties.Wply === undefined)
        fail(
          'invalid-model',
          `Plastic collapse needs fy and Wply of section "${id}" (/members/${m}/section).`,
          {
            path: `/members/${m}/section`,
          },
        );
      this.Mpl[m] = (properties.Wply * fy) / gammaM0;
      this.Npl[m] = (properties.A * fy) / gammaM0;
    });
  }

  /** Plastic moment that an axial force leaves, N·m. */
  momentUnder(m: number, N: number): number {
    const n = Math.abs(N) / this.Npl[m]!;
    const share = !this.reduce ? 1 : n >= 1 ? 0 : reducedMoment(this.frame.sections[m]!, n).share;
    return share * this.Mpl[m]!;
  }

  /** dMpl,N/dN of a hinge under N, with the sign of its moment. */
  momentByAxial({ member, sign }: Hinge, N: number): number {
    if (!this.reduce) return 0;
    const Npl = this.Npl[member]!;
    const { slope } = reducedMoment(this.frame.sections[member]!, Math.min(1, Math.abs(N) / Npl));
    return (sign * slope * this.Mpl[member]! * Math.sign(N)) / Npl;
  }

  /** Axial forces at which a hinge's reduction turns from one formula to another, or is looked at anew. */
  axialSteps({ member }: Hinge, N: number): number[] {
    const section = this.frame.sections[member]!;
    const Npl = this.Npl[member]!;
    const isCurved = ['rectangle', 'circular-hollow'].includes(section.shape?.type ?? '');
    return (isCurved ? [Math.abs(N) / Npl + 0.01] : kinks(section)).map((n) => n * Npl);
  }

  /** How much the factor may grow until |M| reaches the plastic moment that N leaves; undefined where it never does. */
  untilPlastic(m: number, { N, M, dN, dM }: Growth): number | undefined {
    const Mpl = this.Mpl[m]!;
    const Npl = this.Npl[m]!;
    const room = (t: number): number => this.momentUnder(m, N + t * dN) - Math.abs(M + t * dM);
    if (dM === 0 && dN === 0) return undefined;
    const now = room(0);
    // At its plastic moment already: it forms at once unless the moment falls
    if (now <= 1e-10 * Mpl)
      return room(1e-6 * (Mpl / (Math.abs(dM) + (Mpl / Npl) * Math.abs(dN)))) <= now ? 0 : undefined;
    let high = Mpl / (Math.abs(dM) + (Mpl / Npl) * Math.abs(dN));
    let low = 0;
    for (let k = 0; room(high) > 0; k++) {
      low = high;
      high *= 2;
      if (k > 60) return undefined;
    }
    for (let k = 0; k < 200 && high - low > 1e-15 * high; k++) {
      const middle = (low + high) / 2;
      if (room(middle) > 0) low = middle;
      else high = middle;
    }
    return high;
  }

  /** True where a hinge would leave its node with nothing that keeps it from turning: the joint has its hinge already. */
  leavesLoose({ member, x }: Place, hinges: readonly Place[]): boolean {
    const { frame, model } = this;
    const L = frame.length[member]!;
    const n = x === 0 ? frame.start[member]! : x === L ? frame.end[member]! : -1;
    if (n < 0 || frame.restraint[6 * n + 4] !== 0) return false;
    return !model.members.some((_, m) => {
      if (frame.axialOnly[m]) return false;
      return [0, 1].some((end) => {
        const node = end === 0 ? frame.start[m]! : frame.end[m]!;
        const place = end === 0 ? 0 : frame.length[m]!;
        if (node !== n || (m === member && place === x)) return false;
        const given = frame.hinges[12 * m + 6 * end + 4]!;
        return Number.isNaN(given) && !hinges.some((other) => other.member === m && other.x === place);
      });
    });
  }

  /** Of hinges that form together, the first by their members' ids; those that would leave a node without hold are left out. */
  withoutTwins(found: readonly Hinge[], standing: readonly Hinge[]): Hinge[] {
    const { memberIds } = this.frame;
    const kept: Hinge[] = [];
    const ordered = [...found].sort((a, b) =>
      memberIds[a.member] === memberIds[b.member]
        ? a.x - b.x
        : memberIds[a.member]! < memberIds[b.member]!
          ? -1
          : 1,
    );
    for (const hinge of ordered) if (!this.leavesLoose(hinge, [...standing, ...kept])) kept.push(hinge);
    return kept;
  }

  /** Places of a member where its loads begin, end or stand, its ends and its hinges: between them moments are smooth. */
  breaksOf(m: number, hinges: readonly Hinge[]): number[] {
    const L = this.frame.length[m]!;
    const found = new Set<number>([0, L]);
    for (const loadCase of this.model.loadCases ?? [])
      for (const load of loadCase.loads ?? []) {
        if (load.kind === 'point' && load.member === this.frame.memberIds[m]) found.add(load.at * L);
        if (load.kind === 'distributed' && load.member === this.frame.memberIds[m])
          found.add((load.from ?? 0) * L).add((load.to ?? 1) * L);
      }
    for (const hinge of hinges) if (hinge.member === m) found.add(hinge.x);
    return [...found].sort((a, b) => a - b);
  }
}
