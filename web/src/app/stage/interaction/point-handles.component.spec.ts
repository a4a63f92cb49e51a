import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { standardViews } from '@hashira/core';
import { draggedAlong } from '../view/navigation';
import { PointHandlesComponent, type HandleMove, type StageHandle } from './point-handles.component';

const front = { ...standardViews.front, centre: [0, 0, 0] as const, scale: 50 };
const size = { width: 400, height: 300 };

describe('a movement on the sheet along two axes', () => {
  it('is x and z from the front, x and y from above, and none where they are seen edge on', () => {
    expect(draggedAlong(front, 50, -100, [0, 2])).toEqual([1, 0, 2]);
    const plan = { ...front, ...standardViews.plan };
    const [x, y, z] = draggedAlong(plan, 50, -100, [0, 1])!;
    expect([x, y, z].map((value) => Number(value.toFixed(9)))).toEqual([1, 2, 0]);
    expect(draggedAlong(front, 50, 0, [0, 1])).toBeUndefined();
  });
});

describe('PointHandlesComponent', () => {
  let fixture: ComponentFixture<PointHandlesComponent>;
  let moves: HandleMove[];
  let ended: number;
  const handle = (free: readonly number[]): StageHandle => ({
    key: 'p 0',
    label: 'Point 1',
    at: [1, 0, 2],
    free,
  });
  const button = () => (fixture.nativeElement as HTMLElement).querySelector('button')!;
  const pointer = (type: string, x: number, y: number) => {
    button().dispatchEvent(new PointerEvent(type, { pointerId: 1, clientX: x, clientY: y, bubbles: true }));
  };
  const key = (name: string) => {
    button().dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
  };

  async function show(free: readonly number[]): Promise<void> {
    fixture = TestBed.createComponent(PointHandlesComponent);
    for (const [name, value] of Object.entries({ handles: [handle(free)], view: front, size }))
      fixture.componentRef.setInput(name, value);
    moves = [];
    ended = 0;
    fixture.componentInstance.moved.subscribe((move) => moves.push(move));
    fixture.componentInstance.gestureEnd.subscribe(() => ended++);
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
    // Real pointers alone can be captured
    button().setPointerCapture = () => undefined;
  }

  it('stands where the point is on the sheet', async () => {
    await show([0, 2]);
    expect(button().style.left).toBe('250px');
    expect(button().style.top).toBe('50px');
  });

  it('follows the pointer in steps of 50 mm, and adds up to what the hand has gone', async () => {
    await show([0, 2]);
    pointer('pointerdown', 0, 0);
    pointer('pointermove', 1, 0);
    expect(moves).toEqual([]);
    pointer('pointermove', 10, 0);
    pointer('pointermove', 50, -25);
    pointer('pointerup', 50, -25);
    const sum = [0, 1, 2].map((k) => moves.reduce((total, { by }) => total + by[k]!, 0));
    expect(sum.map((value) => Number(value.toFixed(9)))).toEqual([1, 0, 0.5]);
    expect(ended).toBe(1);
    pointer('pointermove', 90, 0);
    expect(moves.length).toBe(2);
  });

  it('is moved by arrow keys, a press at a time', async () => {
    await show([0, 2]);
    key('ArrowRight');
    key('ArrowDown');
    expect(moves.map(({ by }) => by)).toEqual([
      [0.1, 0, 0],
      [0, 0, -0.1],
    ]);
    expect(ended).toBe(2);
  });

  it('stays where formulas put it', async () => {
    await show([]);
    pointer('pointerdown', 0, 0);
    pointer('pointermove', 80, 0);
    key('ArrowRight');
    expect(moves).toEqual([]);
  });

  it('asks for another point, and to be removed', async () => {
    await show([0, 2]);
    const asked: string[] = [];
    fixture.componentInstance.added.subscribe(({ key: one }) => asked.push(`add ${one}`));
    fixture.componentInstance.removed.subscribe(({ key: one }) => asked.push(`remove ${one}`));
    key('Insert');
    key('Delete');
    expect(asked).toEqual(['add p 0', 'remove p 0']);
    button().dispatchEvent(new MouseEvent('dblclick', { bubbles: true }));
    button().dispatchEvent(new PointerEvent('pointerdown', { pointerId: 1, ctrlKey: true, bubbles: true }));
    expect(asked.slice(2)).toEqual(['add p 0', 'remove p 0']);
    pointer('pointermove', 80, 0);
    expect(moves).toEqual([]);
  });
});
