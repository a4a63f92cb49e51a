import { setParameter } from '@hashira/core';
import { Shown } from '../../testing/shown';
import { ParameterListComponent } from './parameter-list.component';

describe('ParameterListComponent', () => {
  let shown: Shown;
  const type = async (text: string) => {
    const field = shown.host.querySelector<HTMLInputElement>('#p-span')!;
    field.focus();
    field.value = text;
    field.blur();
    await shown.settled();
  };
  const span = () => shown.design.parameters.find(({ name }) => name === 'span')!;
  const told = (role: string) =>
    [...shown.host.querySelectorAll(`[role=${role}]`)].map((one) => one.textContent).join();
  beforeEach(async () => (shown = await Shown.of(ParameterListComponent)));

  it('refuses what cannot be, at the field, and leaves the design as it was', async () => {
    const before = shown.design;
    await type('24 kN');
    expect(told('alert')).toContain('needs a value in m');
    expect(shown.design).toBe(before);
    await type('24 m');
    expect(told('alert')).toBe('');
    expect(span().value).toBe('24 m');
  });

  it('tells that the range was widened, until the design changes again', async () => {
    await type('45 m');
    expect(told('status')).toContain('The range was widened');
    expect(span()).toEqual(jasmine.objectContaining({ value: '45 m', max: '45 m' }));
    shown.workspace.apply((design) => setParameter(design, 'eaves', '7 m'));
    await shown.settled();
    expect(told('status')).toBe('');
    shown.workspace.undo();
    shown.workspace.undo();
    await shown.settled();
    expect(span()).not.toEqual(jasmine.objectContaining({ max: '45 m' }));
  });
});
