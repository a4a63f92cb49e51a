import { generator } from '../testing/random.js';
import { buildFrame } from '../build/build.js';
import { validateDesign } from './read.js';
import { stepKinds } from '../steps/index.js';
import type { Field } from '../fields/index.js';

// Random recipes at the builder: whatever is written, the frame is sound or every problem is a sentence.
const next = generator(20261127);
const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!;

const lengths = [
  '0 m',
  '1 m',
  '4 m',
  '-2 m',
  '6.5 m',
  'span',
  'span / 3',
  'span / 0',
  '1e9 m',
  '3',
  'spann',
  '0.2 m',
];
const angles = ['0 deg', '9 deg', '90 deg', '-30 deg', '1e6 deg', 'span'];
const counts = [0, 1, 2, 5, 12, -1, 400, 1e7, 2.5, '3', 'span'];
const conditions = [
  'true',
  'role == "column"',
  'role == "brace"',
  'place == "base"',
  'x > span / 2',
  'colour == 3',
  'z < 2 m and not (row == 2)',
  'role ==',
  'length > 3',
];

/** A value for a field, fitting in kind more often than not. */
function valueFor({ form }: Field<unknown>): unknown {
  if (next() < 0.06) return pick<unknown>([null, {}, [], 'x', 7, true]);
  switch (form.kind) {
    case 'quantity':
      return pick(form.quantity === 'angle' ? angles : lengths);
    case 'list':
      return pick<unknown>([[pick(lengths), pick(lengths)], '3 * 4 m', pick(lengths), [], [pick(lengths)]]);
    case 'count':
      return pick(counts);
    case 'option':
      return next() < 0.9 ? pick(form.options) : 'none such';
    case 'flag':
      return next() < 0.5;
    case 'condition':
      return pick(conditions);
    case 'point':
      return [pick(lengths), pick(lengths), pick(lengths)];
    case 'points':
      return Array.from({ length: Math.floor(next() * 5) }, () => [
        pick(lengths),
        pick(lengths),
        pick(lengths),
      ]);
    default:
      return pick<unknown>([
        pick(lengths),
        ['0 m', pick(lengths), '0 m'],
        { about: ['0 m', '0 m'], angle: pick(angles) },
        { through: ['1 m', '0 m', '0 m'], normal: pick<unknown>(['x', 'y', [0, 0, 0], [1, 1, 0]]) },
        { circle: pick(lengths) },
        { long: pick(['open', 'diagonal', 'cross', 'k']) },
        'eaves',
        'start',
      ]);
  }
}

/** `tame`: how often a field has what it begins with, and an optional one nothing. */
function randomDesign(tame: number): unknown {
  const steps = Array.from({ length: 1 + Math.floor(next() * 3) }, (_, i) => {
    const kind = i === 0 ? pick(stepKinds.filter(({ verb }) => verb === 'make')) : pick(stepKinds);
    const fields = Object.entries(kind.fields as Record<string, Field<unknown>>).flatMap(([name, field]) => {
      const usual = field.initial !== undefined && !field.optional && next() < tame;
      if (usual) return [[name, field.initial]];
      const usuallyLeftOut = field.optional || field.fallback !== undefined;
      return usuallyLeftOut && next() < tame ? [] : [[name, valueFor(field)]];
    });
    return { id: `s${i}`, [kind.verb]: kind.kind, ...Object.fromEntries(fields) };
  });
  return {
    format: 'hashira-design',
    version: 2,
    title: 'Random',
    space: next() < 0.9 ? 'solid' : 'plane',
    parameters: [{ name: 'span', title: 'Span', kind: 'quantity', quantity: 'length', value: '9 m' }],
    steps,
    rules: [{ id: 'r', members: 'true', section: 'IPE 300', material: 'S355' }],
    alternatives: [{ id: 'a', title: 'A', picks: {} }],
  };
}

const sentence = /^[A-Z"“±].*[.)…]$/su;

describe('random recipes', () => {
  it('give a sound frame or sentences, whatever is written', () => {
    let sound = 0;
    for (let i = 0; i < 1000; i++) {
      const document = randomDesign(i % 2 === 0 ? 0.5 : 0.95);
      const about = JSON.stringify(document);
      const design = validateDesign(document);
      const outcome = design.ok ? buildFrame(design.value, design.value.alternatives[0]!) : design;
      if (!outcome.ok) {
        expect(outcome.problems.length).withContext(about).toBeGreaterThan(0);
        for (const { message } of outcome.problems) expect(message).withContext(about).toMatch(sentence);
        continue;
      }
      sound++;
      const { model } = outcome.value;
      const ids = new Set(model.nodes.map(({ id }) => id));
      for (const { x, y, z } of model.nodes)
        expect([x, y ?? 0, z].every(Number.isFinite))
          .withContext(about)
          .toBeTrue();
      for (const { start, end } of model.members)
        expect(start !== end && ids.has(start) && ids.has(end))
          .withContext(about)
          .toBeTrue();
    }
    // The throw is worth something only where many stand
    expect(sound).toBeGreaterThan(150);
  });
});
