import { problem, type Problem } from '../base/problem.js';
import type { FrameModel, FrameNode, Load, Member, Section } from './types.js';

/** Collects problems with the path in the file where each was found. */
type Report = (path: string, message: string, code?: string) => void;

/**
 * Checks what a schema cannot say: ids that are unique and exist, numbers that are finite, members that have a length,
 * loads that lie on their member and in the plane. Assumes the shape of {@link FrameModel}.
 *
 * @param skipped paths of items that do not have their shape: nothing is said of what lies in them
 * @returns every problem found, each with `where.path`; empty for a model that can be analysed
 */
export function checkModel(model: FrameModel, skipped: ReadonlySet<string> = new Set()): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, message, code = 'invalid-model') => {
    // What the schema found at an item says enough of it
    if (skipped.size === 0 || !isWithin(path, skipped))
      problems.push(problem(code, `${message} (${path})`, { path }));
  };

  known = new WeakMap();
  checkUnique(model.materials, '/materials', 'material', report);
  checkUnique(model.sections, '/sections', 'section', report);
  checkUnique(model.nodes, '/nodes', 'node', report);
  checkUnique(model.members, '/members', 'member', report);
  checkUnique(
    [...(model.loadCases ?? []), ...(model.combinations ?? [])],
    '/loadCases',
    'load case or combination',
    report,
  );

  if (model.nodes.length === 0) report('/nodes', 'The model has no node; a frame needs nodes and members');
  if (model.members.length === 0) report('/members', 'The model has no member; add one between two nodes');
  checkSections(model, report);
  checkMembers(model, report);
  checkSupports(model, report);
  checkLoadCases(model, report);
  checkCombinations(model, report);
  checkRigidGroups(model, report);
  checkMasses(model, report);
  checkTrains(model, report);
  return problems;
}

function isWithin(path: string, skipped: ReadonlySet<string>): boolean {
  for (let end = path.length; end > 0; end = path.lastIndexOf('/', end - 1))
    if (skipped.has(path.slice(0, end))) return true;
  return false;
}

function checkUnique(items: readonly { id: string }[], path: string, what: string, report: Report): void {
  if (byId(items).size === items.length) return;
  const seen = new Set<string>();
  items.forEach((item, i) => {
    if (seen.has(item.id))
      report(`${path}/${i}/id`, `The ${what} "${item.id}" is defined twice; give each its own id`);
    seen.add(item.id);
  });
}

let known = new WeakMap<readonly { id: string }[], Map<string, { id: string }>>();

/** The items of a list by their ids, gathered once a check; of several with one id the last. */
function byId<T extends { id: string }>(items: readonly T[]): ReadonlyMap<string, T> {
  let map = known.get(items);
  if (!map) {
    map = new Map();
    for (const item of items) map.set(item.id, item);
    known.set(items, map);
  }
  return map as ReadonlyMap<string, unknown> as ReadonlyMap<string, T>;
}

function checkSections(model: FrameModel, report: Report): void {
  const materials = byId(model.materials);
  model.sections.forEach((section: Section, i) => {
    const path = `/sections/${i}`;
    if (!materials.has(section.material))
      report(
        `${path}/material`,
        `Section "${section.id}" names the material "${section.material}", which is not in materials`,
      );
    const given = [section.profile, section.shape, section.properties].filter((x) => x !== undefined);
    if (given.length !== 1)
      report(
        path,
        `Section "${section.id}" needs exactly one of profile, shape and properties; it has ${given.length}`,
      );
    const { Iy, Iz, Iyz } = section.properties ?? {};
    if (Iyz !== undefined && Iyz !== 0 && (Iy ?? 0) * (Iz ?? 0) <= Iyz * Iyz)
      report(
        `${path}/properties/Iyz`,
        `Section "${section.id}" has Iy·Iz ≤ Iyz², which no area can have; correct Iy, Iz or Iyz`,
      );
  });
}

