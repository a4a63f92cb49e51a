import { TestBed } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import { Selection } from './selection.service';
import { ViewState } from './view-state.service';

const answered = () => new Promise((done) => setTimeout(done));

describe('Selection', () => {
  let selection: Selection;
  beforeEach(() => {
    openDesign();
    selection = TestBed.inject(Selection);
  });

  it('takes one, others beside it, and lets go of one that is taken again', () => {
    selection.pick('members', ['shed.column.1']);
    selection.pick('members', ['shed.column.2'], true);
    expect(selection.selected().ids).toEqual(['shed.column.1', 'shed.column.2']);
    selection.pick('members', ['shed.column.1'], true);
    expect(selection.selected().ids).toEqual(['shed.column.2']);
    selection.pick('nodes', ['shed.base.1'], true);
    expect(selection.selected()).toEqual({ of: 'nodes', ids: ['shed.base.1'] });
    selection.clear();
    expect(selection.count()).toBe(0);
  });

  it('proposes the shortest condition for what is selected, and says what it is', async () => {
    selection.pick('members', ['shed.column.1', 'shed.column.2']);
    expect(selection.proposal()).toBeUndefined();
    await answered();
    expect(selection.proposal()).toEqual({ condition: 'role == "column"', title: '2 members' });
    selection.pick('nodes', ['shed.base.1']);
    await answered();
    expect(selection.proposal()!.title).toBe('left base');
  });

  it('selects by a condition that is typed, and says what is wrong with one', async () => {
    await selection.where('members', 'role == "rafter"');
    expect(selection.count()).toBe(2);
    await selection.where('members', 'role ==');
    expect(selection.problem()).not.toBe('');
    expect(selection.count()).toBe(2);
    await selection.where('nodes', 'place == "moon"');
    expect(selection.problem()).toContain('Nothing is selected');
  });

  it('is lit up on the stage, unless something is pointed at in a list', () => {
    const view = TestBed.inject(ViewState);
    selection.pick('members', ['shed.column.1']);
    expect(view.show().highlighted).toEqual(['shed.column.1']);
    view.highlighted.set(['shed.base.1']);
    expect(view.show().highlighted).toEqual(['shed.base.1']);
  });
});
