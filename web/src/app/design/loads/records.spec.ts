import { undoable } from '../../testing/undoable';
import { quickShed } from '../../testing/open-design';
import { Shown } from '../../testing/shown';
import { AxesComponent } from '../parameters/axes.component';
import { CombinationsComponent } from './combinations.component';
import { FiguresEditorComponent } from '../ledger/figures-editor.component';
import { LoadsLeafComponent } from './loads-leaf.component';
import { ParametersEditorComponent } from '../parameters/parameters-editor.component';
import { SettingsComponent } from '../ledger/settings.component';

let shown: Shown;

describe('load cases on the screen', () => {
  const head = (id: string) =>
    [...shown.host.querySelectorAll<HTMLElement>('.head')].find((one) =>
      one.textContent.trim().startsWith(id),
    )!;
  const open = async (id: string) => {
    head(id).click();
    await shown.settled();
  };

  it('tell their sums: snow of 0.8 kN/m² on 22 m × 5.5 m is 96.8 kN down', async () => {
    shown = await Shown.of(LoadsLeafComponent);
    expect(head('S').textContent).toContain('ΣX 0');
    expect(head('S').textContent).toContain('ΣZ −96.8');
  });

  it('are added by their category under a letter of their own, taken back by one undo', async () => {
    shown = await Shown.of(LoadsLeafComponent);
    await undoable(shown, () => shown.enter('Add a load case', 'wind'));
    await shown.enter('Add a load case', 'wind');
    expect(shown.design.loadCases.at(-1)).toEqual({ id: 'W2', title: 'Wind 2', category: 'wind' });
    expect(shown.text).toContain('no loads yet');
  });

  it('have the fields of their category, and exclude one another', async () => {
    shown = await Shown.of(LoadsLeafComponent);
    await open('S');
    expect(() => shown.field('use (EN 1990)')).toThrowError(/no field/);
    await shown.enter('altitude', 'high');
    await shown.enter('category', 'imposed');
    expect(shown.field('use (EN 1990)').getAttribute('role')).toBe('combobox');
    shown.field('W').click();
    await shown.settled();
    expect(shown.design.loadCases.find(({ id }) => id === 'S')).toEqual(
      jasmine.objectContaining({ category: 'imposed', excludes: ['W'] }),
    );
    shown.field('W').click();
    await shown.settled();
    expect('excludes' in shown.design.loadCases.find(({ id }) => id === 'S')!).toBeFalse();
  });

  it('take loads whose fields stand open at once, and whose numbers move the sums', async () => {
    shown = await Shown.of(LoadsLeafComponent);
    await open('S');
    const before = head('S').textContent;
    await shown.enter('Add a load', 'load on nodes');
    // It acts on nothing until it is said on what
    const { length } = shown.design.rules;
    expect(shown.text).toContain('Say which nodes');
    await shown.enter('Condition of the new rule', 'place == "apex"');
    await shown.settled();
    expect(shown.text).toContain('It would be given to 1 node.');
    await shown.enter('force', '0 kN, 0 kN, -3.2 kN');
    expect(shown.design.rules.length).toBe(length);
    await shown.press('Add the rule');
    expect(shown.design.rules.at(-1)).toEqual(
      jasmine.objectContaining({
        nodes: 'place == "apex"',
        load: { case: 'S', kind: 'node', F: ['0 kN', '0 kN', '-3.2 kN'] },
      }),
    );
    // 96.8 + 3.2 kN
    expect(before).toContain('ΣZ −96.8');
    expect(head('S').textContent).toContain('ΣZ −100');
    await shown.press('remove this load');
    expect(head('S').textContent).toContain('ΣZ −96.8');
  });

  it('go with their loads and factors', async () => {
    shown = await Shown.of(LoadsLeafComponent);
    await open('W');
    await undoable(shown, () => shown.press('remove Wind from the left with its loads'));
    await open('W');
    await shown.press('remove Wind from the left with its loads');
    expect(JSON.stringify(shown.design.rules)).not.toContain('"case":"W"');
    expect(JSON.stringify(shown.design.combinations)).not.toContain('"W"');
  });
});

describe('combinations on the screen', () => {
  it('that govern are marked', async () => {
    shown = await Shown.of(CombinationsComponent);
    const marked = [...shown.host.querySelectorAll('tbody th')]
      .map((th) => th.textContent.trim())
      .filter((words) => words.includes('◂'));
    expect(marked).toContain('U1 ◂');
    expect(marked.length).toBeLessThan(shown.design.combinations.length);
  });

  it('are added with every case, named, given a state, and removed', async () => {
    shown = await Shown.of(CombinationsComponent);
    await shown.press('+ service');
    const added = shown.design.combinations.at(-1)!;
    expect(added).toEqual({
      id: 'C6',
      state: 'service',
      factors: Object.fromEntries(shown.design.loadCases.map(({ id }) => [id, 1])),
    });
    await shown.enter('title', 'All of it');
    await shown.enter('state', 'strength');
    expect(shown.design.combinations.at(-1)).toEqual({ ...added, title: 'All of it', state: 'strength' });
    await shown.press('remove C6');
    expect(shown.design.combinations.some(({ id }) => id === 'C6')).toBeFalse();
  });
});