function checkMembers(model: FrameModel, report: Report): void {
  const nodes = byId(model.nodes);
  const sections = byId(model.sections);
  if (model.space === 'plane')
    model.nodes.forEach((node, i) => {
      if ((node.y ?? 0) !== 0)
        report(
          `/nodes/${i}/y`,
          `Node "${node.id}" has y = ${node.y} in a plane model; plane models lie in X–Z`,
        );
    });
  model.members.forEach((member: Member, i) => {
    const start = nodes.get(member.start);
    const end = nodes.get(member.end);
    if (!start)
      report(`/members/${i}/start`, `Member "${member.id}" starts at unknown node "${member.start}"`);
    if (!end) report(`/members/${i}/end`, `Member "${member.id}" ends at unknown node "${member.end}"`);
    const section = sections.get(member.section);
    if (!section)
      report(`/members/${i}/section`, `Member "${member.id}" has unknown section "${member.section}"`);
    else if (section.properties && (member.action ?? 'frame') === 'frame') {
      const { Iy, Iz, J } = section.properties;
      if (Iy === undefined || (model.space === 'solid' && (Iz === undefined || J === undefined)))
        report(
          `/members/${i}/section`,
          `Frame member "${member.id}" needs Iy${model.space === 'solid' ? ', Iz and J' : ''} in section "${section.id}"`,
        );
    }
    if (member.endSection !== undefined) {
      const other = sections.get(member.endSection);
      if (!other)
        report(
          `/members/${i}/endSection`,
          `Member "${member.id}" has unknown section "${member.endSection}" at its end`,
        );
      else if (section && other.material !== section.material)
        report(
          `/members/${i}/endSection`,
          `Member "${member.id}" tapers between two materials, "${section.material}" and "${other.material}"; use one`,
        );
    }
    if (start && end) {
      const a = member.offsets?.start ?? [0, 0, 0];
      const b = member.offsets?.end ?? [0, 0, 0];
      const length = Math.hypot(
        end.x + b[0] - start.x - a[0],
        (end.y ?? 0) + b[1] - (start.y ?? 0) - a[1],
        end.z + b[2] - start.z - a[2],
      );
      if (length < 1e-9)
        report(
          `/members/${i}`,
          `Member "${member.id}" has no length between "${member.start}" and "${member.end}"`,
        );
      if (model.space === 'plane' && (a[1] !== 0 || b[1] !== 0))
        report(`/members/${i}/offsets`, `Member "${member.id}" has an arm out of the plane`);
    }
  });
}

function checkSupports(model: FrameModel, report: Report): void {
  const nodes = byId(model.nodes);
  const seen = new Set<string>();
  (model.supports ?? []).forEach((support, i) => {
    const path = `/supports/${i}`;
    if (!nodes.has(support.node)) report(`${path}/node`, `A support is on unknown node "${support.node}"`);
    if (seen.has(support.node))
      report(`${path}/node`, `Node "${support.node}" has two supports; put all restraints in one entry`);
    seen.add(support.node);
    if (support.axes) {
      const { x, y } = support.axes;
      const cross = Math.hypot(
        x[1] * y[2] - x[2] * y[1],
        x[2] * y[0] - x[0] * y[2],
        x[0] * y[1] - x[1] * y[0],
      );
      if (cross < 1e-9 * Math.hypot(...x) * Math.hypot(...y) || cross === 0)
        report(`${path}/axes`, `The axes x and y of the support on "${support.node}" are parallel or zero`);
      if (model.space === 'plane' && (x[1] !== 0 || x[0] * y[2] - x[2] * y[0] !== 0))
        report(
          `${path}/axes`,
          `In a plane model a support's x lies in X–Z and its y is global Y; turn the axes on "${support.node}"`,
        );
    }
  });
}

