import { ProblemError } from '../../base/problem.js';
import { built, designWith, slipShed } from '../../testing/designs.js';
import { readParameters, writeParameters } from './parameters.js';
import { readPoints } from './points.js';
import { readTable, writeTable } from './table.js';

const sentence = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    if (error instanceof ProblemError) return error.problems[0]!.message;
    throw error;
  }
  return '';
};

describe('a table', () => {
  it('is read with commas, semicolons or tabs, quotes, a byte order mark, and units in its head', () => {
    for (const text of [
      '\uFEFFname,x [mm],z (m)\n"a, b",1,2\n\n',
      'Name;X [mm];z (m)\r\na, b;1;2',
      'name\tx [mm]\tz (m)\n# no\na, b\t1\t2',
    ]) {
      const { head, units, rows } = readTable(text);
      expect(head).toEqual(['name', 'x', 'z']);
      expect(units).toEqual(['', 'mm', 'm']);
      expect(rows.map(({ cells }) => cells)).toEqual([['a, b', '1', '2']]);
    }
  });

  it('has cells that no program takes for formulas, and gives them back as they were; numbers stay numbers', () => {
    const cells = ['=1+1', '+A1', '-4 kN/m', '@x', '-5', '+2.5e-3', 'a=b', "'quoted"];
    const text = writeTable([['name', ...cells.slice(1).map((_, k) => `c${k}`)], cells]);
    const row = text.split('\r\n')[1]!;
    expect(row).toBe("'=1+1,'+A1,'-4 kN/m,'@x,-5,+2.5e-3,a=b,'quoted");
    expect(writeTable([['a'], ['\tb']])).toContain("'\tb");
    expect(readTable(text).rows[0]!.cells).toEqual(cells);
  });

  it('with a head of many blanks is read in a time that grows with its length', () => {
    const wide = `x${' '.repeat(200_000)}y [mm],z\n1,2`;
    expect(readTable(wide).units).toEqual(['mm', '']);
  });

  it('without rows, or with a quotation mark left open, says so', () => {
    expect(sentence(() => readTable('x,z\n'))).toContain('no rows');
    expect(sentence(() => readTable('x,z\n"1,2\n3,4'))).toContain('quotation mark');
  });
});

describe('points from a table', () => {
  it('have the unit of the head, of the cell, or metres', () => {
    expect(readPoints('x [mm],y,z\n250,1,0\n1.5 m,span / 2,-3e2').points).toEqual([
      ['250 mm', '1 m', '0 m'],
      ['1.5 m', 'span / 2', '-3e2 m'],
    ]);
    expect(readPoints('x;z\n0,5;2').points).toEqual([['0.5 m', '0 m', '2 m']]);
  });

  it('are joined by names or by numbers from 1, and make a frame', () => {
    const points = 'name,x,z\na,0,0\nb,4,0\nc,4,3';
    expect(readPoints(points, 'from,to\na,c\nc,b').pairs).toEqual([
      [0, 2],
      [2, 1],
    ]);
    const read = readPoints('x,z\n0,0\n4,0\n4,3', 'from,to\n1,2\n2,3');
    expect(read.pairs).toEqual([
      [0, 1],
      [1, 2],
    ]);
    const { model } = built(designWith([{ id: 'l', make: 'line', ...read }]));
    expect(model.members.length).toBe(2);
    expect(model.nodes.map(({ x, z }) => [x, z])).toEqual([
      [0, 0],
      [4, 0],
      [4, 3],
    ]);
  });

  it('that are wrong are told with their line', () => {
    expect(sentence(() => readPoints('x,y\n1,2'))).toBe(
      'The table of points needs the columns "x" and "z"; it has "x", "y".',
    );
    expect(sentence(() => readPoints('x,z\n1,2\n3,'))).toBe('Line 3 of the table has no z.');
    expect(sentence(() => readPoints('name,x,z\na,1,2\na,1,3', 'from,to\na,a'))).toContain('a second time');
    expect(sentence(() => readPoints('x,z\n1,2\n3,4', 'from,to\n1,9'))).toBe(
      'Line 2 of the table of members names "9", which is no point.',
    );
    expect(sentence(() => readPoints('x,z\n1,2', 'a,b\n1,1'))).toContain('"from" and "to"');
  });
});

describe('parameters as a table', () => {
  it('has a row an alternative and comes back without a change', () => {
    const design = slipShed();
    const text = writeParameters(design);
    expect(text.split('\r\n').length).toBe(design.alternatives.length + 2);
    expect(readParameters(design, text)).toEqual(design);
  });

  it('sets what differs as the alternative’s own, and makes alternatives that are new', () => {
    const design = slipShed();
    const after = readParameters(design, 'alternative,span [m],eaves\nPinned bases,24,\nWide,30,7 m\n');
    const own = (title: string) => after.alternatives.find((one) => one.title === title)!.parameters;
    expect(own('Pinned bases')).toEqual({ span: '24 m' });
    expect(own('Wide')).toEqual({ span: '30 m', eaves: '7 m' });
    expect(after.parameters).toEqual(design.parameters);
    // Back to the design's value
    const back = readParameters(after, 'alternative,span\nPinned bases,22 m');
    expect(
      back.alternatives.find(({ title }) => title === 'Pinned bases')!.parameters?.['span'],
    ).toBeUndefined();
  });

  it('that is wrong is told', () => {
    expect(sentence(() => readParameters(slipShed(), 'span\n22 m'))).toContain('"alternative"');
    expect(sentence(() => readParameters(slipShed(), 'alternative,spam\nX,1'))).toContain(
      '"spam" is no parameter',
    );
    expect(sentence(() => readParameters(slipShed(), 'alternative,span\n,1'))).toContain(
      'names no alternative',
    );
  });
});