describe('figures on the screen', () => {
  it('are added by kind with just the fields that the kind reads', async () => {
    shown = await Shown.of(FiguresEditorComponent);
    await undoable(shown, () => shown.enter('Add a figure', 'natural frequency'));
    await shown.enter('Add a figure', 'natural frequency');
    expect(shown.design.figures.at(-1)).toEqual({
      id: 'frequency',
      title: 'Natural frequency',
      kind: 'frequency',
    });
    await shown.enter('which one', '2');
    await shown.enter('at least', '4 Hz');
    expect(shown.design.figures.at(-1)).toEqual(jasmine.objectContaining({ number: 2, limit: '4 Hz' }));
    expect(() => shown.field('nodes where')).toThrowError(/no field/);
    expect(() => shown.field('judged by')).toThrowError(/no field/);
  });

  it('refuse what is no number, and keep the one before', async () => {
    shown = await Shown.of(FiguresEditorComponent);
    await shown.enter('Add a figure', 'natural period');
    await shown.enter('which one', '3');
    await shown.enter('which one', 'third');
    expect(shown.field('which one').value).toBe('3');
    expect(shown.design.figures.at(-1)!.number).toBe(3);
  });

  it('of cost have a rate for each family', async () => {
    shown = await Shown.of(FiguresEditorComponent);
    await shown.enter('Add a figure', 'cost');
    await shown.enter('other, a kg', '2.4');
    expect(shown.design.figures.at(-1)!.rates).toEqual({ other: '2.4' });
  });

  it('change their order and go', async () => {
    shown = await Shown.of(FiguresEditorComponent);
    const titles = () => shown.design.figures.map(({ title }) => title);
    const [first, second, ...rest] = titles();
    await shown.press(`Move ${second!} up`);
    expect(titles()).toEqual([second!, first!, ...rest]);
    await undoable(shown, () => shown.press(`Remove ${first!}`));
  });
});

describe('parameters on the screen', () => {
  const open = async (title: string) => {
    const head = [...shown.host.querySelectorAll<HTMLElement>('.head')].find(
      (one) => one.querySelector('strong')!.textContent === title,
    )!;
    head.click();
    await shown.settled();
  };

  it('are added by what they are of, with a value of that kind', async () => {
    shown = await Shown.of(ParametersEditorComponent);
    await undoable(shown, () => shown.enter('Add a parameter', 'area load'));
    await shown.enter('Add a parameter', 'section');
    expect(shown.design.parameters.at(-1)).toEqual({
      name: 'section_1',
      title: 'Section 1',
      kind: 'section',
      value: 'IPE 200',
    });
    expect(() => shown.field('min')).toThrowError(/no field/);
  });

  it('are renamed with every use, and say where they are used', async () => {
    shown = await Shown.of(ParametersEditorComponent);
    await open('Span');
    expect(shown.text).toContain('used by parameter Haunch length, value');
    expect(shown.text).toMatch(/step [^;]+, bays/);
    await shown.press('span');
    const field = shown.host.querySelector<HTMLInputElement>('.named input')!;
    field.value = 'width';
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await shown.settled();
    expect(shown.design.parameters.find(({ name }) => name === 'haunch_length')!.value).toBe('width / 10');
    expect(shown.workspace.results().alternatives.get('fixed')!.summary.problems).toEqual([]);
  });

  it('refuse names that mean something else, and those of others', async () => {
    shown = await Shown.of(ParametersEditorComponent);
    await open('Span');
    for (const [name, why] of [
      ['kN', 'already means'],
      ['eaves', 'Another parameter'],
      ['2x', 'begin with a letter'],
    ] as const) {
      await shown.press('span');
      const field = shown.host.querySelector<HTMLInputElement>('.named input')!;
      field.value = name;
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await shown.settled();
      expect(shown.host.querySelector('[role=alert]')!.textContent).toContain(why);
    }
    expect(shown.design.parameters.some(({ name }) => name === 'span')).toBeTrue();
  });

  it('take a range and a group, and go', async () => {
    shown = await Shown.of(ParametersEditorComponent);
    await open('Span');
    await shown.enter('max', '50 m');
    await shown.enter('group', 'Size');
    expect(shown.design.parameters.find(({ name }) => name === 'span')).toEqual(
      jasmine.objectContaining({ max: '50 m', group: 'Size' }),
    );
    await undoable(shown, () => shown.press('remove Span'));
  });
});

describe('settings and grid lines on the screen', () => {
  it('say what the calculation does, and take it back where a field is emptied', async () => {
    shown = await Shown.of(SettingsComponent);
    await shown.enter('γM1', '1,1');
    expect(shown.design.code.gammaM1).toBe(1.1);
    await shown.enter('γM1', '');
    expect('gammaM1' in shown.design.code).toBeFalse();
    await shown.enter('code', 'ANSI/AISC 360-22');
    await shown.enter('order', '2');
    expect(shown.design.code.name).toBe('AISC360');
    expect(shown.design.analysis.order).toBe(2);
  });

  it('lines begin along x with letters, and take positions as typed', async () => {
    shown = await Shown.of(AxesComponent, { ...quickShed(), axes: [] });
    await undoable(shown, () => shown.press('+ grid lines'));
    await shown.press('+ grid lines');
    await shown.enter('at', '0 m, 2 * 11 m');
    await shown.enter('called', '1');
    expect(shown.design.axes).toEqual([{ along: 'x', at: ['0 m', '2 * 11 m'], names: '1' }]);
    await shown.press('remove these lines');
    expect(shown.design.axes).toEqual([]);
  });
});
