import { buildFrame } from '../../build/build.js';
import { unwrapped } from '../../base/problem.js';
import { colourNames, strokeAt, strokeSize } from '../../drawing/index.js';
import { flatPortal, smallHall } from '../../testing/checked-designs.js';
import type { Design } from '../../document/types.js';
import { changesBetween, drawingOfChanges } from './index.js';

const modelOf = (design: Design) => unwrapped(buildFrame(design, design.alternatives[0]!)).model;

function drawn(before: Design, after: Design, highlighted: string[] = []) {
  const of = (design: Design) => ({ design, alternative: design.alternatives[0]! });
  const changes = changesBetween(of(before), of(after));
  const scene = drawingOfChanges(modelOf(before), modelOf(after), changes)(highlighted);
  const { strokes } = scene.drawing;
  const colours = Array.from(
    { length: strokes.length / strokeSize },
    (_, i) => colourNames[strokes[i * strokeSize + strokeAt.colour]!],
  );
  const count = (colour: string) => colours.filter((one) => one === colour).length;
  return { scene, changes, count };
}

describe('a drawing of what changed', () => {
  it('has nothing but the frame of a design beside itself', () => {
    const { scene, count } = drawn(smallHall(), smallHall());
    expect(scene.legend).toEqual([]);
    expect([count('ochre'), count('indigo'), count('inkFaint')]).toEqual([0, 0, 0]);
    expect(count('inkSoft')).toBe(modelOf(smallHall()).members.length);
  });

  it('has members of another section in ochre, with old and new once', () => {
    const other = smallHall();
    other.parameters.find(({ name }) => name === 'column_section')!.value = 'HEA 240';
    const { scene, changes, count } = drawn(smallHall(), other);
    // Three dots on each
    expect(count('ink')).toBe(changes.changed.length);
    expect(scene.drawing.corners.length).toBeGreaterThan(0);
    expect(scene.drawing.texts.map(({ text }) => text)).toEqual(['HEA 200 → HEA 240']);
    expect(scene.legend.map(({ text }) => text)).toEqual(['changed: old → new']);
  });

  it('has old places faint where nodes moved, and what is pointed at in indigo', () => {
    const wide = flatPortal();
    const narrow = flatPortal();
    const portal = wide.steps.find(({ make }) => make === 'portal')!;
    portal['bays'] = ['9 m'];
    const { scene, changes } = drawn(narrow, wide);
    expect(changes.moved.length).toBeGreaterThan(0);
    expect(scene.legend.map(({ text }) => text)).toContain('where it was');
    const { count } = drawn(narrow, wide, [
      modelOf(wide).members[0]!.design?.group ?? modelOf(wide).members[0]!.id,
    ]);
    expect(count('indigo')).toBeGreaterThan(0);
  });

  it('strikes and dashes what was removed, and has what was added solid', () => {
    const tied = smallHall();
    const points = [
      ['0 m', '4 m'],
      ['12 m', '4 m'],
    ];
    tied.steps.push({ id: 'tie', make: 'line', points, role: 'tie' });
    const rafters = tied.rules.find(({ members }) => members?.includes('rafter'))!;
    tied.rules.push({ ...rafters, id: 'ties', members: 'role == "tie"' });
    const come = drawn(smallHall(), tied);
    const gone = drawn(tied, smallHall());
    expect(come.changes.added.map(({ title }) => title)).toEqual(['tie, left eaves to right eaves']);
    expect(come.count('ochre')).toBe(1);
    expect(gone.changes.removed.map(({ title }) => title)).toEqual(['tie, left eaves to right eaves']);
    // Seven dashes and the stroke through them
    expect(gone.count('inkSoft')).toBe(modelOf(smallHall()).members.length + 8);
    expect(gone.scene.legend.map(({ text }) => text)).toEqual(['removed']);
  });
});
