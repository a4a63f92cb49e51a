import { metric, questions, summaryOf, type Design, type MakeUp } from '@hashira/core';
import { quickShed } from '../../testing/open-design';
import { workedOut } from '../../testing/worked-out';
import { ordered, spreadOf, wordsOf, type TableSource } from './row';
import { tableRows } from './rows';

/** The table of a design as the screen makes it. */
function sourceOf(design: Design): TableSource {
  const all = design.alternatives.map((one) => workedOut(design, one));
  const summaries = new Map(all.map((of) => [of.alternative.id, summaryOf(of, 'U1')]));
  return {
    design,
    units: metric,
    summaries,
    figures: new Map([...summaries].map(([id, { figures }]) => [id, figures])),
    makeUps: new Map(
      all.flatMap((of): [string, MakeUp][] => {
        const made = questions.makeUp(of, {}, '');
        return made ? [[of.alternative.id, made]] : [];
      }),
    ),
  };
}

describe('the rows of the comparison', () => {
  const design = quickShed();
  const rows = tableRows(sourceOf(design));
  const row = (title: string) => rows.find((one) => one.title === title)!;
  const texts = (title: string) => row(title).cells.map(({ text }) => text.replace(/\u00a0/g, ' '));

  it('are what differs, figures, utilisation by group, and foundations', () => {
    expect(texts('Bases')).toEqual(['fixed', 'pinned', 'pinned', 'pinned']);
    expect(row('Bases').cells.map(({ differs }) => differs)).toEqual([false, true, true, true]);
    expect(texts('Steel mass')[0]).toBe('3518 kg');
    // 3518 kg over 22 m
    expect(texts('Members, a metre of width')[0]).toBe('160 kg/m');
    expect(row('Column section').group).toBe('utilisation by group');
    expect(row('left base, greatest upwards').parts!.map(({ title }) => title)).toContain(
      'moment about Y, least',
    );
  });

  it('have a moment at the foundation only where the base holds it, with the combination that brings it', () => {
    const part = row('left base, greatest upwards').parts!.find(
      ({ title }) => title === 'moment about Y, greatest',
    )!;
    expect(part.cells.map(({ text }) => text === '–')).toEqual([false, true, true, true]);
    expect(part.cells[0]!.exact).toMatch(/; U\d/);
  });

  it('say of what is the best, better and worse, by sign and word', () => {
    const sway = row('Eaves sway');
    expect(sway.cells.map(({ word }) => word)).toEqual(['best', 'worse', 'worse', 'worse']);
    expect(sway.cells[1]!.difference).toMatch(/^\+/);
    expect(row('Apex deflection').cells[2]!.bad).toBeTrue();
    expect(row('Apex deflection').cells[2]!.place).toContain('apex');
  });

  it('have own values of parameters', () => {
    const wide = quickShed();
    wide.alternatives[1]!.parameters = { span: '24 m' };
    const own = tableRows(sourceOf(wide)).find(({ id }) => id.startsWith('value'))!;
    expect([own.title, own.cells.map(({ text }) => text)]).toEqual([
      'Span',
      ['22 m', '24 m', '22 m', '22 m'],
    ]);
  });

  it('stand in the design’s order or by how much they differ, kept ones on top, hidden ones nowhere', () => {
    const titles = (...of: Parameters<typeof ordered>) =>
      ordered(...of).flatMap((group) => group.rows.map(({ title }) => title));
    const figures = rows.filter(({ group }) => group === 'figures');
    expect(titles(figures, 'design', [], [])[0]).toBe('Utilisation');
    const byDifference = titles(figures, 'difference', [], []);
    expect(byDifference[0]).toBe('Moment at a base');
    expect(titles(figures, 'design', ['figure utilisation'], ['figure mass'])[0]).toBe('Steel mass');
    expect(titles(figures, 'design', ['figure utilisation'], [])).not.toContain('Utilisation');
  });
});

describe('words of a row', () => {
  it('are by magnitude, or the other way where much is good; nothing of equal values, and not of what most are', () => {
    expect(wordsOf([2, -3, 1, undefined], 0, false)).toEqual(['', 'worse', 'best', '']);
    expect(wordsOf([2, 3, 1], 0, true)).toEqual(['', 'best', 'worse']);
    expect(wordsOf([2, 2.0005], 0, false)).toEqual(['', '']);
    expect(wordsOf([1, 1, 1, 2], 0, false)).toEqual(['', '', '', 'worse']);
  });

  it('spread is of the greatest', () => {
    expect(spreadOf([-4, 1, undefined])).toBe(0.75);
    expect(spreadOf([0, 0])).toBe(0);
    expect(spreadOf([5])).toBe(0);
  });
});
