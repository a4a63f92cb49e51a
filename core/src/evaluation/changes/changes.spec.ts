import { flatPortal, smallHall } from '../../testing/checked-designs.js';
import { built, slipShed } from '../../testing/designs.js';
import { attempt } from '../../base/problem.js';
import { decideFor, pickOption } from '../../edits/index.js';
import { changesCsv } from '../../files/csv/changes.js';
import type { Design } from '../../document/types.js';
import {
  changesBetween,
  designChangesInShort,
  designChangesInWords,
  type Comparable,
  type FrameChanges,
} from './index.js';

const of = (design: Design, alternative = 0): Comparable => ({
  design,
  alternative: design.alternatives[alternative]!,
});
const between = (before: Design, after: Design) => changesBetween(of(before), of(after));
const nothing = { sentences: [], added: [], removed: [], moved: [], changed: [] };
const lists = ({ sentences, added, removed, moved, changed }: FrameChanges) => ({
  sentences,
  added,
  removed,
  moved,
  changed,
});

/** The hall with its first field of a rule, step or parameter changed. */
function hallWith(change: (hall: Design) => void): Design {
  const hall = smallHall();
  change(hall);
  return hall;
}

describe('what changed', () => {
  it('from one state of a design to another is told in sentences', () => {
    const other = smallHall();
    other.parameters.find(({ name }) => name === 'column_section')!.value = 'HEA 240';
    expect(designChangesInWords(smallHall(), other)).toEqual(['Column section: HEA 200 → HEA 240']);
    expect(designChangesInWords(other, other)).toEqual([]);
    // In short without what stands in what came
    const more = {
      ...smallHall(),
      rules: [
        ...smallHall().rules,
        { id: 'feet', title: 'Feet', nodes: 'z == 0 m', support: 'pinned' as const },
      ],
    };
    expect(designChangesInShort(smallHall(), more)).toEqual(['Rule "Feet" added']);
    expect(designChangesInShort(more, smallHall())).toEqual(['Rule "Feet" removed']);
    expect(designChangesInShort(smallHall(), other)).toEqual(designChangesInWords(smallHall(), other));
  });

  it('tells what an alternative picks by titles, also where that was the first option by itself', () => {
    const shed = slipShed();
    const picked = pickOption(shed, 'three-hinges', 'eaves-joint', 'haunched');
    expect(designChangesInWords(shed, picked)).toEqual([
      'Alternative "Three hinges", Eaves: rigid → haunched',
    ]);
  });

  it('tells steps and rules that came in words, their conditions as they are said', () => {
    const more = hallWith((hall) => {
      hall.steps = [
        ...hall.steps,
        {
          id: 'h',
          title: 'Haunches',
          edit: 'haunch',
          members: 'role == "rafter"',
          end: 'eaves',
          length: '2 m',
          depth: '0.4 m',
        },
      ];
      hall.rules = [
        ...hall.rules,
        { id: 'feet', title: 'Feet', nodes: 'place == "base"', support: 'pinned' },
      ];
    });
    expect(designChangesInWords(smallHall(), more)).toEqual([
      'Step "Haunches": not there → haunch, members rafters, end eaves, length 2 m, depth 0.4 m',
      'Rule "Feet": not there → pinned, for bases',
    ]);
    const fewer = hallWith((hall) => {
      hall.rules = [
        ...hall.rules,
        { id: 'feet', title: 'Feet', nodes: 'place == "eaves"', support: 'pinned' },
      ];
    });
    expect(designChangesInWords(more, fewer)).toContain('Rule "Feet", nodes: bases → eaves');
    const off = hallWith((hall) => {
      hall.rules = [...hall.rules, { id: 'feet', nodes: 'place == "base"', support: 'pinned', off: true }];
    });
    expect(designChangesInWords(smallHall(), off)).toEqual([
      'Rule "feet": not there → pinned, for bases, switched off',
    ]);
  });

  it('tells a decision and its note', () => {
    const decided = decideFor(smallHall(), smallHall().reference, 'it is the lightest');
    expect(between(smallHall(), decided).sentences.join('\n')).toContain('it is the lightest');
  });

  it('nothing between a design and itself with its lists in another order', () => {
    const turned = hallWith((hall) => {
      for (const list of [hall.rules, hall.loadCases, hall.combinations, hall.parameters, hall.figures])
        (list as unknown[]).reverse();
    });
    expect(lists(between(smallHall(), turned))).toEqual(nothing);
  });

  it('nothing where only ids are others: of rules, steps and load cases', () => {
    const renamed = hallWith((hall) => {
      const text = JSON.stringify(hall.rules).replaceAll('"case":"S"', '"case":"snow"');
      hall.rules = (JSON.parse(text) as Design['rules']).map((rule) => ({ ...rule, id: `r-${rule.id}` }));
      hall.steps = hall.steps.map((step) => ({ ...step, id: 'house' }));
      hall.loadCases = hall.loadCases.map((one) => (one.id === 'S' ? { ...one, id: 'snow' } : one));
      hall.combinations = hall.combinations.map(({ factors: { S, ...factors }, ...one }) => ({
        ...one,
        factors: S === undefined ? factors : { ...factors, snow: S },
      }));
    });
    expect(lists(between(smallHall(), renamed))).toEqual(nothing);
  });

  it('a value, with the members that it changes, by what they had and have', () => {
    const stronger = hallWith((hall) => (hall.parameters[1]!.value = 'IPE 300'));
    const { sentences, changed, ...rest } = lists(between(smallHall(), stronger));
    expect(sentences).toEqual(['Rafter section: IPE 240 → IPE 300']);
    expect(rest).toEqual({ added: [], removed: [], moved: [] });
    expect(changed.map(({ what, before, after }) => [what, before, after])).toEqual([
      ['section', 'IPE 240', 'IPE 300'],
      ['section', 'IPE 240', 'IPE 300'],
    ]);
    expect(changed.map(({ title }) => title)).toEqual(['left rafter', 'right rafter']);
  });

  it('a wider hall: nodes with the same names moved, by how much', () => {
    const wider = hallWith((hall) => Object.assign(hall.steps[0]!, { bays: ['13 m'] }));
    const { moved, added, removed, sentences } = between(smallHall(), wider);
    expect([added, removed]).toEqual([[], []]);
    expect(sentences.length).toBe(1);
    expect(sentences[0]).toContain('bays: 12 m → 13 m');
    expect(moved.find(({ title }) => title === 'right base')!.by).toEqual([1, 0, 0]);
    expect(moved.length).toBe(3);
  });

  it('without names by place: near ones of one role moved, others are gone and come', () => {
    const house = (span: string) =>
      hallWith((hall) => (hall.steps = [{ ...hall.steps[0]!, id: 'house', bays: [span] }]));
    const near = between(smallHall(), house('12.4 m'));
    expect([near.added, near.removed, near.moved.length]).toEqual([[], [], 3]);
    const far = between(smallHall(), house('17 m'));
    expect([far.added, far.removed].map((list) => list.filter((part) => 'node' in part).length)).toEqual([
      3, 3,
    ]);
  });

  it('supports, hinges and loads, at the place where they are', () => {
    const before = flatPortal();
    const after = flatPortal({
      rules: [
        { id: 'loose', nodes: 'place == "base" and side == "right"', support: 'pinned' },
        { id: 'hinged', members: 'role == "beam"', hinge: ['My'], at: 'end' },
        {
          id: 'more',
          members: 'role == "beam"',
          load: { case: 'Q', kind: 'line', direction: 'z', q: '-3 kN/m' },
        },
      ],
    });
    const { changed, sentences } = between(before, after);
    expect(sentences.length).toBe(3);
    expect(sentences[0]).toContain('Rule "loose": not there → ');
    const at = (what: string) => changed.filter((one) => one.what === what);
    expect(at('support')).toEqual([
      {
        node: 'p.base.2',
        title: 'right base',
        what: 'support',
        before: 'ux fixed, uz fixed, ry fixed',
        after: 'ux fixed, uz fixed',
      },
    ]);
    expect(at('hinges')[0]!.after).toContain('My free');
    expect(at('loads')[0]!.after).toContain('-3000');
  });

  it('two alternatives of one design: choices first, then what they come to', () => {
    const design = smallHall({
      choices: [
        {
          id: 'feet',
          title: 'Feet',
          options: [
            { id: 'pinned', title: 'pinned', changes: {} },
            { id: 'fixed', title: 'fixed', changes: { rules: [{ id: 'bases', support: 'fixed' }] } },
          ],
        },
      ],
      alternatives: [
        { id: 'a', title: 'A', picks: {} },
        { id: 'b', title: 'B', picks: { feet: 'fixed' } },
      ],
    });
    const { sentences, changed } = changesBetween(of(design, 0), of(design, 1));
    expect(sentences).toEqual(['Feet: fixed instead of pinned', 'Rule "bases", support: pinned → fixed']);
    expect(changed.map(({ what }) => what)).toEqual(['support', 'support']);
  });

  it('two frame models, without sentences; a design beside one is an error', () => {
    const model = built(smallHall()).model;
    const other = structuredClone(model);
    other.nodes[2]!.x += 0.05;
    const found = changesBetween({ model }, { model: other });
    expect(found.sentences).toEqual([]);
    expect(found.moved.length).toBe(1);
    expect(found.moved[0]!.by[0]).toBeCloseTo(0.05, 9);
    const outcome = attempt(() => changesBetween({ model }, of(smallHall())));
    expect(outcome.ok ? '' : outcome.problems[0]!.code).toBe('different-kinds');
  });

  it('as a table: kind, what, place, before, after', () => {
    const stronger = hallWith((hall) => (hall.parameters[1]!.value = 'IPE 300'));
    const lines = changesCsv(between(smallHall(), stronger)).trim().split('\r\n');
    expect(lines).toEqual([
      'kind,what,place,before,after',
      'design,Rafter section,,IPE 240,IPE 300',
      'changed,section,left rafter,IPE 240,IPE 300',
      'changed,section,right rafter,IPE 240,IPE 300',
    ]);
  });
});
