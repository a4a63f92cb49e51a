import { TestBed } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import type { PointedField } from '../ui/fields/field-surroundings';
import { Pointing } from './pointing.service';
import { Selection } from './selection.service';

describe('Pointing', () => {
  let written: string[];
  const field = (of: PointedField['of']): PointedField => ({
    id: 'f',
    title: 'Panels',
    of,
    write: (text) => written.push(text),
  });
  const settled = () => new Promise((done) => setTimeout(done, 20));
  const press = async (of: 'members' | 'nodes', ids: string[], add = false) => {
    TestBed.inject(Selection).pick(of, ids, add);
    TestBed.tick();
    await settled();
    TestBed.tick();
  };

  beforeEach(() => {
    written = [];
    openDesign();
  });

  it('fills a field in with the condition of what is pressed, until it is ended', async () => {
    const pointing = TestBed.inject(Pointing);
    pointing.begin(field('members'));
    await press('members', ['shed.column.1']);
    await press('members', ['shed.column.2'], true);
    expect(written).toEqual(['role == "column" and side == "left"', 'role == "column"']);
    // Nodes are not what is asked for
    await press('nodes', ['shed.base.1']);
    expect(written.length).toBe(2);
    pointing.end();
    await press('members', ['shed.column.1']);
    expect(written.length).toBe(2);
  });

  it('names one node, and is ended by that', async () => {
    const pointing = TestBed.inject(Pointing);
    pointing.begin(field('place'));
    await press('nodes', ['shed.base.1']);
    expect(written).toEqual(['shed.base.1']);
    expect(pointing.active()).toBeUndefined();
  });
});
