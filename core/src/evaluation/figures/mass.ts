import { sectionBox } from '../../sections/outline/section-box.js';
import { quantityOf } from '../../language/evaluate.js';
import type { CalculationStep } from '../../checks/index.js';
import { fail } from '../../base/problem.js';
import { membersOf, type FigureKind, type FigureSource } from './figure.js';
import type { FigureSpec } from '../../document/types.js';

/** Members by the name of their section: kg/m, m. */
function bySection(
  source: FigureSource,
  spec: FigureSpec,
): Map<string, { length: number; mass: number; perimeter: number }> {
  const { frame } = source.forces;
  const out = new Map<string, { length: number; mass: number; perimeter: number }>();
  for (const m of membersOf(source, spec)) {
    const section = frame.sections[m]!;
    const entry = out.get(section.title) ?? {
      length: 0,
      mass: 0,
      perimeter: section.shape ? sectionBox(section.shape).perimeter : 0,
    };
    entry.length += frame.length[m]!;
    entry.mass += frame.massPerLength[m]! * frame.length[m]!;
    out.set(section.title, entry);
  }
  return out;
}

const nothing = {
  needs: 'forces',
  signed: false,
  limitIs: 'most',
  judgedBy: 'none',
  of: 'members',
  components: [],
} as const;

/** Mass of members: Σ ρ·A·L, kg. */
export const mass: FigureKind = {
  ...nothing,
  kind: 'mass',
  title: 'Mass',
  quantity: () => 'mass',
  compute: (source, spec) => ({
    value: [...bySection(source, spec).values()].reduce((sum, one) => sum + one.mass, 0),
  }),
  trace(source, spec, result) {
    const steps = [...bySection(source, spec)].flatMap(([title, one]): CalculationStep[] => [
      { symbol: `L ${title}`, value: one.length, unit: 'm', from: 'sum of the members’ lengths' },
      {
        symbol: `m ${title}`,
        value: one.mass,
        unit: 'kg',
        from: `ρ·A·L at ${(one.mass / one.length).toFixed(2)} kg/m`,
      },
    ]);
    return [...steps, { symbol: 'mass', value: result.value, unit: 'kg', from: 'Σ ρ·A·L' }];
  },
};

/** Surface to be painted: Σ perimeter · length, m². */
export const surface: FigureKind = {
  ...nothing,
  kind: 'surface',
  title: 'Surface',
  quantity: () => 'surface',
  compute: (source, spec) => ({
    value: [...bySection(source, spec).values()].reduce((sum, one) => sum + one.perimeter * one.length, 0),
  }),
  trace(source, spec, result) {
    const steps = [...bySection(source, spec)].map(([title, one]): CalculationStep => ({
      symbol: `A ${title}`,
      value: one.perimeter * one.length,
      unit: 'm2',
      from: `${one.perimeter.toFixed(3)} m around × ${one.length.toFixed(2)} m`,
    }));
    return [...steps, { symbol: 'surface', value: result.value, unit: 'm2', from: 'Σ perimeter · length' }];
  },
};

/** The rate for a section: that of its family (the letters of its name), else the one called "other". */
function rateOf(title: string, spec: FigureSpec, source: FigureSource): number {
  const family = /^[A-Za-z]+/.exec(title)?.[0].toUpperCase() ?? 'other';
  const rates = new Map(Object.entries(spec.rates ?? {}));
  const written = rates.get(family) ?? rates.get('other');
  const place = { what: `figure "${spec.title}", rates`, where: { figure: spec.id, field: 'rates' } };
  if (written === undefined)
    return fail(
      'unknown-name',
      `Figure "${spec.title}" has no rate for ${family}; add one, or one called "other".`,
      place.where,
    );
  return quantityOf(written, source.built.names, 'number', place);
}

/** Cost: Σ mass · rate a kg by section family, in the design's currency. */
export const cost: FigureKind = {
  ...nothing,
  kind: 'cost',
  rated: true,
  title: 'Cost',
  quantity: () => 'number',
  compute: (source, spec) => ({
    value: [...bySection(source, spec)].reduce(
      (sum, [title, one]) => sum + one.mass * rateOf(title, spec, source),
      0,
    ),
  }),
  trace(source, spec, result) {
    const steps = [...bySection(source, spec)].map(([title, one]): CalculationStep => {
      const rate = rateOf(title, spec, source);
      return {
        symbol: `cost ${title}`,
        value: one.mass * rate,
        unit: '',
        from: `${one.mass.toFixed(1)} kg × ${rate} a kg`,
      };
    });
    return [...steps, { symbol: 'cost', value: result.value, unit: '', from: 'Σ mass · rate' }];
  },
};
