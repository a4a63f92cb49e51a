import { FieldsComponent } from '../fields/fields.component';
import { SectionPickerComponent } from './section-picker.component';
import { OwnSectionComponent } from './own-section.component';
import { openDesign, quickShed } from '../../testing/open-design';
import { Shown } from '../../testing/shown';
import { undoable } from '../../testing/undoable';
import { ParameterListComponent } from '../../design/parameters/parameter-list.component';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { takeFrom } from '../../testing/lists';
import { ruleKinds, type OwnSection } from '@hashira/core';

describe('OwnSectionComponent', () => {
  let fixture: ComponentFixture<OwnSectionComponent>;
  let made: readonly OwnSection[] = [];
  const host = () => fixture.nativeElement as HTMLElement;
  const field = (label: string) => {
    const found = [...host().querySelectorAll('label')].find((one) =>
      one.textContent.trim().startsWith(label),
    )!;
    return (
      found.querySelector<HTMLInputElement>('input, textarea') ??
      (document.getElementById(found.htmlFor) as HTMLInputElement)
    );
  };
  const enter = async (label: string, text: string) => {
    field(label).value = text;
    field(label).dispatchEvent(new Event('input'));
    field(label).dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  const make = async (as: string) => {
    await takeFrom(host().querySelector('[role=combobox][aria-label="made as"]')!, as);
    await fixture.whenStable();
  };
  const alert = () => host().querySelector('[role=alert]')?.textContent ?? '';
  const accept = () =>
    [...host().querySelectorAll('button')].find(({ textContent }) => textContent.trim().startsWith('take '));
  const take = () => accept()!.click();

  beforeEach(async () => {
    made = [];
    fixture = TestBed.createComponent(OwnSectionComponent);
    fixture.componentRef.setInput('like', 'HEB 300');
    fixture.componentRef.setInput('taken', ['Beam']);
    fixture.componentInstance.made.subscribe((sections) => (made = sections));
    document.body.append(host());
    await fixture.whenStable();
  });

  it('begins with the profile that is chosen, to be made deeper', async () => {
    expect(field('h, mm').value).toBe('300');
    await enter('h, mm', '450');
    await enter('called', 'HEB 300 deep');
    take();
    expect(made[0]!.name).toBe('HEB 300 deep');
    expect((made[0] as { shape: object }).shape).toEqual(jasmine.objectContaining({ h: 0.45, b: 0.3 }));
  });

  it('shows area, moduli and mass of what is made: 200 × 100 solid has 200 cm² and 157 kg/m', async () => {
    await make('rectangle');
    const words = host().querySelector('.seen')!.textContent;
    expect(words).toContain('A 200 cm²');
    expect(words).toContain('157 kg/m');
    expect(host().querySelector('svg path')).not.toBeNull();
  });

  it('says what does not fit, and refuses names that are taken', async () => {
    await enter('tw, mm', '320');
    expect(alert()).toContain('do not fit');
    expect(accept()).toBeUndefined();
    await enter('tw, mm', '11');
    await enter('called', 'Beam');
    expect(alert()).toContain('"Beam" is the name of another section');
    await enter('called', 'IPE 300');
    expect(alert()).toContain('"IPE 300"');
    await enter('called', ' ');
    expect(alert()).toContain('Give the section a name');
  });

  it('keeps a dimension where something else than a number above zero is typed', async () => {
    await enter('h, mm', 'deep');
    expect(field('h, mm').value).toBe('300');
    await enter('h, mm', '-5');
    expect(field('h, mm').value).toBe('300');
    await enter('r, mm', '');
    expect(field('r, mm').value).toBe('');
  });

  it('takes an outline by its corners, and says which line is none', async () => {
    await make('outline');
    await enter('corners', '0 0\n80 0\n80 x');
    expect(alert()).toContain('Line 3');
    await enter('corners', '0 0\n80 0\n80 120\n0 120');
    take();
    expect((made[0] as { shape: { points: unknown } }).shape.points).toEqual([
      [0, 0],
      [0.08, 0],
      [0.08, 0.12],
      [0, 0.12],
    ]);
  });

  it('takes several sections from a pasted table', async () => {
    await make('a pasted table');
    await enter('lines', 'name;shape;h;b;tw;tf\nA1;i;200;100;5;8\nA2;i;240;120;6;9');
    expect(accept()!.textContent).toContain('take 2 sections');
    take();
    expect(made.map(({ name }) => name)).toEqual(['A1', 'A2']);
    await enter('lines', 'name;shape;h\nA1;i;200');
    expect(alert()).toContain('needs b, tw, tf');
  });
});

describe('a section that was made', () => {
  const section = {
    name: 'Box',
    shape: { type: 'plate-box', h: 0.4, b: 0.3, tw: 0.01, tf: 0.015 },
  } satisfies OwnSection;

  it('goes into the design and becomes the value of the parameter, as one change', async () => {
    const shown = await Shown.of(ParameterListComponent);
    const make = async () => {
      const picker = shown.child(SectionPickerComponent);
      picker.made.emit([section]);
      await shown.settled();
    };
    await undoable(shown, make);
    await make();
    expect(shown.design.sections).toEqual([{ id: 'Box', material: 'S355', shape: section.shape }]);
    expect(shown.design.parameters.find(({ name }) => name === 'column_section')!.value).toBe('Box');
    expect(shown.workspace.results().alternatives.get('fixed')!.summary.problems).toEqual([]);
  });

  it('is offered by a record with its field', () => {
    openDesign({ ...quickShed(), sections: [{ id: 'Box', material: 'S355', shape: section.shape }] });
    const form = TestBed.createComponent(FieldsComponent);
    const kind = ruleKinds.find(({ key }) => key === 'section')!;
    form.componentRef.setInput('fields', kind.fields);
    form.componentRef.setInput('record', { id: 'r', members: 'true', section: 'Box' });
    form.componentRef.setInput('key', 'r');
    form.detectChanges();
    expect((form.nativeElement as HTMLElement).textContent).toContain('Box');
  });
});
