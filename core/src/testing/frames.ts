import type { FrameModel, Load, Member, MemberDesign, Section, Shape, Support } from '../model/types.js';

const material = {
  id: 'st',
  kind: 'steel',
  E: 2.1e11,
  G: 8.1e10,
  density: 7850,
  expansion: 1.2e-5,
  fy: 355e6,
  fu: 490e6,
};

/** Symmetric about their z axis, so that a member drawn the other way is the same one. */
const shapes: Readonly<Record<string, Shape>> = {
  column: { type: 'i', h: 0.22, b: 0.22, tw: 0.0095, tf: 0.016, r: 0.018 },
  rafter: { type: 'i', h: 0.36, b: 0.17, tw: 0.008, tf: 0.0127, r: 0.018 },
  plate: { type: 'i', h: 0.5, b: 0.18, tw: 0.006, tf: 0.012 },
  unequal: { type: 'i', h: 0.36, bTop: 0.2, tfTop: 0.014, bBottom: 0.15, tfBottom: 0.012, tw: 0.008 },
  box: { type: 'rectangular-hollow', h: 0.2, b: 0.12, t: 0.008 },
  tube: { type: 'circular-hollow', d: 0.1937, t: 0.008 },
  tee: { type: 'tee', h: 0.2, b: 0.2, tw: 0.012, tf: 0.018, r: 0.012 },
};
const deep: Shape = { type: 'i', h: 0.85, b: 0.18, tw: 0.006, tf: 0.012 };

/** One of a list by a random number. */
const pick = <T>(random: () => number, of: readonly T[]): T => of[Math.floor(random() * of.length)]!;

/** A plane portal of one or two bays with every kind of section, taper, hinge, load and check that a member can have. */
export function randomPortal(random: () => number): FrameModel {
  const between = (a: number, b: number) => a + (b - a) * random();
  const bays = random() < 0.6 ? 1 : 2;
  const width = between(5, 11);
  const height = between(3, 6);
  const nodes = [
    { id: 'b0', x: 0, z: 0 },
    { id: 'e0', x: 0, z: height },
  ];
  const members: Member[] = [];
  const upright = () => pick(random, ['column', 'box', 'plate', 'tube', 'column']);
  const across = () => pick(random, ['rafter', 'rafter', 'unequal', 'plate', 'box', 'tee']);
  members.push({ id: 'c0', start: 'b0', end: 'e0', section: upright() });
  for (let k = 1; k <= bays; k++) {
    nodes.push(
      { id: `b${k}`, x: k * width, z: between(-0.4, 0.4) },
      { id: `e${k}`, x: k * width, z: between(0.9, 1.2) * height },
    );
    members.push({ id: `c${k}`, start: `b${k}`, end: `e${k}`, section: upright() });
    if (random() < 0.5) {
      nodes.push({ id: `a${k}`, x: (k - between(0.4, 0.6)) * width, z: 1.3 * height });
      members.push(
        { id: `l${k}`, start: `e${k - 1}`, end: `a${k}`, section: across() },
        { id: `r${k}`, start: `a${k}`, end: `e${k}`, section: across() },
      );
    } else members.push({ id: `l${k}`, start: `e${k - 1}`, end: `e${k}`, section: across() });
  }
  for (const member of members) {
    if (member.section === 'plate' && random() < 0.6) member.endSection = 'deep';
    if (random() < 0.15) member.hinges = { end: { My: random() < 0.5 ? 'free' : 4e6 } };
    member.design = randomDesign(random, member, nodes);
  }
  if (random() < 0.3) {
    nodes.push({ id: 'tip', x: -between(0.8, 2), z: height });
    members.push({ id: 'arm', start: 'tip', end: 'e0', section: pick(random, ['rafter', 'box', 'plate']) });
  }
  if (random() < 0.3) members.push({ id: 'tie', start: 'e0', end: 'e1', section: 'tube', action: 'axial' });
  const supports = nodes
    .filter(({ id }) => id.startsWith('b'))
    .map(({ id: node }): Support => ({
      node,
      ux: 'fixed',
      uz: 'fixed',
      ...(random() < 0.4 ? { ry: 'fixed' as const } : random() < 0.3 ? { ry: 5e6 } : {}),
    }));
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'plane',
    materials: [material],
    sections: Object.entries({ ...shapes, deep }).map(([id, shape]): Section => ({
      id,
      material: 'st',
      shape,
    })),
    nodes,
    members,
    supports,
    loadCases: [
      { id: 'G', category: 'permanent', selfWeight: 1, loads: downward(random, members) },
      { id: 'W', category: 'wind', loads: sideways(random, members) },
    ],
    combinations: [
      { id: 'U1', state: 'strength', factors: { G: 1.35, W: 1.5 } },
      { id: 'U2', state: 'strength', factors: { G: 1, W: -1.5 } },
      { id: 'C1', state: 'service', factors: { G: 1, W: 1 } },
    ],
    code: { name: 'EN1993', interaction: random() < 0.3 ? 'A' : 'B' },
  };
}

