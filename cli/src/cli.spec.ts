import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { tower } from '../../core/bench/towers.js';

const bin = fileURLToPath(new URL('../bin/hashira.mjs', import.meta.url));
const shed = fileURLToPath(new URL('../../core/demo/slip-shed.json', import.meta.url));

function hashira(...args: string[]): { code: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], { encoding: 'utf8' });
  return { code: status, out: stdout, err: stderr };
}

interface Model {
  format: string;
  supports: Record<string, unknown>[];
  members: { hinges?: unknown }[];
  nodes: Record<string, unknown>[];
}

describe('hashira', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'hashira-cli-'))));
  afterEach(() => rmSync(folder, { recursive: true }));
  const path = (name: string) => join(folder, name);

  it('tells its commands', () => {
    const { code, out } = hashira('--help');
    expect(code).toBe(0);
    expect(out).toContain('solve');
    expect(out).toContain('build');
  });

  it('builds an alternative and solves it', () => {
    const built = hashira('build', shed, '--alternative', 'Three hinges');
    expect(built.code).toBe(0);
    const model = JSON.parse(built.out) as Model;
    expect(model.format).toBe('hashira-frame');
    expect(model.members.filter((m) => m.hinges).length).toBe(1);
    writeFileSync(path('m.json'), built.out);
    const solved = hashira('solve', path('m.json'), '--stations', '3');
    expect(solved.code).toBe(0);
    expect(solved.err).toBe('');
    const results = JSON.parse(solved.out) as {
      format: string;
      results: Record<
        string,
        { members: Record<string, unknown[]>; reactions: Record<string, { F: number[] }> }
      >;
    };
    expect(results.format).toBe('hashira-results');
    expect(results.results['S']!.members['shed.column.1']!.length).toBe(3);
    // Snow: 4.4 kN/m on 22 m
    expect(results.results['S']!.reactions['shed.base.1']!.F[2]).toBeCloseTo(48_400, 3);
  });

  it('takes the reference when no alternative is named, and writes to a file', () => {
    const { code, out } = hashira('build', shed, '--out', path('m.json'));
    expect([code, out]).toEqual([0, '']);
    const model = JSON.parse(readFileSync(path('m.json'), 'utf8')) as Model;
    expect(model.supports[0]!['ry']).toBe('fixed');
  });

  it('lists the pieces of steel, as JSON and as CSV', () => {
    const bed = fileURLToPath(new URL('../../core/demo/winch-bed.json', import.meta.url));
    const { code, out } = hashira('cutlist', bed);
    expect(code).toBe(0);
    const list = JSON.parse(out) as { format: string; rows: { count: number; mass: number }[]; mass: number };
    expect(list.format).toBe('hashira-cutlist');
    expect(list.rows.reduce((sum, { count, mass }) => sum + count * mass, 0)).toBeCloseTo(list.mass, 9);
    const csv = hashira('cutlist', bed, '--csv');
    expect(csv.code).toBe(0);
    expect(csv.out.split('\r\n').length).toBe(list.rows.length + 2);
  });

  it('answers second order, buckling and modes', () => {
    const built = JSON.parse(hashira('build', shed).out) as Model;
    writeFileSync(path('m.json'), JSON.stringify(built));
    const { code, out } = hashira(
      'solve',
      path('m.json'),
      '--second-order',
      '--buckling',
      '2',
      '--modes',
      '3',
      '--stations',
      '2',
    );
    expect(code).toBe(0);
    const file = JSON.parse(out) as {
      results: Record<string, { order: number; iterations: number; equilibrium: { residual: number } }>;
      buckling: Record<string, { factor: number; shape: Record<string, { u: number[]; r: number[] }> }[]>;
      modes: { frequency: number; effectiveMass: number[] }[];
    };
    expect(file.results['U1']!.order).toBe(2);
    expect(file.results['U1']!.iterations).toBeGreaterThan(1);
    const [first, second] = file.buckling['U1']!;
    expect(first!.factor).toBeGreaterThan(1);
    expect(second!.factor).toBeGreaterThanOrEqual(first!.factor);
    expect(Object.keys(first!.shape).length).toBe(built.nodes.length);
    expect(file.modes.length).toBe(3);
    expect(file.modes[0]!.frequency).toBeGreaterThan(0);
  });

  it('tells its progress where asked, and leaves the results as they are', () => {
    const model = path('tower.json');
    writeFileSync(model, JSON.stringify(tower(5, 5, 12)));
    const quiet = hashira('solve', model, '--buckling', '2', '--stations', '2', '--out', path('quiet.json'));
    expect([quiet.code, quiet.err]).toEqual([0, '']);
    const told = hashira(
      'solve',
      model,
      '--buckling',
      '2',
      '--stations',
      '2',
      '--progress',
      '--out',
      path('told.json'),
    );
    expect(told.code).toBe(0);
    expect(told.err).toMatch(/^(Forces and displacements|Buckling of \w+): \d+ %, \d+\.\d s$/m);
    interface Factors {
      buckling: Record<string, { factor: number }[]>;
    }
    const factors = (file: string) =>
      (JSON.parse(readFileSync(path(file), 'utf8')) as Factors).buckling['U']!.map(({ factor }) => factor);
    factors('told.json').forEach((factor, i) => expect(factor / factors('quiet.json')[i]!).toBeCloseTo(1, 6));
  });

  it('tells how far an assessment is, alternative by alternative', () => {
    const told = hashira(
      'assess',
      fileURLToPath(new URL('../../core/demo/boat-hall.json', import.meta.url)),
      '--progress',
      '--out',
      path('assessment.json'),
    );
    expect(told.code).toBe(0);
    expect(told.err).toMatch(/^[\w ]+, [\w ]+: \d+ %, \d+\.\d s$/m);
  });

  it('gives the modes of a free body, whose loads have nothing to rest on', () => {
    const built = JSON.parse(hashira('build', shed).out) as Model & Record<string, unknown>;
    writeFileSync(path('m.json'), JSON.stringify({ ...built, supports: [] }));
    const { code, out } = hashira('solve', path('m.json'), '--modes', '4');
    expect(code).toBe(0);
    const { modes, notes } = JSON.parse(out) as { modes: { frequency: number }[]; notes: string[] };
    expect(notes[0]).toContain('no supports');
    expect(modes.slice(0, 3).map((m) => m.frequency)).toEqual([0, 0, 0]);
    expect(modes[3]!.frequency).toBeGreaterThan(0);
  });

  it('names the combination that is past its critical load', () => {
    const built = JSON.parse(hashira('build', shed).out) as Model & {
      combinations: { id: string; factors: Record<string, number> }[];
    };
    built.combinations[0]!.factors = { G: 500, S: 500 };
    writeFileSync(path('m.json'), JSON.stringify(built));
    const [error] = errorsOf(hashira('solve', path('m.json'), '--second-order'));
    expect(error!.code).toBe('diverged');
    expect(error!.where['result']).toBe(built.combinations[0]!.id);
  });

  const errorsOf = (run: ReturnType<typeof hashira>) => {
    expect(run.code).toBe(2);
    expect(run.out).toBe('');
    return (
      JSON.parse(run.err) as { errors: { code: string; message: string; where: Record<string, unknown> }[] }
    ).errors;
  };

  it('says what is wrong with a model, with exit code 2 and nothing on standard output', () => {
    const model = JSON.parse(hashira('build', shed).out) as Model;
    const solveChanged = (change: (m: Model) => void) => {
      const copy = JSON.parse(JSON.stringify(model)) as Model;
      change(copy);
      writeFileSync(path('bad.json'), JSON.stringify(copy));
      return errorsOf(hashira('solve', path('bad.json')));
    };
    expect(solveChanged((m) => (m.nodes[0]!['x'] = null))[0]).toEqual(
      jasmine.objectContaining({ code: 'invalid-model', where: { path: '/nodes/0/x' } }),
    );
    const [mechanism] = solveChanged(
      (m) => (m.supports = m.supports.slice(0, 1).map(({ node }) => ({ node, ux: 'fixed', uz: 'fixed' }))),
    );
    expect(mechanism!.code).toBe('mechanism');
    expect(Object.keys(mechanism!.where)).toContain('moves');
    expect(mechanism!.message).toContain('move without resistance');
    writeFileSync(path('bad.json'), '{"format": "hashira-frame", "nodes": [{"x": NaN}]}');
    expect(errorsOf(hashira('solve', path('bad.json')))[0]!.message).toContain('not JSON');
  });

  it('checks the members of an alternative, by either code', () => {
    const built = hashira('build', shed, '--alternative', 'Pinned bases');
    writeFileSync(path('m.json'), built.out);
    for (const code of ['EN1993', 'AISC360']) {
      const { code: exit, out, err } = hashira('check', path('m.json'), '--code', code);
      expect([exit, err]).toEqual([0, '']);
      const file = JSON.parse(out) as {
        format: string;
        code: string;
        members: Record<string, { status: string; items: { clause: string; steps: unknown[] }[] }>;
        summary: { status: string; utilisation: number };
      };
      expect(file.format).toBe('hashira-checks');
      expect(file.code).toBe(code);
      expect(Object.keys(file.members)).toContain('shed.rafter.1.left');
      expect(file.members['shed.rafter.1.left']!.items.every(({ steps }) => steps.length > 1)).toBeTrue();
      expect(file.summary.utilisation).toBeGreaterThan(0.1);
      expect(file.summary.utilisation).toBeLessThan(1);
    }
  });

  it('assesses every alternative of a design, or one', () => {
    const { code, out, err } = hashira('assess', shed);
    expect([code, err]).toEqual([0, '']);
    const file = JSON.parse(out) as {
      format: string;
      alternatives: {
        title: string;
        status: string;
        alphaCr: number;
        figures: { id: string; value: number; status: string }[];
      }[];
    };
    expect(file.format).toBe('hashira-assessment');
    expect(file.alternatives.map(({ status }) => status)).toEqual(['pass', 'pass', 'beyond limits', 'pass']);
    const hinged = file.alternatives.find(({ title }) => title === 'Three hinges')!;
    expect(hinged.figures.find(({ id }) => id === 'deflection')!.status).toBe('fail');
    expect(hinged.alphaCr).toBeGreaterThan(1);
    const one = JSON.parse(hashira('assess', shed, '--alternative', 'Pinned bases').out) as typeof file;
    expect(one.alternatives.length).toBe(1);
    expect(errorsOf(hashira('assess', shed, '--alternative', 'None'))[0]!.code).toBe('unknown-alternative');
  });

  it('assesses an alternative that cannot be calculated as failed, with its problem once', () => {
    const design = JSON.parse(readFileSync(shed, 'utf8')) as {
      rules: { nodes?: string; support?: unknown }[];
    };
    design.rules = design.rules.filter(({ support }) => support === undefined);
    const only = {
      ...design,
      choices: [],
      alternatives: [{ id: 'a', title: 'A', picks: {} }],
      reference: 'a',
    };
    writeFileSync(path('d.json'), JSON.stringify(only));
    const file = JSON.parse(hashira('assess', path('d.json')).out) as {
      alternatives: { status: string; problems: { code: string; message: string }[] }[];
    };
    expect(file.alternatives[0]!.status).toBe('failed');
    const messages = file.alternatives[0]!.problems.map(({ message }) => message);
    expect(messages.length).toBeGreaterThan(0);
    expect(new Set(messages).size).toBe(messages.length);
  });

  it('refuses an unknown code and a model without anything to check', () => {
    const built = JSON.parse(hashira('build', shed).out) as Model & Record<string, unknown>;
    writeFileSync(path('m.json'), JSON.stringify(built));
    expect(errorsOf(hashira('check', path('m.json'), '--code', 'XX'))[0]!.code).toBe('unknown-code');
    writeFileSync(path('m.json'), JSON.stringify({ ...built, combinations: [] }));
    expect(errorsOf(hashira('check', path('m.json')))[0]!.code).toBe('nothing-to-check');
  });

  it('lists the library, answers a question and prints a profile', () => {
    expect(hashira('sections').out).toContain('EN 10210-2');
    const { out } = hashira('sections', 'lightest', 'HEA', 'with', 'Wpl,y above 1200 cm3');
    expect(out.split('\n')[1]).toMatch(/^HEA 300 /);
    const printed = hashira('section', 'ipe300').out;
    // Published: 8356 cm⁴, 628.4 cm³
    expect(printed).toMatch(/Iy +8356 cm⁴/);
    expect(printed).toMatch(/Wpl,y +628.4 cm³/);
    expect(hashira('section', 'IPE 300', '--depth', '450').out).toContain('made 450 mm deep');
    expect(errorsOf(hashira('section', 'IPE 310'))[0]!.message).toContain('IPE 300');
    expect(errorsOf(hashira('sections', 'lightest FOO'))[0]!.code).toBe('unknown-query');
  });

  it('says what is wrong with files and names', () => {
    expect(errorsOf(hashira('solve', path('none.json')))[0]!.code).toBe('no-file');
    expect(errorsOf(hashira('build', shed, '--alternative', 'Glued'))[0]!.message).toContain(
      '"Pinned bases"',
    );
    expect(errorsOf(hashira('solve', shed))[0]!.code).toBe('invalid-model');
  });

  it('tells all of a member, suggests sections, and raises loads to failure', () => {
    const member = hashira(
      'member',
      shed,
      '--member',
      'left rafter',
      '--combination',
      'U1',
      '--stations',
      '5',
    );
    expect(member.code).withContext(member.err).toBe(0);
    const sheet = JSON.parse(member.out) as {
      format: string;
      curves: { x: number[] }[];
      neighbours: unknown[];
    };
    expect([sheet.format, sheet.curves[0]!.x.length, sheet.neighbours.length]).toEqual([
      'hashira-member',
      5,
      4,
    ]);
    const suggested = hashira('suggest', shed, '--group', 'rafter_section', '--max-depth', '0.45');
    expect(suggested.code).withContext(suggested.err).toBe(0);
    const { status, groups } = JSON.parse(suggested.out) as {
      status: string;
      groups: { after: { section: string } }[];
    };
    expect([status, groups.length]).toEqual(['found', 1]);
    const failure = hashira('failure', shed, '--raise', 'S=1', '--order', '1', '--most', '8');
    expect(failure.code).withContext(failure.err).toBe(0);
    expect((JSON.parse(failure.out) as { format: string }).format).toBe('hashira-failure');
  });

  it('compares alternatives, says where a figure comes from and what changed', () => {
    const compared = hashira('compare', shed, '--alternative', 'Pinned bases', '--modes', '2');
    expect(compared.code).withContext(compared.err).toBe(0);
    const { format, alternatives } = JSON.parse(compared.out) as {
      format: string;
      alternatives: { differs: string[]; modes: { pair: object | null }[] }[];
    };
    expect([format, alternatives.length, alternatives[1]!.differs.length]).toEqual([
      'hashira-comparison',
      2,
      1,
    ]);
    expect(alternatives[1]!.modes.length).toBe(2);
    const table = hashira('compare', shed, '--csv');
    expect(table.out.split('\r\n')[0]).toContain('figure,unit,');
    const explained = hashira('explain', shed, '--figure', 'sway');
    expect(explained.code).withContext(explained.err).toBe(0);
    const { value, sum } = JSON.parse(explained.out) as { value: number; sum: number };
    expect(Math.abs(sum - value)).toBeLessThan(1e-9 * Math.abs(value));
    expect(errorsOf(hashira('explain', shed, '--figure', 'x'))[0]!.code).toBe('unknown-figure');
    expect(errorsOf(hashira('compare', shed, '--modes', 'many'))[0]!.code).toBe('wrong-arguments');
    const same = JSON.parse(hashira('changes', shed, shed).out) as Record<string, unknown[]>;
    for (const list of ['sentences', 'added', 'removed', 'moved', 'changed'])
      expect(same[list]).withContext(list).toEqual([]);
    const between = hashira('changes', shed, '--alternative', 'Pinned bases', '--csv');
    expect(between.out.split('\r\n')[0]).toBe('kind,what,place,before,after');
    expect(between.out).toContain('changed,support,');
    expect(errorsOf(hashira('changes', shed))[0]!.code).toBe('wrong-arguments');
  });

  it('says what is wrong with what they are given, and that a search ends at its most', () => {
    const codeOf = (...args: string[]) =>
      (JSON.parse(hashira(...args).err) as { errors: { code: string }[] }).errors[0]!.code;
    expect(codeOf('member', shed, '--member', 'tower')).toBe('unknown-member');
    expect(codeOf('suggest', shed, '--target', '-1')).toBe('wrong-arguments');
    expect(codeOf('suggest', shed, '--group', 'x')).toBe('unknown-group');
    expect(codeOf('failure', shed)).toBe('wrong-arguments');
    expect(codeOf('failure', shed, '--raise', 'S=1', '--path', 'other')).toBe('wrong-arguments');
    const stopped = JSON.parse(hashira('suggest', shed, '--most', '2').out) as {
      status: string;
      analyses: number;
    };
    expect(stopped).toEqual(jasmine.objectContaining({ status: 'stopped', analyses: 2 }));
  });
});
