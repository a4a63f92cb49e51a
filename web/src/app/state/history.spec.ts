import { History } from './history';

describe('History', () => {
  it('undoes and redoes in order, and forgets the future after a change', () => {
    const history = new History('a');
    history.push('b');
    history.push('c');
    history.undo();
    expect(history.current).toBe('b');
    history.redo();
    expect(history.current).toBe('c');
    history.undo();
    history.undo();
    expect([history.current, history.canUndo, history.canRedo]).toEqual(['a', false, true]);
    history.push('d');
    expect(history.canRedo).toBeFalse();
    history.undo();
    history.undo();
    expect(history.current).toBe('a');
  });

  it('takes the changes of one gesture as one, until it ends', () => {
    const history = new History(0);
    history.push(1, 'drag');
    history.push(2, 'drag');
    history.endGesture();
    history.push(3, 'drag');
    history.undo();
    expect(history.current).toBe(2);
    history.undo();
    expect(history.current).toBe(0);
  });

  it('ignores a change that changes nothing', () => {
    const history = new History('a');
    history.push('a');
    expect(history.canUndo).toBeFalse();
  });
});