function randomDesign(
  random: () => number,
  { start, end }: Member,
  nodes: readonly { id: string; x: number; z: number }[],
): MemberDesign {
  const at = (id: string) => nodes.find((node) => node.id === id)!;
  const [a, b] = [at(start), at(end)];
  const L = Math.hypot(b.x - a.x, b.z - a.z);
  const lateral = random();
  return {
    ...(random() < 0.3 ? { Lcy: L * (0.5 + random()) } : {}),
    ...(random() < 0.5 ? { Lcz: random() < 0.2 ? 0 : L * (0.2 + 0.8 * random()) } : {}),
    ...(lateral < 0.15
      ? { LLT: 0 }
      : lateral < 0.5
        ? { LLT: L * (0.25 + 0.7 * random()) }
        : lateral < 0.65
          ? { LLT: { top: L * (0.2 + 0.5 * random()), bottom: L * (0.5 + 0.5 * random()) } }
          : {}),
    ...(random() < 0.2 ? { zg: 0.1 * (random() - 0.3) } : {}),
    ...(random() < 0.2 ? { sway: true } : {}),
    deflection: { limit: 0.004, from: 'chord' },
  };
}

function downward(random: () => number, members: readonly Member[]): Load[] {
  const loads: Load[] = [];
  for (const { id, action } of members) {
    if (id.startsWith('c') || action) continue;
    loads.push({
      kind: 'distributed',
      member: id,
      direction: 'z',
      q: [-8e3 * random(), -8e3 * random()],
      from: 0.3 * random(),
      to: 1 - 0.3 * random(),
    });
    if (random() < 0.5)
      loads.push({
        kind: 'point',
        member: id,
        at: random(),
        F: [0, 0, -2e4 * random()],
        M: [0, 4e3 * random(), 0],
      });
    if (random() < 0.2)
      loads.push({ kind: 'temperature', member: id, uniform: 20 * random(), gradientZ: 30 * random() });
  }
  return loads;
}

function sideways(random: () => number, members: readonly Member[]): Load[] {
  return [
    { kind: 'node', node: 'e0', F: [1.5e4 * random(), 0, 0], M: [0, 5e3 * (random() - 0.5), 0] },
    ...members
      .filter(({ id }) => id.startsWith('c'))
      .map(({ id }): Load => ({
        kind: 'distributed',
        member: id,
        direction: 'x',
        q: [4e3 * random(), 4e3 * random()],
        per: 'projected',
      })),
  ];
}

/** Whether a member of a model is vertical, as its axes are decided. */
function isVertical({ nodes }: FrameModel, { start, end }: Member): boolean {
  const [a, b] = [start, end].map((id) => nodes.find((node) => node.id === id)!);
  return Math.hypot(a!.x - b!.x, (a!.y ?? 0) - (b!.y ?? 0)) < 1e-9;
}

