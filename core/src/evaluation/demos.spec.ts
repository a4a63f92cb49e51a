import { readFileSync } from 'node:fs';
import { built, designOf } from '../testing/designs.js';
import type { Design } from '../document/types.js';
import { type AlternativeSummary, evaluateAlternative, summaryOf } from './index.js';

const demo = (name: string): Design =>
  designOf(JSON.parse(readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8')));

/** What each alternative comes to. */
function summaries(name: string): { title: string; summary: AlternativeSummary }[] {
  const design = demo(name);
  return design.alternatives.map((alternative) => {
    const run = evaluateAlternative(design, alternative);
    const summary = summaryOf(run, 'U1');
    expect(summary.problems.map(({ message }) => message))
      .withContext(alternative.title)
      .toEqual([]);
    return { title: alternative.title, summary };
  });
}

/** Which alternatives pass, which fail and by which figures. */
function told(name: string): string[] {
  return summaries(name).map(({ title, summary: { status, figures } }) => {
    const over = figures.filter((figure) => figure.status === 'fail').map(({ title }) => title);
    return `${title}: ${[status, ...over].join(', ')}`;
  });
}

describe('the demo designs', () => {
  it('build in every alternative, without warnings that something is missing', () => {
    for (const name of ['slip-shed', 'boat-hall', 'quay-arch', 'lookout-tower', 'winch-bed']) {
      const design = demo(name);
      design.alternatives.forEach((alternative, i) => {
        const { model, notes } = built(design, i);
        expect(model.members.length).withContext(alternative.title).toBeGreaterThan(3);
        // Only the rule for bracing may find nothing, where there is none
        const missing = notes.filter(({ message }) => message.includes('matches nothing'));
        expect(missing.every(({ message }) => message.includes('Bracing')))
          .withContext(alternative.title)
          .toBeTrue();
      });
    }
  });

  it('are built over the whole range of every parameter', () => {
    for (const name of ['slip-shed', 'boat-hall', 'quay-arch', 'lookout-tower', 'winch-bed']) {
      const design = demo(name);
      for (const one of design.parameters) {
        if (one.kind !== 'quantity') continue;
        for (const value of [one.min, one.max]) {
          if (value === undefined) continue;
          const parameters = design.parameters.map((p) => (p === one ? { ...one, value } : p));
          for (const i of design.alternatives.keys())
            expect(built({ ...design, parameters }, i).model.members.length)
              .withContext(`${name}, ${one.name} ${value}`)
              .toBeGreaterThan(3);
        }
      }
    }
  });

  it('Lookout tower: rigid joints sway too much, a single diagonal is too slender for wind from its far side', () => {
    const [rigid, ...braced] = told('lookout-tower');
    expect(rigid).toContain('Drift of a storey');
    for (const one of braced)
      if (one.startsWith('Single diagonal')) expect(one).toMatch(/: fail, Utilisation$/);
      else expect(one).toMatch(/: pass$/);
  });

  it('Winch bed: only the cross-framed one keeps away from the running speed', () => {
    const [open, diagonal, crossed] = told('winch-bed');
    expect(open).toContain('First frequency');
    expect(diagonal).toContain('First frequency');
    expect(crossed).toMatch(/: pass$/);
  });

  it('Quay arch: of each curve three hinges carry more moment than two, and only they more than the arch can', () => {
    const all = summaries('quay-arch');
    expect(all.length).toBe(12);
    const momentOf = (title: string): number =>
      Math.abs(
        all.find((one) => one.title === title)!.summary.figures.find(({ id }) => id === 'moment')!.value!,
      );
    for (const curve of ['Circular', 'Parabolic', 'Catenary'])
      expect(momentOf(`${curve}, three hinges`))
        .withContext(curve)
        .toBeGreaterThan(momentOf(`${curve}, two hinges`));
    const over = all.filter(({ summary }) => summary.status === 'fail').map(({ title }) => title);
    expect(over).toEqual(['Circular, three hinges', 'Parabolic, three hinges', 'Catenary, three hinges']);
  });
});