function checkLoadCases(model: FrameModel, report: Report): void {
  const nodes = byId(model.nodes);
  const members = byId(model.members);
  const held = new Map((model.supports ?? []).map((support) => [support.node, support]));
  (model.loadCases ?? []).forEach((loadCase, c) => {
    (loadCase.loads ?? []).forEach((load, i) => {
      const path = () => `/loadCases/${c}/loads/${i}`;
      if ('node' in load && !nodes.has(load.node))
        report(`${path()}/node`, `A load of case "${loadCase.id}" is on unknown node "${load.node}"`);
      if ('member' in load && !members.has(load.member))
        report(`${path()}/member`, `A load of case "${loadCase.id}" is on unknown member "${load.member}"`);
      if (load.kind === 'distributed' && (load.from ?? 0) >= (load.to ?? 1))
        report(path(), `The distributed load on "${load.member}" ends before it begins`);
      if (load.kind === 'settlement') {
        const support = held.get(load.node);
        for (const freedom of ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'] as const)
          if (load[freedom] !== undefined && support?.[freedom] === undefined)
            report(
              `${path()}/${freedom}`,
              `Node "${load.node}" settles in ${freedom} but nothing holds it there`,
            );
      }
      if (model.space === 'plane') checkInPlane(load, path, report);
    });
  });
}

function checkInPlane(load: Load, path: () => string, report: Report): void {
  const out = (what: string) =>
    report(path(), `A load acts out of the plane (${what}); plane models have X–Z loads and M about Y only`);
  if (load.kind === 'node' || load.kind === 'point') {
    if ((load.F?.[1] ?? 0) !== 0) out('F along y');
    if ((load.M?.[0] ?? 0) !== 0 || (load.M?.[2] ?? 0) !== 0) out('M about x or z');
  } else if (load.kind === 'distributed') {
    if (load.direction === 'y') out('q along y');
  } else if (load.kind === 'temperature') {
    if ((load.gradientY ?? 0) !== 0) out('gradient along y');
  } else if (load.kind === 'settlement') {
    if (load.uy || load.rx || load.rz) out('settlement');
  }
}

function checkCombinations(model: FrameModel, report: Report): void {
  const cases = byId(model.loadCases ?? []);
  (model.combinations ?? []).forEach((combination, i) => {
    for (const id of Object.keys(combination.factors))
      if (!cases.has(id))
        report(
          `/combinations/${i}/factors/${id}`,
          `Combination "${combination.id}" names unknown load case "${id}"`,
        );
  });
}

function checkRigidGroups(model: FrameModel, report: Report): void {
  if ((model.rigidGroups ?? []).length === 0) return;
  const nodes = byId(model.nodes);
  checkUnique(model.rigidGroups ?? [], '/rigidGroups', 'rigid group', report);
  (model.rigidGroups ?? []).forEach((group, i) => {
    const path = `/rigidGroups/${i}`;
    const places = group.nodes.map((id, k) => {
      const node = nodes.get(id);
      if (!node) report(`${path}/nodes/${k}`, `The rigid group "${group.id}" names the unknown node "${id}"`);
      return node;
    });
    if (new Set(group.nodes).size < group.nodes.length)
      report(`${path}/nodes`, `The rigid group "${group.id}" names a node twice`);
    if (group.kind === 'body') return;
    const n = group.normal;
    if (!n || Math.hypot(...n) === 0) {
      report(
        `${path}/normal`,
        `The rigid group "${group.id}" is a plane and needs a normal that is not zero`,
      );
      return;
    }
    if (model.space === 'plane' && n[1] === 0) {
      report(
        `${path}/normal`,
        `In a plane model the normal of the rigid group "${group.id}" must be global Y`,
      );
      return;
    }
    const first = places.find((place) => place !== undefined);
    if (!first) return;
    const length = Math.hypot(...n);
    const size = places.reduce((s, q) => (q ? Math.max(s, distance(first, q)) : s), 0);
    places.forEach((q, k) => {
      if (!q) return;
      const off =
        ((q.x - first.x) * n[0] + ((q.y ?? 0) - (first.y ?? 0)) * n[1] + (q.z - first.z) * n[2]) / length;
      if (Math.abs(off) > 1e-6 * size)
        report(
          `${path}/nodes/${k}`,
          `Node "${q.id}" lies ${off.toPrecision(3)} m off the plane of the rigid group "${group.id}"; its nodes must lie in one plane square to the normal`,
        );
    });
  });
}

function distance(a: FrameNode, b: FrameNode): number {
  return Math.hypot(a.x - b.x, (a.y ?? 0) - (b.y ?? 0), a.z - b.z);
}

function checkMasses(model: FrameModel, report: Report): void {
  const nodes = byId(model.nodes);
  (model.masses ?? []).forEach((mass, i) => {
    if (!nodes.has(mass.node)) report(`/masses/${i}/node`, `A mass is on unknown node "${mass.node}"`);
  });
  const cases = byId(model.loadCases ?? []);
  for (const id of Object.keys(model.massFrom ?? {}))
    if (!cases.has(id)) report(`/massFrom/${id}`, `Masses are taken from the unknown load case "${id}"`);
}

function checkTrains(model: FrameModel, report: Report): void {
  const trains = model.trains ?? [];
  if (trains.length === 0) return;
  const cases = byId(model.loadCases ?? []);
  const members = byId(model.members);
  checkUnique(trains, '/trains', 'train', report);
  trains.forEach((train, i) => {
    const path = `/trains/${i}`;
    if (!cases.has(train.case))
      report(`${path}/case`, `Train "${train.id}" names the unknown load case "${train.case}"`);
    if (train.gaps.length !== train.forces.length - 1)
      report(
        `${path}/gaps`,
        `Train "${train.id}" has ${train.forces.length} forces and ${train.gaps.length} gaps; give one gap fewer than forces`,
      );
    if (Math.hypot(...train.direction) === 0)
      report(`${path}/direction`, `The direction of train "${train.id}" is zero`);
    if (model.space === 'plane' && train.direction[1] !== 0)
      report(`${path}/direction`, `Train "${train.id}" acts out of the plane; plane models have X–Z loads`);
    train.members.forEach((id, k) => {
      const member = members.get(id);
      if (!member) report(`${path}/members/${k}`, `Train "${train.id}" names the unknown member "${id}"`);
      const before = k > 0 ? members.get(train.members[k - 1]!) : undefined;
      if (member && before && before.end !== member.start)
        report(
          `${path}/members/${k}`,
          `Member "${id}" of train "${train.id}" does not start where "${before.id}" ends; list the line in its order`,
        );
    });
  });
}