/** The same frame with members drawn from their ends to their starts. */
export function drawnBackwards(model: FrameModel, which: (member: Member) => boolean): FrameModel {
  const turned = new Map(model.members.filter(which).map((member) => [member.id, member]));
  const members = model.members.map((member): Member => {
    if (!turned.has(member.id)) return member;
    const { hinges, offsets, endSection, section, roll = 0, start, end, ...rest } = member;
    // Local z stays where it was: of vertical members it turns with x
    const same = isVertical(model, member) ? Math.PI - roll : -roll;
    return {
      ...rest,
      start: end,
      end: start,
      section: endSection ?? section,
      ...(endSection ? { endSection: section } : {}),
      ...(same === 0 ? {} : { roll: same }),
      ...(hinges
        ? {
            hinges: {
              ...(hinges.end ? { start: hinges.end } : {}),
              ...(hinges.start ? { end: hinges.start } : {}),
            },
          }
        : {}),
      ...(offsets
        ? {
            offsets: {
              ...(offsets.end ? { start: offsets.end } : {}),
              ...(offsets.start ? { end: offsets.start } : {}),
            },
          }
        : {}),
    };
  });
  const reversed = (load: Load): Load => {
    if (!('member' in load) || !turned.has(load.member)) return load;
    switch (load.kind) {
      case 'point':
        return { ...load, at: 1 - load.at };
      case 'distributed':
        return { ...load, q: [load.q[1], load.q[0]], from: 1 - (load.to ?? 1), to: 1 - (load.from ?? 0) };
      default:
        return load;
    }
  };
  return {
    ...model,
    members,
    loadCases: model.loadCases!.map((one) => ({ ...one, loads: one.loads!.map(reversed) })),
  };
}

/** The plane frame as a mirror shows it: left is right. Members keep their names and their ends. */
export function mirrored(model: FrameModel): FrameModel {
  const flip = (load: Load): Load => {
    switch (load.kind) {
      case 'node':
      case 'point': {
        const [x, y, z] = load.F ?? [0, 0, 0];
        const [mx, my, mz] = load.M ?? [0, 0, 0];
        return { ...load, F: [-x, y, z], M: [mx, -my, -mz] };
      }
      case 'distributed':
        return load.direction === 'x' ? { ...load, q: [-load.q[0], -load.q[1]] } : load;
      default:
        return load;
    }
  };
  const moved = { ...model, nodes: model.nodes.map((node) => ({ ...node, x: -node.x })) };
  // Of vertical members z points to −X when they are drawn upwards: what was its outer side is now its inner one
  const members = model.members.map((member) =>
    isVertical(model, member) ? { ...member, roll: Math.PI + (member.roll ?? 0) } : member,
  );
  return {
    ...moved,
    members,
    loadCases: model.loadCases!.map((one) => ({ ...one, loads: one.loads!.map(flip) })),
  };
}

/** The same frame with other names and in another order. */
export function renumbered(model: FrameModel): FrameModel {
  const name = (id: string) => `x-${id}`;
  const load = (one: Load): Load =>
    'member' in one ? { ...one, member: name(one.member) } : { ...one, node: name(one.node) };
  return {
    ...model,
    nodes: [...model.nodes].reverse().map((node) => ({ ...node, id: name(node.id) })),
    members: [...model.members].reverse().map((one) => ({
      ...one,
      id: name(one.id),
      start: name(one.start),
      end: name(one.end),
      ...(one.design?.restraints
        ? {
            design: {
              ...one.design,
              restraints: one.design.restraints.map((r) =>
                typeof r === 'string' ? name(r) : { ...r, node: name(r.node) },
              ),
            },
          }
        : {}),
    })),
    supports: [...model.supports!].reverse().map((support) => ({ ...support, node: name(support.node) })),
    loadCases: model.loadCases!.map((one) => ({ ...one, loads: [...one.loads!].reverse().map(load) })),
  };
}

