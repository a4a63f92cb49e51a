import { Select } from 'primeng/select';
import { Shown } from '../../testing/shown';
import { ChoicesPanelComponent } from './choices-panel.component';

describe('ChoicesPanelComponent', () => {
  it('shows what the alternative picks of each choice, and picks another as one change', async () => {
    const shown = await Shown.of(ChoicesPanelComponent);
    const [bases] = shown.design.choices;
    expect(shown.text).toContain(bases!.title);
    const list = shown.child(Select);
    expect(list.options!.map(({ id }: { id: string }) => id)).toEqual(bases!.options.map(({ id }) => id));
    list.onChange.emit({ originalEvent: new Event('change'), value: bases!.options[1]!.id });
    await shown.settled();
    const picked = () => shown.workspace.selectedAlternative(shown.design).picks[bases!.id];
    expect(picked()).toBe(bases!.options[1]!.id);
    shown.workspace.undo();
    expect(picked()).not.toBe(bases!.options[1]!.id);
  });
});
