import { built, designWith } from '../../testing/designs.js';
import type { Design, Step } from '../../document/types.js';
import { cutListCsv } from '../../files/csv/cut-list.js';
import { cutList, type CutListRow } from './cut-list.js';

const tube = {
  id: 'tube',
  material: 'S355',
  shape: { type: 'rectangular-hollow', h: 0.1, b: 0.1, t: 0.005 },
};
/** A rectangle of tubes, 3 m × 2 m, in plan. */
const rectangle: Step = {
  id: 'r',
  make: 'line',
  points: [
    ['0 m', '0 m', '0 m'],
    ['3 m', '0 m', '0 m'],
    ['3 m', '2 m', '0 m'],
    ['0 m', '2 m', '0 m'],
  ],
  closed: true,
  role: 'rail',
};
const all = { id: 'all', members: 'true', section: 'tube', material: 'S355' };

function rowsOf(steps: Step[], more: Partial<Design> = {}): readonly CutListRow[] {
  const { rows, notes } = cutList(
    built(designWith(steps, { sections: [tube] as never, rules: [all], ...more })),
  );
  expect(notes).toEqual([]);
  return rows;
}
const mm = (length: number) => Math.round(length * 1e4) / 10;
const degrees = (angle: number) => Math.round((angle * 180e4) / Math.PI) / 1e4;

describe('the cut list', () => {
  it('without cuts has members from node to node with square ends', () => {
    const rows = rowsOf([rectangle]);
    expect(rows.map(({ mark, count, length }) => [mark, count, mm(length)])).toEqual([
      ['1', 2, 3000],
      ['2', 2, 2000],
    ]);
    // A of the walls along the middle line with corners ro = 1.5 t, ri = t; the mass is A·ρ·L
    const { mass, totalMass, axisLength } = rows[0]!;
    expect(mass / axisLength).toBeGreaterThan(14);
    expect(mass / axisLength).toBeLessThan(15);
    expect(totalMass).toBeCloseTo(2 * mass, 9);
  });

  it('of mitred corners is as long as the outer sides, cut at half the angle', () => {
    const rows = rowsOf([rectangle, { id: 'c', edit: 'trim', by: 'true', corner: 'mitre' }]);
    expect(rows.map(({ count, length, axisLength }) => [count, mm(length), mm(axisLength)])).toEqual([
      [2, 3100, 3000],
      [2, 2100, 2000],
    ]);
    expect(rows.map(({ start, end }) => [degrees(start.angle), degrees(end.angle)])).toEqual([
      [45, 45],
      [45, 45],
    ]);
  });

  it('of a member butted between two others is shorter by half of each and the gaps', () => {
    const rows = rowsOf([
      rectangle,
      {
        id: 'c',
        edit: 'trim',
        members: 'direction == "y"',
        by: 'direction == "x"',
        corner: 'butt',
        gap: '2 mm',
      },
    ]);
    expect(rows.map(({ length }) => mm(length))).toEqual([3000, 2000 - 100 - 4]);
    expect(rows[1]!.start.angle).toBeCloseTo(0, 9);
  });

  it('of rafters butted to columns is cut by the pitch, and both share a mark', () => {
    const [pitch, width, depth] = [10, 12, 0.1];
    const rows = rowsOf(
      [
        { id: 'p', make: 'portal', bays: [`${width} m`], eaves: '5 m', pitch: `${pitch} deg` },
        { id: 'c', edit: 'trim', members: 'role == "rafter"', by: 'role == "column"', corner: 'butt' },
      ],
      { space: 'plane' },
    );
    const rafter = rows.find(({ titles }) => titles[0]!.includes('rafter'))!;
    expect(rafter.count).toBe(2);
    const radians = (pitch * Math.PI) / 180;
    // From the apex to the face of the column along the slope; the tip reaches half the depth times tan further
    expect(rafter.axisLength).toBeCloseTo((width / 2 - depth / 2) / Math.cos(radians), 9);
    expect(rafter.length - rafter.axisLength).toBeCloseTo((depth / 2) * Math.tan(radians), 9);
    expect(Math.max(degrees(rafter.start.angle), degrees(rafter.end.angle))).toBeCloseTo(pitch, 3);
    expect(Math.min(degrees(rafter.start.angle), degrees(rafter.end.angle))).toBe(0);
  });

  it('keeps pieces apart of which one has a cut more', () => {
    const angle = { id: 'tube', material: 'S355', shape: { type: 'angle', h: 0.08, b: 0.06, t: 0.006 } };
    const steps: Step[] = [
      {
        id: 'l',
        make: 'line',
        points: [
          ['0 m', '0 m'],
          ['2 m', '0 m'],
        ],
      },
      {
        id: 'post',
        make: 'line',
        points: [
          ['0 m', '0 m'],
          ['0 m', '1 m'],
        ],
        role: 'post',
      },
      {
        id: 'post2',
        make: 'line',
        points: [
          ['2 m', '0 m'],
          ['2 m', '1 m'],
        ],
        role: 'post',
      },
      {
        id: 'm',
        make: 'line',
        at: ['0 m', '0 m', '5 m'],
        points: [
          ['0 m', '0 m'],
          ['2 m', '0 m'],
        ],
      },
      {
        id: 'tie',
        make: 'line',
        points: [
          ['0 m', '5 m'],
          ['0 m', '4 m'],
        ],
        role: 'post',
      },
      {
        id: 'c',
        edit: 'trim',
        members: 'role == "member" and x == 1 m',
        by: 'role == "post"',
        corner: 'mitre',
      },
    ];
    const rows = rowsOf(steps, { sections: [angle] as never, space: 'plane' });
    const cut = rows.filter(({ titles }) => titles.some((title) => title.includes('member')));
    // One has two mitred ends, the other one
    expect(cut.map(({ count }) => count)).toEqual([1, 1]);
  });

  it('says which cut is not possible', () => {
    const { notes, rows } = cutList(
      built(
        designWith(
          [
            rectangle,
            {
              id: 'c',
              edit: 'trim',
              members: 'direction == "y"',
              by: 'direction == "x"',
              corner: 'butt',
              gap: '3 m',
            },
          ],
          { sections: [tube] as never, rules: [all] },
        ),
      ),
    );
    expect(notes.length).toBe(2);
    expect(notes[0]!.message).toMatch(/^Nothing is left of the .* between its cuts/);
    expect(rows.every(({ length }) => length > 0)).toBeTrue();
  });

  it('is CSV with a head, millimetres and degrees, and quoted where it must be', () => {
    const csv = cutListCsv(
      cutList(built(designWith([rectangle], { sections: [tube] as never, rules: [all] }))),
    );
    const [head, first] = csv.split('\r\n');
    expect(head!.split(',').length).toBe(13);
    expect(first).toMatch(/^1,tube,S355,2,3000\.0,3000\.0,0\.00,/);
    expect(csv.endsWith('\r\n')).toBeTrue();
  });
});