/** The same frame with each frame member of one section in pieces that are one physical member, called as the member was with `-g`. */
export function inPieces(model: FrameModel, count: number): FrameModel {
  const divided = new Set(
    model.members.filter(({ action, endSection }) => !action && !endSection).map(({ id }) => id),
  );
  const at = (id: string) => model.nodes.find((node) => node.id === id)!;
  const nodes = [...model.nodes];
  const members = model.members.flatMap((member): Member[] => {
    if (!divided.has(member.id)) return [member];
    const [a, b] = [at(member.start), at(member.end)];
    const inner = Array.from({ length: count - 1 }, (_, i) => {
      const share = (i + 1) / count;
      return { id: `${member.id}:${i + 1}`, x: a.x + share * (b.x - a.x), z: a.z + share * (b.z - a.z) };
    });
    nodes.push(...inner);
    const names = [member.start, ...inner.map(({ id }) => id), member.end];
    return Array.from({ length: count }, (_, i): Member => {
      const { hinges, ...rest } = member;
      const own = {
        ...(i === 0 && hinges?.start ? { start: hinges.start } : {}),
        ...(i === count - 1 && hinges?.end ? { end: hinges.end } : {}),
      };
      return {
        ...rest,
        id: `${member.id}/${i + 1}`,
        start: names[i]!,
        end: names[i + 1]!,
        ...(Object.keys(own).length > 0 ? { hinges: own } : {}),
        design: { ...member.design, group: `${member.id}-g` },
      };
    });
  });
  const pieces = (load: Load): Load[] => {
    if (!('member' in load) || !divided.has(load.member)) return [load];
    const name = (i: number) => `${load.member}/${i + 1}`;
    if (load.kind === 'point') {
      const i = Math.min(count - 1, Math.floor(load.at * count));
      return [{ ...load, member: name(i), at: load.at * count - i }];
    }
    if (load.kind !== 'distributed')
      return Array.from({ length: count }, (_, i) => ({ ...load, member: name(i) }));
    const { from = 0, to = 1, q } = load;
    const value = (s: number) => q[0] + ((q[1] - q[0]) * (s - from)) / (to - from);
    return Array.from({ length: count }, (_, i): Load[] => {
      const [low, high] = [Math.max(from, i / count), Math.min(to, (i + 1) / count)];
      if (high - low < 1e-12) return [];
      return [
        {
          ...load,
          member: name(i),
          q: [value(low), value(high)],
          from: low * count - i,
          to: high * count - i,
        },
      ];
    }).flat();
  };
  return {
    ...model,
    nodes,
    members,
    loadCases: model.loadCases!.map((one) => ({ ...one, loads: one.loads!.flatMap(pieces) })),
  };
}

/** The plane frame in space, held out of its plane at every node but free tips, which nothing holds in the plane either. */
export function heldInSpace(model: FrameModel): FrameModel {
  const supported = new Map(model.supports!.map((support) => [support.node, support]));
  const across = { uy: 'fixed', rx: 'fixed', rz: 'fixed' } as const;
  const ends = model.members.flatMap(({ start, end }) => [start, end]);
  const isTip = (id: string) => !supported.has(id) && ends.filter((end) => end === id).length === 1;
  const supports = model.nodes
    .filter(({ id }) => !isTip(id))
    .map(({ id }): Support => ({ ...(supported.get(id) ?? { node: id }), ...across }));
  return { ...model, space: 'solid', supports };
}

/** A frame in space turned about the vertical. */
export function turnedInPlan(model: FrameModel, angle: number): FrameModel {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const turn = ([x, y, z]: readonly [number, number, number]): [number, number, number] => [
    c * x - s * y,
    s * x + c * y,
    z,
  ];
  const load = (one: Load): Load[] => {
    if (one.kind === 'node' || one.kind === 'point')
      return [{ ...one, ...(one.F ? { F: turn(one.F) } : {}), ...(one.M ? { M: turn(one.M) } : {}) }];
    if (one.kind !== 'distributed' || one.direction === 'z') return [one];
    const [dx, dy] = one.direction === 'x' ? [c, s] : [-s, c];
    // Per projection the share of the length goes with the direction of the load, which is now two loads: columns only
    return [
      { ...one, per: 'length', direction: 'x', q: [dx * one.q[0], dx * one.q[1]] },
      { ...one, per: 'length', direction: 'y', q: [dy * one.q[0], dy * one.q[1]] },
    ];
  };
  return {
    ...model,
    nodes: model.nodes.map(({ id, x, y = 0, z }) => {
      const [px, py, pz] = turn([x, y, z]);
      return { id, x: px, y: py, z: pz };
    }),
    members: model.members.map((member) =>
      isVertical(model, member) ? { ...member, roll: (member.roll ?? 0) + angle } : member,
    ),
    supports: model.supports!.map((support) => ({ ...support, axes: { x: [c, s, 0], y: [-s, c, 0] } })),
    loadCases: model.loadCases!.map((one) => ({ ...one, loads: one.loads!.flatMap(load) })),
  };
}
