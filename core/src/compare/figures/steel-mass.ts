import type { Figure } from './figure.js';

/** Mass of all members: Σ ρ·A·L. */
export const steelMass: Figure = {
  id: 'mass',
  title: 'Steel mass',
  quantity: 'mass',
  signed: false,
  judgedBy: 'none',
  compute({ frame }) {
    let value = 0;
    for (let m = 0; m < frame.memberIds.length; m++) value += frame.massPerLength[m]! * frame.length[m]!;
    return { value };
  },
  trace({ frame }, result) {
    const bySection = new Map<string, { length: number; perLength: number }>();
    frame.sections.forEach((section, m) => {
      const entry = bySection.get(section.title) ?? { length: 0, perLength: frame.massPerLength[m]! };
      entry.length += frame.length[m]!;
      bySection.set(section.title, entry);
    });
    const steps = [...bySection].flatMap(([title, { length, perLength }]) => [
      { symbol: `m ${title}`, value: perLength, unit: 'kg/m', from: 'ρ·A' },
      { symbol: `L ${title}`, value: length, unit: 'm', from: 'sum of the members’ lengths' },
    ]);
    return [...steps, { symbol: 'mass', value: result.value, unit: 'kg', from: 'Σ m·L' }];
  },
};
