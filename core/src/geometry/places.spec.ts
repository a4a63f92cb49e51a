import { built, slipShed } from '../testing/designs.js';
import { drawMember, setParameter } from '../edits/index.js';
import { Namer } from './names.js';
import { placeOn } from './places.js';

describe('placeOn', () => {
  const { geometry } = built(slipShed());
  const namer = new Namer(geometry);
  const named = (member: string, fraction: number) => placeOn(geometry, namer, member, fraction)!;

  it('takes the nodes at the ends, the middle, thirds, quarters, fifths and sixths, and hundredths between', () => {
    expect(named('shed.column.1', 0.03).name).toBe('shed.base.1');
    expect(named('shed.column.1', 0.97).name).toBe('shed.eaves.1');
    expect(named('shed.column.1', 0.51).name).toBe('shed.column.1@1/2');
    expect(named('shed.column.1', 0.33).name).toBe('shed.column.1@1/3');
    expect(named('shed.column.1', 0.815).name).toBe('shed.column.1@4/5');
    expect(named('shed.column.1', 0.4567).name).toBe('shed.column.1@0.46');
  });

  it('says where that is, in words and in metres: a third of the left column of 6.4 m', () => {
    const { title, at } = named('shed.column.1', 1 / 3);
    expect(title).toBe('1/3 of left column');
    expect(at[0]).toBeCloseTo(0, 12);
    expect(at[2]).toBeCloseTo(6.4 / 3, 12);
  });

  it('goes by the physical member where nodes divide it', () => {
    const drawn = drawMember(slipShed(), 'shed.column.1@1/2', 'shed.rafter.1.left@1/2').design;
    const frame = built(drawn);
    const pieces = frame.geometry.lines.get('shed.column.1')!.members;
    expect(pieces.length).toBe(2);
    const on = (member: string, fraction: number) =>
      placeOn(frame.geometry, new Namer(frame.geometry), member, fraction)!;
    expect(on(pieces[1]!, 0.5).name).toBe('shed.column.1@3/4');
    // The node of the drawn member stands at the middle of the whole
    expect(frame.geometry.nodes.get(on(pieces[0]!, 1).name)!.at[2]).toBeCloseTo(3.2, 9);
  });

  it('of no member is none', () => {
    expect(placeOn(geometry, namer, 'none', 0.5)).toBeUndefined();
  });
});

describe('drawMember', () => {
  it('stays attached when the span changes: from a third of the rafter to the eaves', () => {
    const { design, id } = drawMember(slipShed(), 'shed.rafter.1.left@1/3', 'shed.base.1');
    for (const span of ['22 m', '30 m']) {
      const { geometry } = built(setParameter(design, 'span', span));
      const member = [...geometry.members.values()].find(({ tags }) => tags['step'] === id)!;
      const ends = [member.start, member.end].map((node) => geometry.nodes.get(node)!.at);
      // The rafter runs from the eaves to the apex: a third of half the span
      const x = Number.parseFloat(span) / 6;
      expect(ends.map(([at]) => Number(at.toFixed(9))).sort((a, b) => a - b)).toEqual([
        0,
        Number(x.toFixed(9)),
      ]);
    }
  });

  it('brings one rule for all that is drawn, and leaves the section that it was given', () => {
    const first = drawMember(slipShed(), 'shed.base.1', 'shed.apex.1').design;
    const changed = {
      ...first,
      rules: first.rules.map((rule) =>
        rule.members === 'role == "drawn"' ? { ...rule, section: 'CHS 114.3x5' } : rule,
      ),
    };
    const second = drawMember(changed, 'shed.base.2', 'shed.apex.1').design;
    expect(second.rules.length).toBe(first.rules.length);
    const { model } = built(second);
    expect(model.members.filter(({ section }) => section.startsWith('CHS 114.3x5')).length).toBe(2);
  });
});
