import { modelOf } from '../testing/models.js';
import type { FrameModel } from './types.js';
import { parseModel, validateModel } from './parse.js';

const good = (): FrameModel =>
  modelOf(
    'plane',
    { a: [0, 0], b: [6, 0] },
    [{ id: 'm', start: 'a', end: 'b' }],
    [
      { node: 'a', ux: 'fixed', uz: 'fixed' },
      { node: 'b', uz: 'fixed' },
    ],
    [{ kind: 'distributed', member: 'm', direction: 'z', q: [-1, -1] }],
  );

/** Messages and paths of a model that must be refused. */
function refused(change: (model: Record<string, any>) => void): { message: string; path: unknown }[] {
  const model = JSON.parse(JSON.stringify(good())) as Record<string, any>;
  change(model);
  const outcome = validateModel(model);
  expect(outcome.ok).toBeFalse();
  return outcome.ok ? [] : outcome.problems.map(({ message, where }) => ({ message, path: where['path'] }));
}

describe('a frame model file', () => {
  it('that is good is taken', () => {
    expect(validateModel(good()).ok).toBeTrue();
  });

  it('that is not JSON is an invalid model', () => {
    const outcome = parseModel('{ "format": ');
    expect(outcome.ok).toBeFalse();
    if (!outcome.ok) expect(outcome.problems[0]!.code).toBe('invalid-model');
  });

  it('reports everything that is wrong at once, each with its path', () => {
    const found = refused((model) => {
      model['nodes'][0].x = '0';
      model['sections'][0].properties.A = 0;
      model['colour'] = 'red';
    });
    expect(found.map(({ path }) => path)).toEqual(
      jasmine.arrayWithExactContents(['/', '/nodes/0/x', '/sections/0/properties/A']),
    );
    expect(found.some(({ message }) => message.includes('"colour"'))).toBeTrue();
  });

  const cases: [string, (model: Record<string, any>) => void, string, string][] = [
    ['a number that is not finite', (m) => (m['nodes'][1].x = Infinity), '/nodes/1/x', 'finite'],
    ['an unknown node', (m) => (m['members'][0].end = 'z'), '/members/0/end', 'unknown node "z"'],
    [
      'an unknown section',
      (m) => (m['members'][0].section = 'z'),
      '/members/0/section',
      'unknown section "z"',
    ],
    ['a node twice', (m) => m['nodes'].push(m['nodes'][0]), '/nodes/2/id', 'defined twice'],
    ['a member without length', (m) => (m['nodes'][1].x = 0), '/members/0', 'no length'],
    ['a node out of the plane', (m) => (m['nodes'][1].y = 1), '/nodes/1/y', 'plane'],
    [
      'a load out of the plane',
      (m) => (m['loadCases'][0].loads[0].direction = 'y'),
      '/loadCases/0/loads/0',
      'out of the plane',
    ],
    [
      'a load that ends before it begins',
      (m) => Object.assign(m['loadCases'][0].loads[0], { from: 0.5, to: 0.5 }),
      '/loadCases/0/loads/0',
      'ends before',
    ],
    [
      'a settlement where nothing is held',
      (m) => m['loadCases'][0].loads.push({ kind: 'settlement', node: 'b', ux: 0.01 }),
      '/loadCases/0/loads/1/ux',
      'nothing holds it',
    ],
    [
      'a combination of unknown cases',
      (m) => (m['combinations'] = [{ id: 'U', state: 'strength', factors: { Q: 1 } }]),
      '/combinations/0/factors/Q',
      'unknown load case "Q"',
    ],
    [
      'a case and a combination of one id',
      (m) => (m['combinations'] = [{ id: 'L', state: 'strength', factors: {} }]),
      '/loadCases/1/id',
      'defined twice',
    ],
    ['a spring that is not positive', (m) => (m['supports'][1].uz = -1), '/supports/1/uz', 'must'],
    [
      'an unknown kind of load',
      (m) => (m['loadCases'][0].loads[0].kind = 'breeze'),
      '/loadCases/0/loads/0',
      'known kinds',
    ],
    [
      'a section with two definitions',
      (m) => (m['sections'][0].profile = 'IPE 300'),
      '/sections/0',
      'exactly one',
    ],
    [
      'a taper to a section that is not there',
      (m) => (m['members'][0].endSection = 'x'),
      '/members/0/endSection',
      'unknown section',
    ],
  ];
  for (const [what, change, path, words] of cases)
    it(`with ${what} is refused at ${path}`, () => {
      const found = refused(change);
      expect(found.some((p) => p.path === path && p.message.includes(words)))
        .withContext(JSON.stringify(found))
        .toBeTrue();
    });
});
