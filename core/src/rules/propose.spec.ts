import { unwrapped } from '../base/problem.js';
import { designOf, slipShed } from '../testing/designs.js';
import hallFile from '../../demo/boat-hall.json' with { type: 'json' };
import towerFile from '../../demo/lookout-tower.json' with { type: 'json' };
import { buildFrame, type BuiltFrame } from '../build/build.js';
import { conditionProgram } from '../language/evaluate.js';
import { Tagged } from '../geometry/select.js';
import { generator } from '../testing/random.js';
import { proposeCondition } from './propose.js';
import type { Design } from '../document/types.js';

const built = (design: Design): BuiltFrame => unwrapped(buildFrame(design, design.alternatives[0]!));
const shed = built(slipShed());
const tower = built(designOf(towerFile));
const hall = built(designOf(hallFile));
const place = { what: 'proposal', where: {} };

/** Members or nodes that a condition selects. */
function selected({ geometry, names }: BuiltFrame, of: 'members' | 'nodes', text: string): Set<string> {
  const matches = conditionProgram(text, names, place);
  const tagged = Tagged.of(geometry);
  return new Set(
    (of === 'members' ? tagged.selectMembers(matches) : tagged.selectNodes(matches)).map(({ id }) => id),
  );
}
const membersWhere = (frame: BuiltFrame, test: (tags: Record<string, unknown>) => boolean) =>
  new Set([...frame.geometry.members.values()].filter(({ tags }) => test(tags)).map(({ id }) => id));

describe('proposeCondition', () => {
  it('says what all of a role are', () => {
    const columns = membersWhere(shed, ({ role }) => role === 'column');
    expect(proposeCondition(shed.geometry, 'members', columns)).toBe('role == "column"');
  });

  it('adds a side, a storey, or a range of storeys where the role is not enough', () => {
    const left = membersWhere(shed, ({ role, side }) => role === 'column' && side === 'left');
    expect(proposeCondition(shed.geometry, 'members', left)).toBe('role == "column" and side == "left"');
    const upper = membersWhere(tower, ({ role, storey }) => role === 'column' && (storey as number) >= 3);
    expect(proposeCondition(tower.geometry, 'members', upper)).toBe('role == "column" and storey >= 3');
  });

  it('goes by what things are before where they are: tags stay true while lengths change', () => {
    const first = membersWhere(
      tower,
      ({ role, side, storey }) => role === 'column' && side === 'left' && storey === 1,
    );
    const text = proposeCondition(tower.geometry, 'members', first)!;
    expect(text).not.toMatch(/\b[xyz] [<>]/);
    expect(selected(tower, 'members', text)).toEqual(first);
  });

  it('names places of nodes', () => {
    const bases = new Set(
      [...shed.geometry.nodes.values()].filter(({ tags }) => tags['place'] === 'base').map(({ id }) => id),
    );
    expect(proposeCondition(shed.geometry, 'nodes', bases)).toBe('place == "base"');
  });

  it('joins parts by "or" where nothing simpler selects them', () => {
    const two = membersWhere(
      shed,
      ({ role, side }) => (role === 'column' && side === 'left') || (role === 'rafter' && side === 'right'),
    );
    const text = proposeCondition(shed.geometry, 'members', two)!;
    expect(text).toContain(' or ');
    expect(selected(shed, 'members', text)).toEqual(two);
  });

  it('is "true" for everything, and nothing for nothing', () => {
    const all = new Set(shed.geometry.members.keys());
    expect(proposeCondition(shed.geometry, 'members', all)).toBe('true');
    expect(proposeCondition(shed.geometry, 'members', new Set())).toBeUndefined();
    expect(proposeCondition(shed.geometry, 'members', new Set(['no such member']))).toBeUndefined();
  });

  it('selects just what was chosen by chance, members and nodes, or says that it cannot', () => {
    const random = generator(12);
    let proposed = 0;
    for (const frame of [shed, tower, hall])
      for (const of of ['members', 'nodes'] as const)
        for (let k = 0; k < 12; k++) {
          const ids = [...frame.geometry[of].keys()];
          const wanted = new Set(
            Array.from(
              { length: 1 + Math.floor(4 * random()) },
              () => ids[Math.floor(ids.length * random())]!,
            ),
          );
          const text = proposeCondition(frame.geometry, of, wanted);
          if (text === undefined) continue;
          proposed++;
          expect(text.length).toBeLessThanOrEqual(400);
          expect(selected(frame, of, text))
            .withContext(text)
            .toEqual(wanted);
        }
    // Twelve times two times three; most must be selectable
    expect(proposed).toBeGreaterThan(60);
  });
});
