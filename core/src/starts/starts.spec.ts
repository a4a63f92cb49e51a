import { validateDesign } from '../document/read.js';
import { startingPoints } from './index.js';
import { evaluateAlternative, summaryOf } from '../evaluation/index.js';

describe('starting points', () => {
  for (const { kind, title, about, design } of startingPoints)
    it(`${kind}: every alternative has its numbers from the first moment`, () => {
      const begun = design();
      // As a file would be read
      const read = validateDesign(JSON.parse(JSON.stringify(begun)));
      if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join(' '));
      expect([title.length > 0, about.endsWith('.')]).toEqual([true, true]);
      expect(begun.alternatives.length).toBeGreaterThanOrEqual(2);
      expect(begun.alternatives.length).toBeLessThanOrEqual(3);
      const told: string[] = [];
      for (const alternative of begun.alternatives) {
        const run = evaluateAlternative(begun, alternative);
        const { problems, figures, warnings, status, secondOrderNeeded } = summaryOf(run, 'G');
        expect(problems.map(({ message }) => message))
          .withContext(alternative.id)
          .toEqual([]);
        expect(warnings).withContext(alternative.id).toEqual([]);
        for (const { id, value } of figures)
          expect(Number.isFinite(value)).withContext(`${alternative.id} ${id}`).toBeTrue();
        // Not a frame that a designer would laugh at: within reach of what it is asked to carry
        const utilisation = figures.find(({ id }) => id === 'utilisation')!.value!;
        expect(utilisation).withContext(alternative.id).toBeGreaterThan(0.1);
        expect(utilisation).withContext(alternative.id).toBeLessThan(1.6);
        expect([secondOrderNeeded, status === 'not covered'])
          .withContext(alternative.id)
          .toEqual([false, false]);
        told.push(figures.map(({ value }) => value!.toPrecision(5)).join(' '));
      }
      // The alternatives differ in something
      expect(new Set(told).size).toBe(told.length);
    });

  it('make a fresh design each time', () => {
    for (const { design } of startingPoints) {
      const one = design();
      one.parameters[0]!.value = '1 m';
      expect(design().parameters[0]!.value).not.toBe('1 m');
    }
  });
});
