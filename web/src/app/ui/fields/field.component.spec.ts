import { ComponentFixture, TestBed } from '@angular/core/testing';
import { kindOf, type Field } from '@hashira/core';
import { takeFrom } from '../../testing/lists';
import { openDesign, quickShed } from '../../testing/open-design';
import { FieldComponent } from './field.component';

const fieldOf = (make: string, name: string) =>
  (kindOf({ make })!.fields as Record<string, Field<unknown>>)[name]!;

describe('FieldComponent', () => {
  let fixture: ComponentFixture<FieldComponent>;
  let written: unknown[];
  const host = () => fixture.nativeElement as HTMLElement;

  async function show(make: string, name: string, value: unknown): Promise<void> {
    fixture = TestBed.createComponent(FieldComponent);
    for (const [key, input] of Object.entries({ id: `f-s-${name}`, field: fieldOf(make, name), value }))
      fixture.componentRef.setInput(key, input);
    written = [];
    fixture.componentInstance.changed.subscribe(({ value: next }) => written.push(next));
    await fixture.whenStable();
  }

  it('asks for options by a list with the one that counts', async () => {
    await show('arch', 'curve', undefined);
    const list = host().querySelector('[role=combobox]')!;
    expect(list.textContent.trim()).toBe('circular');
    await takeFrom(list, 'catenary');
    expect(written).toEqual(['catenary']);
  });

  it('asks for yes or no by a box', async () => {
    await show('arch', 'tie', true);
    const box = host().querySelector('input')!;
    expect(box.checked).toBeTrue();
    box.click();
    expect(written).toEqual([false]);
  });

  it('takes away what is emptied and may be left out, keeps what must be there, and sends nothing when nothing changed', async () => {
    const empty = () => {
      const field = host().querySelector('input')!;
      field.dispatchEvent(new Event('change'));
      field.value = '';
      field.dispatchEvent(new Event('change'));
      return field.value;
    };
    await show('arch', 'endHeight', '5 m');
    expect(empty()).toBe('');
    expect(written).toEqual([undefined]);
    await show('arch', 'rise', '5 m');
    expect(empty()).toBe('5 m');
    expect(written).toEqual([]);
  });

  it('takes points as they are said: coordinates with commas, points with semicolons, names of places', async () => {
    const points = [['0 m', '0 m'], 'shed.eaves.1'];
    await show('line', 'points', points);
    const field = host().querySelector('input')!;
    expect(field.value).toBe('0 m, 0 m; shed.eaves.1');
    field.value = '0, 0; span / 2, 6.5; shed.apex.1';
    field.dispatchEvent(new Event('change'));
    expect(written).toEqual([[['0 m', '0 m'], ['span / 2', '6.5 m'], 'shed.apex.1']]);
  });

  it('asks for one of several by a list, and then for its own field', async () => {
    await show('ring', 'curve', { circle: '7 m' });
    const list = host().querySelector('[role=combobox]')!;
    expect(host().querySelector<HTMLInputElement>('.parts input')!.value).toBe('7 m');
    await takeFrom(list, 'through points');
    expect(Object.keys(written[0] as object)).toEqual(['through']);
    fixture.componentRef.setInput('value', written[0]);
    await fixture.whenStable();
    const points = host().querySelector<HTMLInputElement>('.parts input')!;
    expect(points.value).toBe('6 m, 0 m; 0 m, 5 m; -6 m, 0 m; 0 m, -5 m');
    points.value = '6, 0; 0, 6; -6, 0';
    points.dispatchEvent(new Event('change'));
    expect(written[1]).toEqual({
      through: [
        ['6 m', '0 m'],
        ['0 m', '6 m'],
        ['-6 m', '0 m'],
      ],
    });
  });

  it('has the fields of a record within, and a box for one that may be left out', async () => {
    await show('arch', 'deck', undefined);
    expect(host().querySelector('.parts')).toBeNull();
    host().querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    expect(written).toEqual([{ height: '6 m', posts: 7 }]);
    fixture.componentRef.setInput('value', written[0]);
    await fixture.whenStable();
    const [height] = host().querySelectorAll<HTMLInputElement>('.parts input');
    height!.value = '4,5';
    height!.dispatchEvent(new Event('change'));
    expect(written[1]).toEqual({ height: '4.5 m', posts: 7 });
    host().querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    expect(written[2]).toBeUndefined();
  });

  it('asks for a condition as it is typed and by chips, which say the same', async () => {
    openDesign(quickShed());
    fixture = TestBed.createComponent(FieldComponent);
    const field = (kindOf({ edit: 'divide' })!.fields as Record<string, Field<unknown>>)['members'];
    const value = 'role == "rafter" and z > 3 m';
    for (const [key, input] of Object.entries({ id: 'f-s-members', field, value }))
      fixture.componentRef.setInput(key, input);
    written = [];
    fixture.componentInstance.changed.subscribe(({ value: next }) => written.push(next));
    await fixture.whenStable();
    await new Promise((done) => setTimeout(done));
    await fixture.whenStable();
    const chips = [...host().querySelectorAll('.chip')].map((chip) => chip.getAttribute('aria-label'));
    expect(chips).toEqual(['role == "rafter"', 'z > 3 m']);
    expect(host().querySelector('input')!.value).toBe(value);
    await takeFrom(host().querySelector('[role=combobox][aria-label="Value of role"]')!, 'column');
    expect(written).toEqual(['role == "column" and z > 3 m']);
    // What no chip can say stands in its field alone
    fixture.componentRef.setInput('value', '(row == 1 or row == 5) and z > 3 m or x < 1 m');
    await fixture.whenStable();
    expect(host().querySelector('.chip')).toBeNull();
  });

  it('has a label that belongs to it', async () => {
    await show('arch', 'rise', '5 m');
    expect(host().querySelector('label')!.htmlFor).toBe(host().querySelector('input')!.id);
  });

  it('takes points from a table, or says why not', async () => {
    await show('line', 'points', [
      ['0 m', '0 m'],
      ['4 m', '0 m'],
    ]);
    const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
    const give = async (text: string) => {
      const files = new DataTransfer();
      files.items.add(new File([text], 'points.csv'));
      input.files = files.files;
      input.dispatchEvent(new Event('change'));
      await new Promise((done) => setTimeout(done, 30));
      await fixture.whenStable();
    };
    await give('x [mm],z [mm]\n0,0\n2500,1200\n');
    expect(written.at(-1)).toEqual([
      ['0 mm', '0 m', '0 mm'],
      ['2500 mm', '0 m', '1200 mm'],
    ]);
    await give('a,b\n1,2\n');
    expect(host().querySelector('[role=alert]')!.textContent).toContain(
      '"points.csv": The table of points needs',
    );
  });
});
