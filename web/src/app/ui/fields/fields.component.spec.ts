import { TestBed } from '@angular/core/testing';
import { ruleKinds, stepKinds, type Fields } from '@hashira/core';
import { offeredBy, takeFrom } from '../../testing/lists';
import { openDesign } from '../../testing/open-design';
import { FieldsComponent, type RecordChange } from './fields.component';

describe('FieldsComponent', () => {
  async function show(kind: string, record: object, problems = {}) {
    TestBed.resetTestingModule();
    openDesign();
    const fixture = TestBed.createComponent(FieldsComponent);
    const fields = ruleKinds.find(
      ({ key, of }) => key === kind && (!('members' in record) || of === 'members'),
    )!.fields as Fields;
    for (const [name, input] of Object.entries({ fields, record, key: 'r', problems }))
      fixture.componentRef.setInput(name, input);
    const changes: RecordChange[] = [];
    fixture.componentInstance.changed.subscribe((one) => changes.push(one));
    await fixture.whenStable();
    return { host: fixture.nativeElement as HTMLElement, changes };
  }
  const list = (host: HTMLElement, which: string) => host.querySelector(`[role=combobox]${which}`)!;

  it('has a field for each that applies, and tells which was written', async () => {
    const { host, changes } = await show('support', { support: 'pinned' });
    expect(await offeredBy(list(host, '#r-support'))).toEqual([
      'fixed',
      'pinned',
      'roller',
      'each by itself',
    ]);
    await takeFrom(list(host, '#r-support'), 'each by itself');
    expect(changes).toEqual([{ name: 'support', value: { ux: 'fixed', uz: 'fixed' }, sections: [] }]);
  });

  it('of something given part by part has its parts, each with what is written', async () => {
    const { host, changes } = await show('support', { support: { ux: 'fixed', uz: '2 kN/mm' } });
    const uz = host.querySelector<HTMLInputElement>('#r-support-uz')!;
    expect(uz.value).toBe('2 kN/mm');
    uz.value = '3 kN/mm';
    uz.dispatchEvent(new Event('change'));
    expect(changes[0]!.value).toEqual({ ux: 'fixed', uz: '3 kN/mm' });
  });

  it('asks for support and hinge by the directions that a plane has, in words', async () => {
    const labels = ({ host }: { host: HTMLElement }) =>
      [...host.querySelectorAll('.parts label')].map((label) => label.textContent.trim());
    const held = await show('support', { support: { ux: 'fixed' } });
    expect(labels(held)).toEqual(['along x', 'up and down', 'turning about y']);
    const up = list(held.host, '#r-support-uz');
    expect(await offeredBy(up)).toEqual(['free', 'held', 'spring']);
    await takeFrom(up, 'spring');
    expect(held.changes[0]!.value).toEqual({ ux: 'fixed', uz: '1 MN/m' });
    // What a solid has stays in sight where it is written
    expect(labels(await show('support', { support: { uy: 'fixed' } }))).toContain('along y');
    const hinge = await show('hinge', { hinge: { My: 'free' } });
    expect(labels(hinge)).toEqual(['along the member', 'across it, along z', 'turning about y']);
  });

  it('draws the options that are to be seen, one of which is chosen', async () => {
    const { host, changes } = await show('support', {});
    expect(host.querySelector('[role=radiogroup]')).toBeNull();
    const fixture = TestBed.createComponent(FieldsComponent);
    const kind = stepKinds.find((one) => one.kind === 'brace')!;
    const inputs = { fields: kind.fields, record: { pattern: 'x' }, key: 's', pictures: () => 'data:,' };
    for (const [name, input] of Object.entries(inputs)) fixture.componentRef.setInput(name, input);
    fixture.componentInstance.changed.subscribe((one) => changes.push(one));
    await fixture.whenStable();
    const group = (fixture.nativeElement as HTMLElement).querySelector('[role=radiogroup]')!;
    const radios = [...group.querySelectorAll('input')];
    expect(group.querySelectorAll('img').length).toBe(radios.length);
    expect(
      radios.filter(({ checked }) => checked).map((one) => one.parentElement!.textContent.trim()),
    ).toEqual(['x']);
    radios.find((one) => one.parentElement!.textContent.trim() === 'chevron')!.click();
    expect(changes).toEqual([{ name: 'pattern', value: 'chevron', sections: [] }]);
  });

  it('offers the ends of a member by the places that the frame has', async () => {
    const { host, changes } = await show('hinge', { members: 'true', hinge: ['My'], at: 'apex' });
    const ends = list(host, '#r-at');
    expect(await offeredBy(ends)).toEqual([
      'both ends',
      'its start',
      'its end',
      'at the apex',
      'at the base',
      'at the eaves',
    ]);
    expect(ends.textContent.trim()).toBe('at the apex');
    await takeFrom(ends, 'at the eaves');
    await takeFrom(ends, 'both ends');
    expect(changes.map(({ value }) => value)).toEqual(['eaves', undefined]);
  });

  it('of another kind begins as that does, in the same load case', async () => {
    const { host, changes } = await show('load', { load: { case: 'S', direction: 'z', q: '-1 kN/m' } });
    await takeFrom(list(host, '#r-load'), 'point');
    expect(changes[0]!.value).toEqual({
      case: 'S',
      kind: 'point',
      at: '1/2',
      F: ['0 kN', '0 kN', '-1 kN'],
    });
  });

  it('of a value that can be written in two ways changes it in its place, and to the other way', async () => {
    const { host, changes } = await show('load', { load: { case: 'S', direction: 'z', q: '-1 kN/m' } });
    const q = host.querySelector<HTMLInputElement>('#r-load-q')!;
    q.value = '-2';
    q.dispatchEvent(new Event('change'));
    expect(changes[0]!.value).toEqual({ case: 'S', direction: 'z', q: '-2 kN/m' });
    await takeFrom(list(host, '[aria-label="load, how it is given"]'), 'from end to end');
    expect((changes[1]!.value as { q: unknown }).q).toEqual(['-1 kN/m', '-1 kN/m']);
  });

  it('says what is wrong at its field', async () => {
    const { host } = await show('roll', { roll: '90' }, { roll: 'The roll needs a unit.' });
    expect(host.querySelector('[role=alert]')!.textContent).toContain('needs a unit');
  });
});
