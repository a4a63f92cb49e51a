import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { nodeHelpers } from '../../../node/helpers.js';
import { tower } from '../../../bench/towers.js';
import type { FrameModel } from '../../model/types.js';
import { prepareFrame } from '../frame/frame.js';
import { bucklingModes } from '../eigen/buckling.js';
import { analyse } from '../first-order/states.js';
import { prepareEquations } from '../first-order/static.js';
import { unwrapped } from '../../base/problem.js';
import { resultSelections } from '../../results/index.js';
import { planThreads, useHelpers, type Helpers } from './threads.js';

describe('threads of a factorization', () => {
  const model: FrameModel = tower(3, 3, 6);
  const frame = prepareFrame(model);
  const { symbolic } = prepareEquations(frame).plan;
  let folder: string;
  let helpers: Helpers;

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'hashira-threads-'));
    const outfile = join(folder, 'helper.mjs');
    await build({
      entryPoints: [fileURLToPath(new URL('../../../node/helper.ts', import.meta.url))],
      bundle: true,
      platform: 'node',
      format: 'esm',
      outfile,
      logLevel: 'error',
    });
    helpers = nodeHelpers(pathToFileURL(outfile), { count: 2, worth: 0, onFailure: (error) => fail(error) });
  });
  afterAll(() => rmSync(folder, { recursive: true }));
  afterEach(() => useHelpers(undefined));

  const displacements = (progress?: { step(done: number): void }): Float64Array[] => {
    const { states } = unwrapped(analyse(frame, resultSelections(model), progress ? { progress } : {}));
    return [...states.values()].map((state) => state.displacements);
  };
  const expectSame = (found: readonly Float64Array[], expected: readonly Float64Array[]): void =>
    found.forEach((list, c) => {
      const size = expected[c]!.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
      list.forEach((x, i) => {
        if (Math.abs(x - expected[c]![i]!) > 1e-10 * size) fail(`case ${c}, freedom ${i}: ${x}`);
      });
    });
  /** How many helpers took part in the jobs that were sent last. */
  let helped = 0;
  /** Solves until a helper has taken part: they start with the first job. */
  const started = async (expected: readonly Float64Array[]): Promise<void> => {
    const control: Int32Array[] = [];
    useHelpers({
      ...helpers,
      send: (job) => {
        control.push(job.control);
        helpers.send(job);
      },
    });
    for (let i = 0; i < 400 && helped === 0; i++) {
      expectSame(displacements(), expected);
      // The first control word counts who came, below a bit that closes the door
      helped = control[i]![0]! % 2 ** 20;
      await new Promise((done) => setTimeout(done, 50));
    }
    useHelpers(helpers);
  };

  it('divides the elimination tree: every panel once, subtrees that touch only what is on top', () => {
    const { superStart, rowStart, rows } = symbolic;
    for (const threads of [2, 3, 8]) {
      const { tasks, top } = planThreads(symbolic, threads);
      const owner = new Int32Array(superStart.length - 1).fill(-1);
      tasks.forEach(([from, to], t) => {
        for (let s = from; s < to; s++) {
          expect(owner[s]).toBe(-1);
          owner[s] = t;
        }
      });
      for (const s of top) {
        expect(owner[s]).toBe(-1);
        owner[s] = tasks.length;
      }
      expect(owner.includes(-1)).toBe(false);
      expect(tasks.length).toBeGreaterThanOrEqual(threads);
      const panelOf = (row: number): number => {
        let s = 0;
        while (superStart[s + 1]! <= row) s++;
        return s;
      };
      tasks.forEach(([from, to], t) => {
        for (let i = rowStart[from]!; i < rowStart[to]!; i++) {
          const found = owner[panelOf(rows[i]!)]!;
          if (found !== t && found !== tasks.length) fail(`subtree ${t} touches subtree ${found}`);
        }
      });
    }
  });

  it('gives what one thread gives', async () => {
    const alone = displacements();
    await started(alone);
    expect(helped).toBeGreaterThan(0);
    for (let i = 0; i < 5; i++) expectSame(displacements(), alone);
  }, 60_000);

  it('counts the same negative pivots: the buckling factors agree', async () => {
    const selections = resultSelections(model).filter(({ kind }) => kind === 'combination');
    const states = analyse(frame, selections);
    if (!states.ok) throw new Error(states.problems[0]!.message);
    const { prepared } = states.value;
    const factors = () =>
      bucklingModes(prepared, states.value.states.get('U')!, 3).map(({ factor }) => factor);
    const alone = factors();
    await started(displacements());
    factors().forEach((factor, i) => expect(factor / alone[i]!).toBeCloseTo(1, 8));
  }, 60_000);

  it('finds the same mechanism', async () => {
    const loose = prepareFrame({
      ...model,
      supports: model.supports!.map(({ node }) => ({ node, uz: 'fixed' as const })),
    });
    const problems = () => {
      const solved = analyse(loose, resultSelections(model));
      return solved.ok ? [] : solved.problems.map(({ message }) => message);
    };
    const alone = problems();
    expect(alone.length).toBeGreaterThan(0);
    await started(displacements());
    expect(problems()).toEqual(alone);
  }, 60_000);

  it('waits for no helper that does not come', () => {
    const alone = displacements();
    useHelpers({ count: 3, worth: 0, send: () => undefined });
    expectSame(displacements(), alone);
  });

  it('can be stopped, and goes on with the next job', async () => {
    const alone = displacements();
    await started(alone);
    expect(() =>
      displacements({
        step: () => {
          throw new Error('stopped by the user');
        },
      }),
    ).toThrowError('stopped by the user');
    expectSame(displacements(), alone);
  }, 60_000);
});
