import { stageAction } from './keys';

describe('keys of the stage', () => {
  const press = (key: string, more: Partial<KeyboardEvent> = {}) =>
    stageAction({ key, altKey: false, shiftKey: false, ctrlKey: false, metaKey: false, ...more });

  it('read along a member, go to the next, and select', () => {
    expect(press('ArrowRight')).toEqual({ do: 'along', by: 0.05 });
    expect(press('PageUp')).toEqual({ do: 'member', by: -1 });
    expect(press('Enter')).toEqual({ do: 'pick', add: false });
    expect(press('Enter', { shiftKey: true })).toEqual({ do: 'pick', add: true });
  });

  it('pan with Shift, turn with Alt, zoom with and without it', () => {
    expect(press('ArrowLeft', { shiftKey: true })).toEqual({ do: 'pan', by: [40, 0] });
    expect(press('ArrowUp', { altKey: true })).toEqual({ do: 'turn', by: [0, 0.1] });
    expect(press('+', { shiftKey: true })).toEqual({ do: 'zoom', by: 1.25 });
    expect(press('0')).toEqual({ do: 'fit' });
  });

  it('of the browser and of others are left alone', () => {
    expect(press('+', { ctrlKey: true })).toBeUndefined();
    expect(press('a')).toBeUndefined();
    expect(press('0', { altKey: true })).toBeUndefined();
  });
});
