import { tower } from '../../bench/towers.js';
import { buildFrame } from '../build/build.js';
import { slipShed } from '../testing/designs.js';
import { damage } from '../testing/damage.js';
import { generator } from '../testing/random.js';
import { readModel } from './model-file.js';
import { solveToFile } from './results-file.js';

describe('damaged model files', () => {
  const shed = slipShed();
  const built = buildFrame(shed, shed.alternatives[0]!);
  if (!built.ok) throw new Error('the demo does not build');
  const sound = [JSON.stringify(built.value.model), JSON.stringify(tower(1, 1, 2, 0.1))];

  it('give finite results or problems in words with a place, and never crash', () => {
    const random = generator(20_261_123);
    let refused = 0;
    for (let i = 0; i < 600; i++) {
      const document: unknown = JSON.parse(sound[i % 2]!);
      for (let k = 0; k <= i % 3; k++) damage(document, random);
      const text = JSON.stringify(document);
      const read = readModel(text);
      const outcome = read.ok
        ? solveToFile(read.value, { stations: 3, secondOrder: i % 5 === 0, buckling: i % 7 === 0 ? 1 : 0 })
        : read;
      if (outcome.ok) {
        expect(JSON.stringify(outcome.value)).not.toContain('null');
        continue;
      }
      refused++;
      for (const { code, message, where } of outcome.problems) {
        expect(code).toMatch(/^[a-z-]+$/);
        expect(message.length).withContext(text).toBeGreaterThan(20);
        expect(message).not.toMatch(/undefined|NaN|\[object/);
        expect(where).toBeInstanceOf(Object);
      }
    }
    expect(refused).toBeGreaterThan(200);
  });

  it('that are cut off or not text at all are not JSON', () => {
    for (const share of [0.1, 0.5, 0.999]) {
      const outcome = readModel(sound[0]!.slice(0, Math.floor(sound[0]!.length * share)));
      expect(outcome.ok).toBeFalse();
      if (!outcome.ok) expect(outcome.problems[0]!.code).toBe('invalid-model');
    }
    for (const text of ['', '\u0000\u0001', '[', '['.repeat(100_000), 'NaN'])
      expect(readModel(text).ok).toBeFalse();
  });

  it('tell everything that is wrong at once, whether by shape or by sense', () => {
    const model = tower(1, 1, 1) as unknown as Record<string, Record<string, unknown>[]>;
    model['nodes']![0]!['x'] = 'west';
    model['members']![1]!['section'] = 'none';
    model['members']![2]!['colour'] = 'red';
    model['supports']![1]!['node'] = 'nowhere';
    model['loadCases']![0]!['loads'] = [{ kind: 'node', node: 'ghost' }, { kind: 'breeze' }];
    const outcome = readModel(JSON.stringify(model));
    expect(outcome.ok).toBeFalse();
    const paths = outcome.ok ? [] : outcome.problems.map((p) => p.where['path']);
    for (const path of [
      '/nodes/0/x',
      '/members/1/section',
      '/members/2',
      '/supports/1/node',
      '/loadCases/0/loads/0/node',
      '/loadCases/0/loads/1',
    ])
      expect(paths).toContain(path);
    // The node with a wrong number is still there: nothing that refers to it is reported
    expect(paths).not.toContain('/members/0/start');
  });
});
