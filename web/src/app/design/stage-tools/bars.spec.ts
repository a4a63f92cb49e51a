import { TestBed } from '@angular/core/testing';
import { MemberDrawing } from '../../state/member-drawing.service';
import { Selection } from '../../state/selection.service';
import { Shown } from '../../testing/shown';
import { SectionPickerComponent } from '../../ui/sections/section-picker.component';
import { DrawMemberBarComponent } from './draw-member-bar.component';
import { SelectionBarComponent } from './selection-bar.component';

describe('the bar of a member that is drawn', () => {
  it('says where it begins, takes a typed end, and says what is wrong with one', async () => {
    const shown = await Shown.of(DrawMemberBarComponent);
    expect(shown.text.trim()).toBe('');
    const drawing = TestBed.inject(MemberDrawing);
    drawing.begin();
    await drawing.point('shed.column.1', 0.5);
    drawing.press();
    await shown.settled();
    expect(shown.text).toContain('A member from 1/2 of left column to');
    const end = shown.field('Length or coordinates of the end');
    end.value = 'nowhere';
    end.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await shown.settled();
    expect(shown.host.querySelector('[role=alert]')!.textContent).toContain('nowhere');
    await shown.press('stop drawing');
    expect(drawing.active()).toBeFalse();
  });
});

describe('the bar of a selection', () => {
  it('offers what members can be given, and gives it by a rule with the shortest condition', async () => {
    const shown = await Shown.of(SelectionBarComponent);
    TestBed.inject(Selection).pick('members', ['shed.column.1']);
    await shown.settled();
    expect(shown.text).toContain('left column');
    const before = shown.design.rules.length;
    await shown.enter('Give', 'roll');
    const rule = shown.design.rules.at(-1)!;
    expect(shown.design.rules.length).toBe(before + 1);
    expect([rule.members, rule.roll]).toEqual(['role == "column" and side == "left"', '90 deg']);
    await shown.press('clear');
    expect(shown.text.trim()).toBe('');
  });

  it('asks before a section takes the place of a parameter: the parameter is changed, or these members alone', async () => {
    const shown = await Shown.of(SelectionBarComponent);
    const picker = () => shown.child(SectionPickerComponent);
    const take = async (section: string) => {
      TestBed.inject(Selection).pick('members', ['shed.column.1']);
      await shown.settled();
      picker().changed.emit(section);
      await shown.settled();
    };
    const valueOf = () => shown.design.parameters.find(({ name }) => name === 'column_section')!.value;
    const rules = shown.design.rules.length;
    await take('HEB 360');
    expect(shown.text).toContain('left column: section from the parameter “Column section”');
    expect(valueOf()).toBe('HEB 300');
    await shown.press('change it to HEB 360');
    expect(valueOf()).toBe('HEB 360');
    expect(shown.design.rules.length).toBe(rules);
    await take('HEB 400');
    await shown.press('HEB 400 for these alone');
    expect(valueOf()).toBe('HEB 360');
    expect(shown.design.rules.at(-1)!.section).toBe('HEB 400');
    // Now the rule says it: nothing is asked
    await take('HEB 320');
    expect(shown.text).not.toContain('from the parameter');
    expect(shown.design.rules.at(-1)!.section).toBe('HEB 320');
  });
});
